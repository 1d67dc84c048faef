import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkMap, facesOf } from '../../geometry/index.ts';
import { doc, paneNet } from '../../test/panels.ts';
import { continueCartoon, editCartoon, readCartoon, type Cartoon, type CarryOver, type Edit } from '../index.ts';

function read(source: string): Cartoon {
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
}
const net = (seed = 3) => read(paneNet(4, 3, 30, { seed, jitterMm: 2 }));
function edit(cartoon: Cartoon, change: Edit): { cartoon: Cartoon; carry: CarryOver } {
  const edited = editCartoon(cartoon, change);
  if ('refusal' in edited) throw new Error(edited.refusal);
  return edited;
}
const ids = ({ pieces, joints, lineIds }: Cartoon): number[] => [
  ...pieces.map((p) => p.id),
  ...joints.map((j) => j.id),
  ...lineIds,
];

/** What must hold of every carry-over, whatever was done. */
function check(old: Cartoon, { cartoon, carry }: { cartoon: Cartoon; carry: CarryOver }): void {
  const now = ids(cartoon);
  expect(new Set(now).size).toBe(now.length);
  expect(Math.max(...now)).toBeLessThan(cartoon.freeId);
  expect(cartoon.freeId).toBeGreaterThanOrEqual(old.freeId);
  const before = new Set(ids(old));
  for (const id of now) expect(before.has(id) || id >= old.freeId).toBe(true);
  expect(carry.pieces.map((c) => c.id)).toEqual(cartoon.pieces.map((p) => p.id));
  expect(carry.lines.map((c) => c.id)).toEqual(cartoon.lineIds);
  expect(carry.joints.map((c) => c.id)).toEqual(cartoon.joints.map((j) => j.id));
  const kept = new Set(now);
  const gone = [...carry.gone.pieces, ...carry.gone.lines, ...carry.gone.joints] as number[];
  expect(gone.some((id) => kept.has(id))).toBe(false);
  expect(gone.length + ids(old).filter((id) => kept.has(id)).length).toBe(before.size);
  expect(checkMap(cartoon.map, facesOf(cartoon.map))).toEqual([]);
}

describe('what became of pieces, lines and joints', () => {
  it('of any drawing and any light change: ids are kept or new, never shared, never given again', () => {
    const change = fc.oneof(
      fc.record({ kind: fc.constant('take-line' as const), line: fc.nat(60) }),
      fc.record({
        kind: fc.constant('add-line' as const),
        points: fc.constant([
          [0, 15],
          [120, 75],
        ] as [number, number][]),
      }),
      fc.record({
        kind: fc.constant('move-node' as const),
        node: fc.nat(40),
        to: fc.tuple(fc.integer({ min: 5, max: 115 }), fc.integer({ min: 5, max: 85 })),
      }),
      fc.record({ kind: fc.constant('scale' as const), factor: fc.constantFrom(0.5, 1.7, 3) }),
      fc.record({
        kind: fc.constant('renumber' as const),
        order: fc.constantFrom('rows' as const, 'outwards' as const),
      }),
    );
    let done = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.array(change, { minLength: 1, maxLength: 4 }),
        (seed, changes) => {
          let cartoon = net(seed);
          for (const one of changes) {
            const edited = editCartoon(cartoon, one as Edit);
            if ('refusal' in edited) continue;
            check(cartoon, edited);
            cartoon = edited.cartoon;
            done++;
          }
        },
      ),
      { numRuns: 60 },
    );
    expect(done).toBeGreaterThan(40);
  });
  it('numbered anew, everything is still what it was', () => {
    const old = net();
    const { cartoon, carry } = edit(old, { kind: 'renumber', order: 'outwards' });
    expect(carry.gone).toEqual({ pieces: [], lines: [], joints: [] });
    const place = (c: Cartoon) => new Map(c.pieces.map((p) => [p.id, p.centroid]));
    expect(place(cartoon)).toEqual(place(old));
    expect(cartoon.pieces.map((p) => p.id)).not.toEqual(old.pieces.map((p) => p.id));
  });
  it('of a divided line the longer part keeps the id, the other names it; both keep its profile', () => {
    const old = read(doc(100, 60, '<path d="M0 0H100V60H0Z"/><path d="M0 30H100"/>'));
    const index = old.map.lines.findIndex(({ points }) => points.every(([, y]) => y === 30));
    const wide = edit(old, { kind: 'profile', lines: [index], profile: 'f2' }).cartoon;
    const { cartoon, carry } = edit(wide, {
      kind: 'add-line',
      points: [
        [70, 0],
        [70, 30],
      ],
    });
    const parts = carry.lines.filter((l) => l.from === old.lineIds[index]);
    expect(parts).toHaveLength(2);
    expect(parts.filter((l) => l.id === l.from)).toHaveLength(1);
    const keeper = cartoon.map.lines[cartoon.lineIds.indexOf(old.lineIds[index] as never)];
    expect(keeper?.points.map(([x]) => x).sort((a, b) => a - b)).toEqual([0, 70]);
    const wideNow = cartoon.profiles
      ?.map((p, i) => (p === 'f2' ? carry.lines[i]?.from : null))
      .filter((id) => id !== null);
    expect(wideNow).toEqual([old.lineIds[index], old.lineIds[index]]);
  });
  it('a joint that moved goes on and is told as moved; its neighbours are not', () => {
    const old = net();
    const inner = old.joints.find((j) => j.kind === 'X');
    const node = old.map.nodes.findIndex(([x, y]) => x === inner?.at[0] && y === inner.at[1]);
    const [x, y] = inner?.at ?? [0, 0];
    const { cartoon, carry } = edit(old, { kind: 'move-node', node, to: [x + 4, y + 3] });
    expect(carry.movedJoints).toEqual([inner?.id]);
    expect(cartoon.joints.find((j) => j.id === inner?.id)?.at).toEqual([x + 4, y + 3]);
    expect(carry.gone.joints).toEqual([]);
  });
  it('a drawing stretched to another size keeps every joint and line where it is in the drawing', () => {
    const old = net();
    const { carry } = edit(old, { kind: 'scale', factor: 2.5 });
    expect(carry.gone).toEqual({ pieces: [], lines: [], joints: [] });
    expect(carry.movedJoints).toEqual([]);
    expect(carry.joints.every((j) => j.from === j.id)).toBe(true);
  });
  it('brought in again, moved on its page: profiles, joints and pieces go on', () => {
    const old = read(doc(100, 60, '<path d="M0 0H100V60H0Z"/><path d="M0 30H100"/>'));
    const index = old.map.lines.findIndex(({ points }) => points.every(([, y]) => y === 30));
    const wide = edit(old, { kind: 'profile', lines: [index], profile: 'f2' }).cartoon;
    const again = read(doc(140, 90, '<path d="M20 10H120V70H20Z"/><path d="M20 40H120"/>'));
    const { cartoon, carry } = continueCartoon(wide, again, 500);
    check(wide, { cartoon, carry });
    expect(carry.gone).toEqual({ pieces: [], lines: [], joints: [] });
    expect(cartoon.profiles?.filter((p) => p === 'f2')).toHaveLength(1);
    expect(cartoon.freeId).toBe(500);
  });
});
