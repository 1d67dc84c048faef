import { lastOf } from '../../units/index.ts';
import type { DxfEntity } from './dxfEntity.ts';

interface Group {
  readonly code: number;
  readonly value: never;
}
interface Scanner {
  next(): Group;
  isEOF(): boolean;
}
type Place = { x: number; y: number };

/**
 * Reads SPLINE entities in place of the parser's own reader, which passes over the weights of the control points
 * (group 41; DXF reference, SPLINE group codes).
 */
export class SplineReader {
  readonly ForEntityName = 'SPLINE' as const;

  parseEntity(scanner: Scanner, first: Group): DxfEntity {
    const controls: Place[] = [];
    const fits: Place[] = [];
    const knots: number[] = [];
    const weights: number[] = [];
    const common: Record<string, unknown> = {};
    let flags = 0;
    let degree = 3;
    // The group that ends the entity is read as well: the parser goes on from the last one that was read.
    for (let group = scanner.next(); group.code !== 0 && !scanner.isEOF(); group = scanner.next()) {
      const { code, value } = group;
      if (code === 10) controls.push({ x: value, y: 0 });
      else if (code === 11) fits.push({ x: value, y: 0 });
      else if (code === 20 && controls.length > 0) lastOf(controls).y = value;
      else if (code === 21 && fits.length > 0) lastOf(fits).y = value;
      else if (code === 40) knots.push(value);
      else if (code === 41) weights.push(value);
      else if (code === 70) flags = value;
      else if (code === 71) degree = value;
      else if (code === 5) common.handle = value;
      else if (code === 6) common.lineType = value;
      else if (code === 8) common.layer = value;
      else if (code === 60) common.visible = Number(value) === 0;
      else if (code === 67) common.inPaperSpace = Number(value) !== 0;
    }
    return {
      ...common,
      type: first.value,
      controlPoints: controls,
      fitPoints: fits.length > 0 ? fits : undefined,
      knotValues: knots,
      weights,
      degreeOfSplineCurve: degree,
      closed: (flags & 1) !== 0,
      rational: (flags & 4) !== 0 || weights.length > 0,
    };
  }
}
