import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import type { CartoonAnswer } from '#contract';
import { MOST_SOURCE_CHARS } from '#core/cartoon';
import { lengthToMm } from '#core/units';
import type { OutlineMeaning } from '#core/sizing';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField, TextField } from '../../ui/Field.tsx';
import { Measures } from '../../ui/Length.tsx';
import type { PanelView } from './panelView.ts';
import { CartoonNotes } from './CartoonNotes.tsx';
import { CartoonSheet } from './CartoonSheet.tsx';
import { usePreview } from './usePreview.ts';

interface Chosen {
  readonly name: string;
  readonly source: string;
}

/** The drawing comes in here: read in a worker, shown at its true size, accepted only when it is right. */
export function CartoonStep({ view }: { view: PanelView }) {
  const { panel, pieces, settings, answer } = view;
  const { preview, read, fail, stop } = usePreview();
  const [file, setFile] = useState<Chosen | null>(null);
  const [measure, setMeasure] = useState<{ side: 'width' | 'height'; text: string }>({ side: 'width', text: '' });
  const [layersIn, setLayersIn] = useState<readonly string[]>([]);
  const [outline, setOutline] = useState<OutlineMeaning>(panel.allowance.outline);
  const [busy, setBusy] = useState(false);
  const [over, setOver] = useState(false);
  const send = useSend();
  const navigate = useNavigate();
  const begun = pieces.some((p) => p.stage !== 'to-cut' || p.recuts > 0);
  const known = measure.text.trim() === '' ? undefined : (lengthToMm(measure.text, settings.unit) ?? Number.NaN);
  const measureProblem =
    known !== undefined && !(known > 0 && known <= 3200) ? 'A length above 0, such as 420 mm or 16 1/2 in.' : null;
  const options = (next: { side: 'width' | 'height'; mm: number | undefined }, layers: readonly string[]) => ({
    layersIn: [...layers],
    ...(next.mm === undefined ? {} : next.side === 'width' ? { widthMm: next.mm } : { heightMm: next.mm }),
  });
  const start = (
    source: string,
    mm: number | undefined,
    side: 'width' | 'height',
    layers: readonly string[],
    means: OutlineMeaning,
  ) => read({ source, options: options({ side, mm }, layers), allowance: { ...panel.allowance, outline: means } });
  const take = async (given: File | undefined) => {
    if (!given) return;
    setFile(null);
    if (given.size > MOST_SOURCE_CHARS)
      return fail(
        `${given.name} is ${Math.round(given.size / 1e6)} MB; a cartoon has at most 32 MB. Leave pictures out and save it again. Nothing was changed.`,
      );
    const source = await given.text();
    setFile({ name: given.name, source });
    setLayersIn([]);
    start(source, undefined, measure.side, [], outline);
  };
  const again = (mm = known, layers = layersIn, means = outline, side = measure.side) =>
    file && !Number.isNaN(mm) && start(file.source, mm, side, layers, means);
  const accept = async () => {
    if (!file) return;
    setBusy(true);
    const { layersIn: layers, ...size } = options({ side: measure.side, mm: known }, layersIn);
    const done = await send.cartoon(panel.id, {
      source: file.source,
      sourceName: file.name,
      layersIn: layers,
      outline,
      ...size,
    });
    setBusy(false);
    if (done) void navigate(`/panels/${panel.id}/glass`);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0]);
  };
  const shown = preview.kind === 'ready' ? preview.answer : preview.kind === 'none' ? answer : null;
  const ready = preview.kind === 'ready' ? preview.reading : null;
  return (
    <div
      className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_320px] xl:grid-cols-[minmax(0,1fr)_372px]"
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <main className={`flex min-h-0 flex-col ${over ? 'shadow-[inset_0_0_0_4px_var(--copper)]' : ''}`}>
        {shown ? (
          <CartoonSheet answer={shown} unit={settings.unit} />
        ) : (
          <div className="grid flex-1 place-content-center gap-4 p-10 text-center">
            {preview.kind === 'reading' ? (
              <>
                <p role="status" className="text-xl">
                  Reading the drawing …
                </p>
                <progress
                  className="h-3 w-80 accent-copper"
                  max={1}
                  value={preview.share}
                  aria-label="How much is read"
                />
                <Button
                  className="mx-auto"
                  onClick={() => {
                    stop();
                    setFile(null);
                  }}
                >
                  Stop
                </Button>
              </>
            ) : (
              <>
                <h2 className="text-3xl">{preview.kind === 'problem' ? 'Not taken in' : 'Drop the drawing here'}</h2>
                <p
                  className="mx-auto max-w-lg text-[17px] text-mute"
                  role={preview.kind === 'problem' ? 'alert' : undefined}
                >
                  {preview.kind === 'problem'
                    ? preview.words
                    : 'An SVG from any vector editor: one line between every two pieces. Every closed region becomes a numbered piece; nothing is saved before you say so.'}
                </p>
              </>
            )}
          </div>
        )}
      </main>
      <aside
        className="flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-line bg-sheet p-5"
        aria-label="The drawing"
      >
        <label className="inline-flex min-h-12 cursor-pointer items-center justify-center rounded-md border border-dashed border-strong px-4 font-semibold focus-within:outline-3 focus-within:outline-copper hover:border-copper">
          {file || answer ? 'Another drawing …' : 'Choose a drawing …'}
          <input
            type="file"
            accept=".svg,image/svg+xml"
            className="sr-only"
            onChange={(e) => {
              void take(e.target.files?.[0]);
              e.target.value = '';
            }}
            data-testid="drawing-file"
          />
        </label>
        {begun && (
          <p className="text-[15px] text-risk">
            Glass of this panel is cut already, so its drawing can be looked at but not replaced.
          </p>
        )}
        {ready && preview.kind === 'ready' && (
          <>
            <h2 className="text-2xl">{preview.answer.cartoon.pieces.length} pieces</h2>
            <p className="text-[17px]">
              True size{' '}
              <b>
                <Measures widthMm={width(preview.answer)} heightMm={height(preview.answer)} unit={settings.unit} />
              </b>
              {!ready.physical && <span className="text-risk"> — guessed, the file gives none</span>}
            </p>
            <div className="grid grid-cols-[1fr_1.3fr] gap-2">
              <ChoiceField
                label="One known measure"
                value={measure.side}
                onChange={(e) => {
                  const side = e.target.value as 'width' | 'height';
                  setMeasure({ ...measure, side });
                  again(known, layersIn, outline, side);
                }}
                options={[
                  { value: 'width', text: 'the width' },
                  { value: 'height', text: 'the height' },
                ]}
              />
              <TextField
                label="is really"
                value={measure.text}
                placeholder={settings.unit === 'mm' ? '420 mm' : '16 1/2 in'}
                problem={measureProblem}
                onChange={(e) => setMeasure({ ...measure, text: e.target.value })}
                onBlur={() => again()}
                onKeyDown={(e) => e.key === 'Enter' && again()}
              />
            </div>
            <ChoiceField
              label="The outer line of the drawing is"
              value={outline}
              onChange={(e) => {
                const means = e.target.value as OutlineMeaning;
                setOutline(means);
                again(known, layersIn, means);
              }}
              options={[
                { value: 'glass-edge', text: 'the edge of the glass' },
                {
                  value: 'came-outside',
                  text: panel.technique === 'lead' ? 'the outside of the border came' : 'the outside of the border',
                },
              ]}
            />
            {ready.layers.some((l) => l.hidden) && (
              <fieldset className="text-[15px]">
                <legend className="text-mute">Layers left out</legend>
                {ready.layers
                  .filter((l) => l.hidden)
                  .map((l) => (
                    <label key={l.name} className="flex min-h-11 items-center gap-2.5">
                      <input
                        type="checkbox"
                        className="size-5 accent-copper"
                        checked={layersIn.includes(l.name)}
                        onChange={(e) => {
                          const next = e.target.checked ? [...layersIn, l.name] : layersIn.filter((n) => n !== l.name);
                          setLayersIn(next);
                          again(known, next);
                        }}
                      />
                      take in “{l.name}” ({l.shapes})
                    </label>
                  ))}
              </fieldset>
            )}
            <Button look="go" disabled={busy || begun || measureProblem !== null} onClick={() => void accept()}>
              {busy ? 'Taking it in …' : `Take in these ${preview.answer.cartoon.pieces.length} pieces`}
            </Button>
            <Button
              onClick={() => {
                stop();
                setFile(null);
              }}
            >
              Leave it
            </Button>
          </>
        )}
        {shown && <CartoonNotes answer={shown} unit={settings.unit} />}
        {!ready && answer && panel.sourceName && (
          <a
            className="mt-auto underline decoration-line underline-offset-4"
            href={`/api/cartoons/${panel.cartoonId}/source`}
          >
            Save the original drawing
          </a>
        )}
      </aside>
    </div>
  );
}

const width = ({ cartoon: { box } }: CartoonAnswer) => box.maxX - box.minX;
const height = ({ cartoon: { box } }: CartoonAnswer) => box.maxY - box.minY;
