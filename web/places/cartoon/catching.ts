import { catcher, lineSearch, nearestNode, type Cartoon, type Catch } from '#core/cartoon';
import { contains, type Point } from '#core/geometry';
import { nth } from '#core/units';
import type { Mode } from './modes.ts';

/** How near a tap must be: about a finger's breadth on the screen. */
export const REACH_PX = 14;

/** What a tap at a place would mean in a mode, beside pieces; `isHeld` once a joint is taken and wants its new place. */
export type Catching = (mode: Mode, isHeld: boolean, place: Point, reachMm: number) => Catch | null;

export function catching(cartoon: Cartoon): Catching {
  const lineAt = lineSearch(cartoon.map);
  const catchAt = catcher(cartoon.map);
  const joint = (place: Point, reachMm: number): Catch | null => {
    const node = nearestNode(cartoon.map, place, reachMm);
    return node === null ? null : { node, line: null, at: nth(cartoon.map.nodes, node) };
  };
  return (mode, isHeld, place, reachMm) => {
    switch (mode) {
      case 'add-line':
        return catchAt(place, reachMm);
      case 'take-line':
      case 'profile': {
        const found = lineAt(place, reachMm);
        return found && { node: null, ...found };
      }
      case 'move-node':
        return isHeld ? null : joint(place, reachMm);
      case 'size':
        return joint(place, reachMm);
      default:
        return null;
    }
  };
}

export function isSameCatch(a: Catch | null, b: Catch | null): boolean {
  if (a === null || b === null) return a === b;
  return a.node === b.node && a.line === b.line && a.at[0] === b.at[0] && a.at[1] === b.at[1];
}

/** The lines whose middle lies in a ring. */
export const linesWithin = ({ map }: Cartoon, ring: readonly Point[]): number[] =>
  map.lines.flatMap(({ points }, line) => {
    const [a, b] = [nth(points, Math.floor((points.length - 1) / 2)), nth(points, Math.ceil((points.length - 1) / 2))];
    return contains(ring, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]) ? [line] : [];
  });
