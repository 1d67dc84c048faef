import { useCallback, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import {
  backGlassOf,
  offers,
  readTally,
  vocabularyOf,
  type BreakReason,
  type GlassOfTwo,
  type SourceQuestion,
} from '#core/bench';
import { tallyWords } from '#core/words';
import { newId } from '../state/ids.ts';
import { usePastLines } from './pastLines.ts';
import { useBench } from '../state/bench.ts';
import { useSend } from '../state/send.ts';
import { useSelection } from '../state/selection.ts';
import type { PanelView } from '../panel/view.ts';

export interface AskedRecut {
  readonly reason: BreakReason;
  readonly minutes: number;
  /** They broke while they were being cut and are still to be cut: the sheet asked for is the one they broke out of. */
  readonly isLost?: boolean;
  /** Of pieces of two glasses, which broke. */
  readonly only?: GlassOfTwo | undefined;
}

export interface Tally {
  readonly text: string;
  readonly field: React.RefObject<HTMLInputElement | null>;
  readonly words: string;
  readonly isProblem: boolean;
  readonly canDo: boolean;
  readonly lit: ReadonlySet<number>;
  readonly litJoints: ReadonlySet<number>;
  readonly questions: readonly SourceQuestion[];
  readonly askedRecut: AskedRecut | null;
  /** Words that may come next, for who taps. */
  readonly offered: readonly string[];
  write(text: string): void;
  begin(text: string): void;
  enter(): Promise<void>;
  /** Asks from which sheet, for pieces chosen by hand. */
  ask(questions: readonly SourceQuestion[], recut?: AskedRecut): void;
  answered(done: boolean): void;
}

/** A line that was refused after longer is not given back to be mended: whoever wrote it is at something else. */
const IN_HAND_MS = 5000;

/** The tally line's state: what is typed, what it means on this panel, and what is still to be asked. */
export function useTally(view: PanelView): Tally {
  const { reader, panel, settings } = view;
  const [text, setText] = useState('');
  const [questions, setQuestions] = useState<readonly SourceQuestion[]>([]);
  const [askedRecut, setAskedRecut] = useState<AskedRecut | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const calls = useRef(0);
  /** The line whose question is open. */
  const asked = useRef('');
  const personId = useBench((s) => s.personId);
  const send = useSend();
  const keepLine = usePastLines((s) => s.keep);
  const meaning = useMemo(() => readTally(text, reader, panel, { newId, personId }), [text, reader, panel, personId]);
  const stated = useMemo(
    () => tallyWords(meaning, reader, settings.unit, personId),
    [meaning, reader, settings.unit, personId],
  );

  const offered = useMemo(() => {
    const meant = new Set(meaning.numbers);
    const own = new Set(
      [...reader.ask('piecesOfPanel', panel.id)].flatMap((p) =>
        meant.has(p.number) ? [p.glassId, backGlassOf(p)] : [],
      ),
    );
    const stock = [...reader.all('stock')]
      .filter((s) => s.gone === null && own.has(s.glassId))
      .sort((a, b) => a.areaMm2 - b.areaMm2);
    const asked = new Set([...reader.ask('piecesOfPanel', panel.id)].flatMap((p) => p.asks));
    return offers(
      text,
      { ...vocabularyOf(panel.route, asked), ownReasons: settings.ownReasons },
      {
        labels: stock.map((s) => s.id),
        glasses: [...reader.all('glasses')].map((g) => g.code).sort(),
      },
    );
  }, [text, meaning, reader, panel, settings.ownReasons]);
  const write = useCallback((next: string) => setText(next), []);
  const begin = useCallback((next: string) => {
    setText(next);
    field.current?.focus();
  }, []);
  const undo = useCallback(
    async (direction: 'undo' | 'redo', times: number) => {
      for (let i = 0; i < times; i++) if (!(await send.putBack(direction, { panelId: panel.id }))) return;
    },
    [send, panel.id],
  );
  const ask = useCallback((next: readonly SourceQuestion[], recut?: AskedRecut) => {
    setQuestions(next);
    setAskedRecut(recut ?? null);
  }, []);
  const enter = async () => {
    if (text.trim() !== '' && stated.words !== '' && !stated.isProblem) keepLine(text.trim());
    if (meaning.direction) {
      setText('');
      return undo(meaning.direction, meaning.times);
    }
    if (meaning.questions.length > 0) {
      // Free for the next call as well: what is answered is often seen done before its answer is here.
      asked.current = text;
      setText('');
      return ask(meaning.questions);
    }
    const { command } = meaning;
    if (!command) {
      if (stated.words) toast.error(stated.words);
      // What is wrong is picked, so that the next word takes its place.
      if (meaning.at) field.current?.setSelectionRange(...meaning.at);
      return;
    }
    // The line is free for the next call at once; a refused one comes back unless another is being written. The preview
    // may still judge the panel as it was before the last line; lines go in their order, and the server alone decides.
    setText('');
    const mine = ++calls.current;
    const begun = Date.now();
    if (await send.command(command, undefined, meaning.personId ?? undefined)) {
      // Answers may be shown in another order than the calls were made: the last call is the one in hand.
      if (meaning.numbers.length > 0 && mine === calls.current)
        useSelection.getState().choose(panel.id, meaning.numbers);
    } else if (Date.now() - begun < IN_HAND_MS) setText((now) => (now === '' ? text : now));
  };
  return {
    text,
    field,
    ...stated,
    canDo: meaning.direction !== null || meaning.command !== null || meaning.questions.length > 0,
    lit: useMemo(() => new Set(meaning.numbers), [meaning]),
    litJoints: useMemo(() => new Set(meaning.joints), [meaning]),
    questions,
    askedRecut,
    offered,
    write,
    begin,
    enter,
    ask,
    answered: (done) => {
      setQuestions([]);
      setAskedRecut(null);
      const given = asked.current;
      asked.current = '';
      if (!done) setText((now) => (now === '' ? given : now));
      field.current?.focus();
    },
  };
}
