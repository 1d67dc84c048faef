import type { ReactNode } from 'react';
import { isInHand } from '#core/bench';
import type { Repair } from '#core/cartoon';
import { count, showNumbers, showLength } from '#core/units';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Measures } from '../../ui/Length.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import type { PanelView } from '../../panel/view.ts';
import { CartoonNotes } from './CartoonNotes.tsx';
import { ChangeList } from './ChangeList.tsx';
import { HiddenLayers } from './HiddenLayers.tsx';
import { measureProblem, sizeWonder, snapProblem } from './importEntries.ts';
import { RepairList } from './RepairList.tsx';
import { KnownMeasure, TrueSize } from './TrueSize.tsx';
import type { ImportOptions } from './useImport.ts';
import type { Preview } from './usePreview.ts';

/** What the user may say to a drawing before it is taken in; every word is read again at once. */
export function ImportPanel({
  view,
  preview,
  options,
  change,
  show,
  accept,
  leave,
  another,
  busy,
}: {
  view: PanelView;
  preview: Extract<Preview, { kind: 'ready' }>;
  options: ImportOptions;
  change: (next: Partial<ImportOptions>) => void;
  show: (at: readonly [number, number]) => void;
  accept: () => void;
  leave: () => void;
  another: ReactNode;
  busy: boolean;
}) {
  const { panel, pieces, settings } = view;
  const { result, answer } = preview;
  const { box } = answer.cartoon;
  const pieceCount = answer.cartoon.pieces.length;
  const read = result.read;
  const problems = {
    measure: measureProblem(options.measure, settings.unit),
    snap: snapProblem(options.snap, settings.unit),
  };
  const size = { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY };
  // Once it has been said the question is answered.
  const wonder = options.measure.trim() === '' || problems.measure !== null ? sizeWonder(size, panel, read) : null;
  const hidden = read?.layers.filter((l) => l.hidden) ?? [];
  const doubled = result.findings.find((f) => f.kind === 'inked' || f.kind === 'one-by-one');
  const short = result.findings.flatMap((f) => (f.kind === 'short-of-joint' ? [f] : []));
  const widestMm = Math.max(0, ...short.map((f) => f.gapMm));
  const lost = result.changes.gone.filter((n) => pieces.some((p) => p.number === n && isInHand(p)));
  const refuse = (repair: Repair, isRefused: boolean) =>
    change({ refused: isRefused ? [...options.refused, repair] : options.refused.filter((r) => r !== repair) });
  const acts = (
    <div className="grid grid-cols-[2fr_1fr] gap-2">
      <Button
        look="go"
        className="px-2!"
        unless={
          busy
            ? 'It is being taken in.'
            : (problems.measure ??
              problems.snap ??
              (lost.length > 0 && !options.letGo
                ? `Glass of ${showNumbers(lost, 6)} is cut: say first that it may go.`
                : null))
        }
        onClick={accept}
      >
        {busy ? 'Taking it in …' : pieceCount === 1 ? 'Take in this piece' : `Take in these ${pieceCount} pieces`}
      </Button>
      <Button className="px-2!" onClick={leave}>
        Leave it
      </Button>
    </div>
  );
  return (
    <SideSheet label="The drawing" foot={acts}>
      <h2 className="text-2xl">{count(pieceCount, 'piece')}</h2>
      {wonder ? (
        <TrueSize
          panel={panel}
          unit={settings.unit}
          options={options}
          change={change}
          why={
            <>
              {wonder === 'none' ? 'The file gives no real size. Read as it stands it is ' : 'The file says '}
              <Measures widthMm={size.widthMm} heightMm={size.heightMm} unit={settings.unit} />.
            </>
          }
          size={size}
        />
      ) : (
        <p className="text-[17px]">
          True size{' '}
          <b>
            <Measures widthMm={size.widthMm} heightMm={size.heightMm} unit={settings.unit} />
          </b>
        </p>
      )}
      {panel.cartoonId !== null && (
        <ChangeList
          changes={result.changes}
          pieces={pieces}
          letGo={options.letGo}
          setLetGo={(letGo) => change({ letGo })}
        />
      )}
      {!wonder && <KnownMeasure options={options} change={change} unit={settings.unit} />}
      <ChoiceField
        label="The outer line of the drawing is"
        value={options.outline}
        onChoice={(value) => change({ outline: value })}
        options={[
          { value: 'glass-edge', text: 'the edge of the glass' },
          {
            value: 'came-outside',
            text: panel.technique === 'lead' ? 'the outside of the border came' : 'the outside of the border',
          },
        ]}
      />
      {(doubled || options.asDrawn) && (
        <ChoiceField
          label={doubled?.kind === 'inked' || !doubled ? 'Lines drawn with both sides are' : 'Borders drawn twice are'}
          value={options.asDrawn ? 'drawn' : 'middle'}
          onChoice={(value) => change({ asDrawn: value === 'drawn' })}
          options={[
            { value: 'middle', text: 'one line in the middle' },
            { value: 'drawn', text: 'two lines, as drawn' },
          ]}
        />
      )}
      <TextField
        label="Join ends up to"
        hint="left empty it follows the drawing"
        defaultValue={options.snap}
        placeholder={showLength(result.toleranceMm, 'mm', 2)}
        problem={problems.snap}
        onBlur={(e) => e.target.value !== options.snap && change({ snap: e.target.value })}
        onKeyDown={(e) => e.key === 'Enter' && change({ snap: e.currentTarget.value })}
      />
      {short.length > 0 && (
        <Button onClick={() => change({ drawOn: [...options.drawOn, ...short.flatMap((f) => f.ends)] })}>
          {short.length === 1
            ? `Draw on the line that stops ${showLength(widestMm, settings.unit, 1)} short`
            : `Draw on the ${short.length} lines that stop short`}
        </Button>
      )}
      <HiddenLayers layers={hidden} layersIn={options.layersIn} take={(layersIn) => change({ layersIn })} />
      <RepairList repairs={result.repairs} refused={options.refused} show={show} refuse={refuse} />
      <CartoonNotes answer={answer} unit={settings.unit} limits={view.limits} show={(at) => at && show(at)} />
      {another}
    </SideSheet>
  );
}
