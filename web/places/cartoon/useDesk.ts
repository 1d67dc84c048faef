import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { isInHand } from '#core/bench';
import type { CartoonAnswer, PanelEdit } from '#contract';
import { needsCure, type Proposal } from '#core/cutting';
import type { Point } from '#core/geometry';
import { piecesAlong, type Catch } from '#core/cartoon';
import { pieceAt } from '../../panel/pieceAt.ts';
import { showNumbers } from '#core/units';
import { useSelection } from '../../state/selection.ts';
import { useSend } from '../../state/send.ts';
import { useCutting, type Cutting } from '../../panel/useCutting.ts';
import type { PanelView } from '../../panel/view.ts';
import { catching, isSameCatch, linesWithin, REACH_PX } from './catching.ts';
import type { Mode } from './modes.ts';

export interface Desk {
  readonly mode: Mode;
  /** Places tapped so far in this mode. */
  readonly taps: readonly Point[];
  readonly lines: ReadonlySet<number>;
  readonly node: number | null;
  /** What a note points at. */
  readonly spot: Point | null;
  /** What the pointer would catch, shown before it is lifted. */
  readonly caught: Catch | null;
  /** Lines that would cure the piece looked at. */
  readonly cure: Cutting<Proposal | null>;
  /** A change is being worked out; what is tapped meanwhile waits for it. */
  readonly busy: boolean;
  setMode(mode: Mode): void;
  tap(at: Point, mmPerPx: number): void;
  /** The pointer is over a place, or nowhere. */
  hover(at: Point | null, mmPerPx: number): void;
  /** Something was drawn round with the lasso; true where that means lines. */
  ring(ring: readonly Point[]): boolean;
  look(at: Point | null): void;
  edit(edit: PanelEdit, said: string): Promise<boolean>;
  clear(): void;
}

interface Tap {
  readonly at: Point;
  readonly mmPerPx: number;
}

/** The light changes of one drawing: what is tapped in which mode, and what it then does. */
export function useDesk(view: PanelView, answer: CartoonAnswer): Desk {
  const { panel } = view;
  const { cartoon } = answer;
  const [mode, setModeOnly] = useState<Mode>('look');
  const [taps, setTaps] = useState<readonly Point[]>([]);
  const [lines, setLines] = useState<ReadonlySet<number>>(new Set());
  const [node, setNode] = useState<number | null>(null);
  const [spot, setSpot] = useState<Point | null>(null);
  const [caught, setCaught] = useState<Catch | null>(null);
  const [isSent, setSent] = useState(false);
  // A change is done with once the drawing that came of it is what is shown.
  const busy = isSent || answer.id !== panel.cartoonId;
  /** Tapped while a change is worked out: done, in order, on the drawing that comes of it. */
  const [waiting, setWaiting] = useState<readonly Tap[]>([]);
  const send = useSend();
  const { numbers, panelId, at } = useSelection();
  const catchOf = useMemo(() => catching(cartoon), [cartoon]);
  const cure = useCutting(
    useMemo(() => {
      const judged = panelId === panel.id ? answer.cuttability.find((c) => c.number === at) : undefined;
      if (!judged || !needsCure(judged)) return null;
      return { kind: 'cure' as const, cartoon, judged, allowance: panel.allowance, limits: view.limits };
    }, [answer, cartoon, at, panelId, panel.id, panel.allowance, view.limits]),
  );

  const clear = () => {
    setTaps([]);
    setLines(new Set());
    setNode(null);
    setSpot(null);
    setCaught(null);
  };
  const edit = async (change: PanelEdit, said: string) => {
    setSent(true);
    const done = await send.edit(panel.id, change, said);
    setSent(false);
    clear();
    return done;
  };
  const hover = (place: Point | null, mmPerPx: number) => {
    const next = place && !busy ? catchOf(mode, node !== null, place, REACH_PX * mmPerPx) : null;
    setCaught((old) => (isSameCatch(old, next) ? old : next));
  };
  const ring = (around: readonly Point[]): boolean => {
    if (mode !== 'profile') return false;
    setLines(new Set([...lines, ...linesWithin(cartoon, around)]));
    return true;
  };
  const act = ({ at: place, mmPerPx }: Tap) => {
    const meant = catchOf(mode, node !== null, place, REACH_PX * mmPerPx);
    const meantLine = meant?.line ?? null;
    setSpot(null);
    switch (mode) {
      case 'look':
      case 'sections':
      case 'numbers': {
        const number = pieceAt(cartoon, place);
        if (number === null) useSelection.getState().clear();
        else if (mode === 'look') useSelection.getState().choose(panel.id, [number]);
        else useSelection.getState().toggle(panel.id, number);
        return;
      }
      case 'add-line': {
        const last = taps.at(-1);
        // A line begins and ends on the very line, or at the very joint, that is caught.
        const to = meant?.at ?? place;
        const through = last ? piecesAlong(cartoon, last, to) : [];
        const held = view.pieces.filter((p) => through.includes(p.number) && isInHand(p)).map((p) => p.number);
        if (held.length > 0)
          return void toast.error(`Glass of ${showNumbers(held)} is cut already; a line cannot go through it.`);
        const next = [...taps, to];
        if (taps.length === 0 && !meant) return void toast.error('Begin on a line of the drawing.');
        if (taps.length > 0 && meant)
          return void edit({ kind: 'add-line', points: [...next] as [number, number][] }, 'Line added.');
        return setTaps(next);
      }
      case 'take-line':
        return setLines(new Set(meantLine === null ? [] : [meantLine]));
      case 'profile': {
        if (meantLine === null) return;
        const next = new Set(lines);
        if (!next.delete(meantLine)) next.add(meantLine);
        return setLines(next);
      }
      case 'move-node':
        if (node === null) return setNode(meant?.node ?? null);
        return void edit({ kind: 'move-node', node, to: [...place] as [number, number] }, 'Joint moved.');
      case 'size': {
        // A measure is taken from joint to joint where one is near: a finger is not that exact.
        const from = meant?.at ?? place;
        return setTaps(taps.length >= 2 ? [from] : [...taps, from]);
      }
      case 'flow': {
        const [from] = taps;
        if (!from) return setTaps([place]);
        setTaps([]);
        const start = pieceAt(cartoon, from);
        const picked =
          panelId === panel.id && start !== null && numbers.has(start) ? [...numbers] : start === null ? [] : [start];
        if (picked.length === 0) return void toast.error('Begin the arrow inside a piece.');
        const flowDeg = ((Math.atan2(place[1] - from[1], place[0] - from[0]) * 180) / Math.PI + 360) % 180;
        return void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: picked, flowDeg } });
      }
    }
  };
  const actOnNext = useEffectEvent(() => {
    const [next, ...later] = waiting;
    if (busy || !next) return;
    setWaiting(later);
    act(next);
  });
  useEffect(() => actOnNext(), [busy, waiting]);
  return {
    mode,
    taps,
    lines,
    node,
    spot,
    caught,
    cure,
    busy,
    setMode: (next) => {
      clear();
      setWaiting([]);
      setModeOnly(next);
    },
    tap: (place, mmPerPx) => {
      const tap = { at: place, mmPerPx };
      if (busy) setWaiting([...waiting, tap]);
      else act(tap);
    },
    hover,
    ring,
    look: setSpot,
    edit,
    clear,
  };
}
