import { useMemo, useState, type MouseEvent } from 'react';
import { backGlassOf, glassAreaOf, hasBack, stepOf, type StepCode } from '#core/bench';
import { showArea } from '#core/units';
import { Choice } from '../../ui/Choice.tsx';
import { Table, type Column } from '../../ui/Table.tsx';
import type { PanelView } from '../../panel/view.ts';
import { useSelection } from '../../state/selection.ts';

interface PieceTableProps {
  readonly view: PanelView;
  readonly selected: ReadonlySet<number>;
  onPick(numbers: readonly number[], how: 'set' | 'toggle' | 'add'): void;
}

type Row = PanelView['pieces'][number];

const idOf = (row: Row): string => String(row.number);

/** The same panel in words: every piece a row. */
export function PieceTable({ view, selected, onPick }: PieceTableProps) {
  const { pieces, panel } = view;
  const [stage, setStage] = useState<StepCode>('any');
  const isAdding = useSelection((s) => s.isAdding);
  const rows = useMemo(() => pieces.filter((p) => isAt(p, stage)), [pieces, stage]);
  const columns = useColumns(view);
  const picked = useMemo(() => new Set([...selected].map(String)), [selected]);
  return (
    <div className="flex min-h-0 w-[min(470px,64%)] shrink-0 flex-col border-l border-line bg-sheet pl-4">
      <Table
        name="Pieces"
        rows={rows}
        columns={columns}
        idOf={idOf}
        empty="No piece answers to that."
        picked={picked}
        onRow={(row, event: MouseEvent) =>
          onPick([row.number], isAdding || event.ctrlKey || event.metaKey ? 'toggle' : 'set')
        }
        tools={(shown) => (
          <>
            <label className="flex items-center gap-2 text-[15px] text-mute">
              <span className="sr-only">Stage</span>
              <Choice
                className="w-36"
                value={stage}
                onChoice={setStage}
                options={[
                  { value: 'any', text: 'any stage' },
                  ...panel.route.pieceSteps.map((s) => ({ value: s.code, text: s.word })),
                  { value: 'broken', text: 'broken' },
                  { value: 'recut', text: 'recut' },
                ]}
              />
            </label>
            <button
              type="button"
              className="min-h-11 font-semibold underline decoration-line underline-offset-4"
              onClick={() =>
                onPick(
                  shown.map((r) => r.number),
                  'set',
                )
              }
            >
              Pick these {shown.length}
            </button>
          </>
        )}
      />
    </div>
  );
}

function isAt(piece: Row, stage: StepCode): boolean {
  if (stage === 'any') return true;
  if (stage === 'broken') return piece.broken !== null;
  return stage === 'recut' ? piece.recuts > 0 : piece.stage === stage;
}

function useColumns({ glasses, panel, settings, answer }: PanelView): Column<Row>[] {
  const { unit } = settings;
  return useMemo(() => {
    const glassOf = (p: Row) => (p.glassId ? glasses.get(p.glassId) : undefined);
    const stageOf = (p: Row) =>
      `${p.broken ? 'broken' : (stepOf(panel.route, p.stage)?.word ?? p.stage)}${p.tooSmall ? ', too small for its drawing' : ''}`;
    const hard = new Map((answer?.cuttability ?? []).map((c) => [c.number, c.difficulty]));
    return [
      { id: 'number', head: 'No.', value: (p) => p.number, isNumber: false },
      {
        id: 'stage',
        head: 'Stage',
        value: stageOf,
        show: (p) => <span className={p.broken || p.tooSmall ? 'font-semibold text-risk' : ''}>{stageOf(p)}</span>,
      },
      {
        id: 'glass',
        head: 'Glass',
        value: (p) => {
          const glass = glassOf(p);
          return glass ? `${glass.code} ${glass.name}` : 'no glass';
        },
        show: (p) => {
          const glass = glassOf(p);
          return (
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
          );
        },
      },
      {
        id: 'area',
        head: 'Area',
        value: (p) => Math.round(glassAreaOf(p)),
        show: (p) => showArea(glassAreaOf(p), unit),
        isNumber: true,
      },
      { id: 'from', head: 'From', value: (p) => p.from },
      {
        id: 'second',
        head: 'Second glass',
        value: (p) => (hasBack(panel.route, p) ? (glasses.get(backGlassOf(p) ?? '')?.code ?? 'no glass') : null),
        isHidden: true,
      },
      { id: 'second-from', head: 'Second from', value: (p) => p.backFrom, isHidden: true },
      { id: 'recuts', head: 'Broken', value: (p) => p.recuts || null, isNumber: true },
      {
        id: 'difficulty',
        head: 'Difficulty',
        value: (p) => hard.get(p.number) ?? null,
        isNumber: true,
        isHidden: true,
      },
      { id: 'section', head: 'Section', value: (p) => p.section, isHidden: true },
      { id: 'label', head: 'Label', value: (p) => p.label, isHidden: true },
    ];
  }, [glasses, panel.route, unit, answer]);
}
