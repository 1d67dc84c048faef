import { describe, expect, it } from 'vitest';
import { contains, type Point, type Ring } from '#core/geometry';
import { outlineWhereItLies } from '#core/stock';
import { nth } from '#core/units';
import { firstTurn, middleOf, outlineAt, poseOfSpot, spotOfPose } from './pose.ts';

const piece: Ring = [
  [100, 200],
  [180, 210],
  [150, 260],
];

describe('a pattern on a sheet', () => {
  it.each([
    [0, false],
    [37, false],
    [215, true],
  ])(
    'turned by %d°, turned over %s: its middle lies where it was put, and its spot brings it back',
    (rotationDeg, turnedOver) => {
      const pose = { at: [40, 60] as Point, rotationDeg, turnedOver };
      const lies = outlineAt(piece, pose);
      expect(contains(lies, [40, 60])).toBe(true);
      const spot = { ...spotOfPose(piece, pose), stockId: 'S', rootId: 'S', byHand: true };
      const back = poseOfSpot(piece, spot);
      expect(back).toMatchObject({ rotationDeg, turnedOver });
      expect(Math.hypot(back.at[0] - 40, back.at[1] - 60)).toBeLessThan(1e-9);
      // Sides keep their lengths: nothing is stretched.
      const sides = (ring: Ring) =>
        ring.map(([x, y], i) => Math.hypot(x - nth(ring, (i + 1) % 3)[0], y - nth(ring, (i + 1) % 3)[1]));
      sides(lies).forEach((mm, i) => expect(mm).toBeCloseTo(nth(sides(piece), i), 9));
      expect(outlineWhereItLies([middleOf(piece)], spot)[0]).toEqual([
        expect.closeTo(40, 9) as number,
        expect.closeTo(60, 9) as number,
      ]);
    },
  );

  it('is laid down with its flow along the sheet', () => {
    for (const turnedOver of [false, true])
      for (const flowDeg of [0, 30, 90, 145]) {
        const { rotationDeg } = firstTurn(flowDeg, turnedOver);
        const lies = (turnedOver ? 180 - flowDeg : flowDeg) + rotationDeg;
        expect(((lies % 180) + 180) % 180).toBeCloseTo(90, 9);
      }
    expect(firstTurn(null, false)).toEqual({ rotationDeg: 0, turnedOver: false });
  });
});
