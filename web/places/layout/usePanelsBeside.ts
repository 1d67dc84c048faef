import { useMemo } from 'react';
import type { BesideAnswer, CartoonAnswer } from '#contract';
import { routeOf, type Route } from '#core/bench';
import type { PanelView } from '../../panel/view.ts';
import { useBeside, useCartoons, usePanels, type PieceRow } from '../../state/studio.ts';

/** Another panel whose pieces are laid out together with those of the one that is open. */
export interface PanelBeside {
  readonly id: string;
  /** Stands before the numbers of its pieces. */
  readonly letter: string;
  readonly route: Route;
  readonly pieces: readonly PieceRow[];
  readonly cuts: CartoonAnswer['cuts'];
}

export interface MayLie extends Pick<BesideAnswer['panels'][number], 'id' | 'name' | 'job' | 'isSet' | 'pieces'> {
  readonly letter: string;
  readonly isPicked: boolean;
  /** It lies on a sheet with the open one, so that both are laid out together or not at all. */
  readonly isBeside: boolean;
}

const FIRST_LETTER = 'A'.charCodeAt(0);
const LETTERS = 26;
/** `A` to `Z`, then `A2` and so on. */
const letterOf = (i: number): string =>
  String.fromCharCode(FIRST_LETTER + (i % LETTERS)) + (i < LETTERS ? '' : String(1 + Math.floor(i / LETTERS)));

/** The panels that may be laid out with one, and those that are: picked, or lying on one of its sheets. */
export function usePanelsBeside({ panel, settings, reader }: PanelView, picked: ReadonlySet<string>) {
  const { data } = useBeside(panel.id);
  const mayLie = useMemo(
    (): MayLie[] =>
      (data?.panels ?? []).map((one, i) => ({
        ...one,
        letter: letterOf(i),
        isPicked: one.isBeside || picked.has(one.id),
      })),
    [data, picked],
  );
  const ids = useMemo(() => mayLie.filter((one) => one.isPicked).map((one) => one.id), [mayLie]);
  const answers = usePanels(ids);
  const rows = useMemo(() => answers.map((one) => one.panel), [answers]);
  const drawings = useCartoons(rows, settings.limits);
  const beside = useMemo(
    () =>
      answers.flatMap((one, i): PanelBeside[] => {
        const letter = mayLie.find(({ id }) => id === one.panel.id)?.letter;
        const cuts = drawings[i]?.cuts;
        return letter === undefined || cuts === undefined
          ? []
          : [
              {
                id: one.panel.id,
                letter,
                route: routeOf(reader, one.panel),
                pieces: one.pieces as readonly PieceRow[],
                cuts,
              },
            ];
      }),
    [answers, drawings, mayLie, reader],
  );
  return { mayLie, beside, isWhole: data !== undefined && beside.length === ids.length };
}
