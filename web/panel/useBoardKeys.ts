import { useState, type KeyboardEvent } from 'react';
import { neighbourTowards, type Direction } from '#core/cartoon';
import type { Point } from '#core/geometry';
import type { PanelPaths } from './paths.ts';

const ARROWS: Readonly<Record<string, Direction>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};
const HEADINGS: Readonly<Record<Direction, Point>> = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] };
const OTHER_HAND: Readonly<Record<Direction, Direction>> = { left: 'right', right: 'left', up: 'up', down: 'down' };

interface BoardKeys {
  readonly paths: PanelPaths;
  readonly mirrored: boolean;
  /** The piece that the arrows start from. */
  readonly at: number | null;
  onPoint?(at: Point): void;
  /** The crosshair stands at a place. */
  onHover?(at: Point): void;
  onPick(numbers: readonly number[], how: 'set' | 'add'): void;
  onType?(text: string): void;
  zoomBy(factor: number): void;
  whole(): void;
}

/** What keys do on the board: to the true neighbour, or with a crosshair to a place; zoom; a digit begins the tally line. */
export function useBoardKeys({ paths, mirrored, at, onPoint, onHover, onPick, onType, zoomBy, whole }: BoardKeys) {
  const [crosshair, setCrosshair] = useState<Point | null>(null);
  const { x, y, width, height } = paths.box;

  const point = (arrow: Direction | undefined, stepMm: number, done: (at: Point) => void) => {
    const here: Point = crosshair ?? [x + width / 2, y + height / 2];
    if (!arrow) return done(here);
    const [dx, dy] = HEADINGS[arrow];
    const next: Point = [here[0] + dx * stepMm, here[1] + dy * stepMm];
    setCrosshair(next);
    onHover?.(next);
  };
  const walk = (arrow: Direction, isMore: boolean) => {
    const heading = mirrored ? OTHER_HAND[arrow] : arrow;
    const next = at === null ? (paths.cartoon.pieces[0]?.number ?? null) : neighbourTowards(paths.pieces, at, heading);
    if (next !== null) onPick([next], isMore ? 'add' : 'set');
  };
  const keyDown = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (onPoint && (arrow || event.key === 'Enter')) {
      event.preventDefault();
      return point(arrow, event.shiftKey ? 10 : 1, onPoint);
    }
    if (arrow) {
      event.preventDefault();
      walk(arrow, event.shiftKey);
    } else if (event.key === 'Escape') onPick([], 'set');
    else if (event.key === '+' || event.key === '=') zoomBy(1.4);
    else if (event.key === '-') zoomBy(1 / 1.4);
    else if (event.key === '0') whole();
    else if (onType && /^[1-9]$/.test(event.key) && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      onType(event.key);
    }
  };
  return { crosshair: onPoint ? crosshair : null, keyDown };
}
