import { CAPACITY } from '#core/limits';
import { useState } from 'react';
import { type Repair, type ShortEnd } from '#core/cartoon';
import type { OutlineMeaning } from '#core/sizing';
import { lengthToMm } from '#core/units';
import { useSend } from '../../state/send.ts';
import { drawingText } from './drawingText.ts';
import { measureProblem, snapProblem } from './importEntries.ts';
import type { PanelView } from '../../panel/view.ts';
import { usePreview, type Preview } from './usePreview.ts';

/** What the user has said about the drawing that is being looked at. */
export interface ImportOptions {
  readonly side: 'width' | 'height';
  readonly measure: string;
  readonly snap: string;
  readonly layersIn: readonly string[];
  readonly outline: OutlineMeaning;
  readonly asDrawn: boolean;
  readonly refused: readonly Repair[];
  readonly drawOn: readonly ShortEnd[];
  readonly letGo: boolean;
}

export interface Import {
  readonly preview: Preview;
  readonly options: ImportOptions;
  readonly busy: boolean;
  take(file: File | undefined): Promise<void>;
  change(next: Partial<ImportOptions>): void;
  accept(): Promise<boolean>;
  leave(): void;
}

/** One drawing from the file to the studio: read anew after every word, kept only when it is accepted. */
export function useImport(view: PanelView): Import {
  const { panel, settings, limits, answer } = view;
  const { preview, read, fail, stop } = usePreview();
  const fresh: ImportOptions = {
    side: 'width',
    measure: '',
    snap: '',
    layersIn: [],
    outline: panel.allowance.outline,
    asDrawn: false,
    refused: [],
    drawOn: [],
    letGo: false,
  };
  const [file, setFile] = useState<{ name: string; source: string } | null>(null);
  const [options, setOptions] = useState(fresh);
  const [busy, setBusy] = useState(false);
  const send = useSend();

  const asRead = (o: ImportOptions) => {
    const mm = o.measure.trim() === '' ? null : lengthToMm(o.measure, settings.unit);
    const snapMm = o.snap.trim() === '' ? null : lengthToMm(o.snap, settings.unit);
    return {
      layersIn: [...o.layersIn],
      ...(mm !== null && mm > 0 ? (o.side === 'width' ? { widthMm: mm } : { heightMm: mm }) : {}),
      ...(snapMm !== null && snapMm >= 0 ? { snapMm } : {}),
      ...(o.asDrawn ? { asDrawn: true } : {}),
      ...(o.drawOn.length > 0
        ? { drawOn: o.drawOn.map(({ at: [x, y], gapMm }) => ({ at: [x, y] as [number, number], gapMm })) }
        : {}),
      ...(o.refused.length > 0 ? { refused: o.refused.map(({ at: [x, y] }): [number, number] => [x, y]) } : {}),
    };
  };
  const start = (source: string, o: ImportOptions) =>
    read({
      kind: 'read',
      source,
      options: asRead(o),
      allowance: { ...panel.allowance, outline: o.outline },
      limits,
      ...(answer ? { previous: { cartoon: answer.cartoon, cuts: answer.cuts } } : {}),
    });
  return {
    preview,
    options,
    busy,
    take: async (given) => {
      if (!given) return;
      setFile(null);
      setOptions(fresh);
      if (given.size > CAPACITY.sourceChars)
        return fail(
          `${given.name} is ${Math.round(given.size / 1e6)} MB; a cartoon has at most 32 MB. Leave pictures out and save it again. Nothing was changed.`,
        );
      const source = await drawingText(given, CAPACITY.sourceChars);
      if (source === null)
        return fail(
          `${given.name} is packed, and damaged or larger than 32 MB. Save it again unpacked. Nothing was changed.`,
        );
      setFile({ name: given.name, source });
      start(source, fresh);
    },
    change: (next) => {
      // Places are told in millimetres of the reading: at another size or tolerance they are others.
      const isElsewhere = 'measure' in next || 'side' in next || 'snap' in next;
      const said = { ...options, ...next };
      // A measure that is none changes nothing: what was read stays, with all that was said to it.
      if (isElsewhere && (measureProblem(said.measure, settings.unit) ?? snapProblem(said.snap, settings.unit)))
        return setOptions(said);
      const all = { ...said, ...(isElsewhere ? { refused: [], drawOn: [] } : {}) };
      setOptions(all);
      // Letting pieces go changes nothing in the reading.
      if (file && !('letGo' in next)) start(file.source, all);
    },
    accept: async () => {
      if (!file || preview.kind !== 'ready') return false;
      setBusy(true);
      const done = await send.cartoon(panel.id, {
        source: file.source,
        sourceName: file.name,
        outline: options.outline,
        ...asRead(options),
        ...(options.letGo ? { letGo: [...preview.result.changes.gone] } : {}),
      });
      setBusy(false);
      return done;
    },
    leave: () => {
      stop();
      setFile(null);
    },
  };
}
