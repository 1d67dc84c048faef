import { useMemo, useState } from 'react';
import { stepOf, type StepCode, glassAreaOf } from '#core/bench';
import { showArea } from '#core/units';
import { Choice } from '../../ui/Choice.tsx';
import type { PanelView } from '../../panel/view.ts';

interface PieceTableProps {
  readonly view: PanelView;
  readonly selected: ReadonlySet<number>;
  onPick(numbers: readonly number[], how: 'set' | 'toggle' | 'add'): void;
}

/** The same panel in words: every piece a row; filtered by stage, glass or number. */
export function PieceTable({ view, selected, onPick }: PieceTableProps) {
  const { pieces, glasses, panel, settings } = view;
  const [stage, setStage] = useState<StepCode>('any');
  const [words, setWords] = useState('');
  const rows = useMemo(
    () =>
      pieces.filter((p) => {
        if (
          stage === 'broken'
            ? p.broken === null
            : stage === 'recut'
              ? p.recuts === 0
              : stage !== 'any' && p.stage !== stage
        )
          return false;
        const text =
          `${p.number} ${p.label ?? ''} ${p.glassId ? `${glasses.get(p.glassId)?.code} ${glasses.get(p.glassId)?.name}` : 'no glass'}`.toLowerCase();
        return words
          .trim()
          .toLowerCase()
          .split(/\s+/)
          .every((w) => text.includes(w));
      }),
    [pieces, glasses, stage, words],
  );
  const box = 'min-h-11 min-w-0 rounded-md border border-strong bg-raised px-3';
  return (
    <div className="flex min-h-0 w-[min(450px,64%)] shrink-0 flex-col border-l border-line bg-sheet pl-4">
      <div className="flex flex-wrap gap-3 pb-2">
        <label className="flex items-center gap-2 text-[15px] text-mute">
          Stage
          <Choice
            className="w-36"
            value={stage}
            onChoice={setStage}
            options={[
              { value: 'any', text: 'any' },
              ...panel.route.pieceSteps.map((s) => ({ value: s.code, text: s.word })),
              { value: 'broken', text: 'broken' },
              { value: 'recut', text: 'recut' },
            ]}
          />
        </label>
        <label className="flex items-center gap-2 text-[15px] text-mute">
          Find
          <input
            className={`${box} w-36 text-ink`}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            placeholder="number or glass"
          />
        </label>
        <button
          type="button"
          className="min-h-11 font-semibold underline decoration-line underline-offset-4"
          onClick={() =>
            onPick(
              rows.map((r) => r.number),
              'set',
            )
          }
        >
          Pick these {rows.length}
        </button>
      </div>
      <div
        className="min-h-0 flex-1 overflow-y-auto border-t border-line"
        tabIndex={0}
        role="region"
        aria-label="Pieces"
      >
        <table className="w-full text-[15px]">
          <thead className="sticky top-0 bg-sheet text-left text-mute">
            <tr>
              {['No.', 'Stage', 'Glass', 'Area', 'From', 'Recuts'].map((h) => (
                <th key={h} scope="col" className="py-2 pr-3 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((p) => {
              const glass = p.glassId ? glasses.get(p.glassId) : undefined;
              return (
                <tr
                  key={p.number}
                  onClick={(e) => onPick([p.number], e.ctrlKey || e.metaKey ? 'toggle' : 'set')}
                  aria-selected={selected.has(p.number)}
                  className="cursor-pointer border-t border-line hover:bg-soft aria-selected:bg-soft"
                >
                  <th scope="row" className="py-2 pr-3 text-left">
                    <button type="button" className="min-h-9 min-w-9 text-left font-semibold">
                      {p.number}
                    </button>
                  </th>
                  <td className={`pr-3 ${p.broken || p.tooSmall ? 'font-semibold text-risk' : ''}`}>
                    {p.broken ? 'broken' : (stepOf(panel.route, p.stage)?.word ?? p.stage)}
                    {p.tooSmall && ', too small for its drawing'}
                  </td>
                  <td className="pr-3">
                    <span className="inline-flex items-center gap-2">
                      {glass && (
                        <i
                          aria-hidden
                          className="inline-block size-4 rounded-sm border border-strong"
                          style={{ background: glass.colour }}
                        />
                      )}
                      {glass ? `${glass.code} ${glass.name}` : '—'}
                    </span>
                  </td>
                  <td className="pr-3 whitespace-nowrap">{showArea(glassAreaOf(p), settings.unit)}</td>
                  <td className="pr-3">{p.from ?? '—'}</td>
                  <td>{p.recuts || '—'}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {rows.length === 0 && <p className="py-6 text-mute">No piece answers to that.</p>}
      </div>
    </div>
  );
}
