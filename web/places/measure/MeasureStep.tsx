import { useState } from 'react';
import { Link } from 'react-router';
import {
  allowanceFor,
  innerOffset,
  outsideOfOutline,
  panelInOpening,
  type OutlineMeaning,
  type Technique,
} from '#core/sizing';
import { BOUNDS, isWithin, type Bounds } from '#core/limits';
import { lengthToMm, showLength } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField, TextField } from '../../ui/Field.tsx';
import { usePanelView } from '../../panel/usePanelView.ts';
import { BorderSection } from './BorderSection.tsx';
import { Growth } from './Growth.tsx';
import { LineSection } from './LineSection.tsx';
import { SetMaker } from './SetMaker.tsx';

const LIMITS = {
  gapMm: BOUNDS.gapMm,
  heartMm: BOUNDS.heartMm,
  faceMm: BOUNDS.faceMm,
  clearanceMm: BOUNDS.playMm,
} as const;
const LABELS = {
  gapMm: 'Gap between two pieces',
  faceMm: 'Face of the came',
  heartMm: 'Heart of the came',
  clearanceMm: 'Play on each side',
} as const;
type Key = keyof typeof LIMITS;
type OpeningKey = 'widthMm' | 'heightMm' | 'clearanceMm' | 'coverMm';
const OPENING_LABELS: Readonly<Record<OpeningKey, string>> = {
  widthMm: 'Opening wide',
  heightMm: 'Opening high',
  clearanceMm: 'Play a side',
  coverMm: 'Covered by the rebate',
};

/** What the panel is, the opening it goes into and what its lines take up, drawn as sections with every number named. */
export function MeasureStep() {
  const view = usePanelView();
  const { panel, pieces, settings, answer } = view;
  const { unit } = settings;
  const send = useSend();
  const [name, setName] = useState(panel.name);
  const [technique, setTechnique] = useState<Technique>(panel.technique);
  const [outline, setOutline] = useState<OutlineMeaning>(panel.allowance.outline);
  const [typed, setTyped] = useState<Partial<Record<Key, string>>>({});
  const [opening, setOpening] = useState<Partial<Record<OpeningKey, string>>>({});
  const [busy, setBusy] = useState(false);
  const start = panel.technique === technique ? panel.allowance : allowanceFor(technique, view.limits);
  const begun = pieces.some((p) => p.stage !== 'to-cut');
  const shown = (mm: number) => showLength(mm, unit, 2).replace('⁄', '/');
  const value = (key: Key) => (typed[key] === undefined ? start[key] : (lengthToMm(typed[key], unit) ?? Number.NaN));
  const allowance = {
    ...start,
    technique,
    outline,
    gapMm: value('gapMm'),
    heartMm: value('heartMm'),
    faceMm: value('faceMm'),
    clearanceMm: value('clearanceMm'),
  };
  const wrong = (mm: number, bounds: Bounds) =>
    isWithin(mm, bounds) ? null : `Between ${bounds.least} and ${bounds.most} mm.`;
  const keys: readonly Key[] = technique === 'foil' ? ['gapMm'] : ['faceMm', 'heartMm', 'clearanceMm'];
  const kept: Record<OpeningKey, number | undefined> = {
    widthMm: panel.opening?.widthMm,
    heightMm: panel.opening?.heightMm,
    clearanceMm: panel.opening?.clearanceMm ?? view.limits.fittingMm,
    coverMm: panel.opening?.coverMm ?? view.limits.coverMm,
  };
  const openingText = (key: OpeningKey) => opening[key] ?? (kept[key] === undefined ? '' : shown(kept[key]));
  const openingMm = (key: OpeningKey) =>
    opening[key] === undefined ? (kept[key] ?? Number.NaN) : (lengthToMm(opening[key], unit) ?? Number.NaN);
  const hasOpening = openingText('widthMm').trim() !== '' || openingText('heightMm').trim() !== '';
  const openingProblem = (key: OpeningKey) => {
    if (!hasOpening) return null;
    const mm = openingMm(key);
    const isSide = key === 'widthMm' || key === 'heightMm';
    if (isSide) return isWithin(mm, BOUNDS.openingMm) ? null : 'A length from 20 mm to 5 m.';
    return wrong(mm, key === 'coverMm' ? BOUNDS.coverMm : BOUNDS.fittingMm);
  };
  const openingKeys: readonly OpeningKey[] = ['widthMm', 'heightMm', 'clearanceMm', 'coverMm'];
  const isSound =
    keys.every((k) => wrong(allowance[k], LIMITS[k]) === null) &&
    openingKeys.every((k) => openingProblem(k) === null) &&
    name.trim() !== '';
  const wanted = hasOpening
    ? {
        widthMm: openingMm('widthMm'),
        heightMm: openingMm('heightMm'),
        clearanceMm: openingMm('clearanceMm'),
        coverMm: openingMm('coverMm'),
      }
    : null;
  const outside = wanted && isSound ? panelInOpening(wanted) : null;
  const rim = 2 * outsideOfOutline(allowance);
  const finished = { widthMm: panel.widthMm + rim, heightMm: panel.heightMm + rim };
  const keep = async () => {
    setBusy(true);
    const isChanged = JSON.stringify(allowance) !== JSON.stringify(panel.allowance);
    const wish = {
      commissionId: panel.commissionId,
      name: name.trim(),
      technique,
      widthMm: panel.widthMm,
      heightMm: panel.heightMm,
      allowance,
      opening: wanted,
    };
    // With a drawing there its cut outlines follow in the same act; without one there is nothing to follow.
    if (isChanged && panel.cartoonId !== null)
      await send.edit(panel.id, { kind: 'allowance', allowance }, 'Kept; the cut outlines follow.', wish);
    else await send.command({ kind: 'save-panel', ask: { id: panel.id, ...wish } }, 'Kept.');
    setBusy(false);
  };
  return (
    <main className="grid flex-1 content-start gap-x-12 gap-y-8 overflow-y-auto px-6 py-6 xl:grid-cols-[380px_1fr]">
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <TextField
          label="Name of the panel"
          value={name}
          onChange={(e) => setName(e.target.value)}
          problem={name.trim() === '' ? 'It needs a name.' : null}
        />
        <ChoiceField
          label="Technique"
          value={technique}
          disabled={begun}
          onChange={(e) => {
            setTechnique(e.target.value as Technique);
            setTyped({});
          }}
          options={[
            { value: 'foil', text: 'copper foil' },
            { value: 'lead', text: 'leaded' },
          ]}
          hint={begun ? 'Glass is cut, so this stays.' : ''}
        />
        <div className="grid grid-cols-2 gap-x-3">
          {openingKeys.map((key) => (
            <TextField
              key={key}
              label={OPENING_LABELS[key]}
              placeholder={key === 'widthMm' || key === 'heightMm' ? 'none' : ''}
              value={openingText(key)}
              onChange={(e) => setOpening({ ...opening, [key]: e.target.value })}
              problem={openingProblem(key)}
            />
          ))}
        </div>
        <ChoiceField
          label="The outer line of the drawing is"
          value={outline}
          onChange={(e) => setOutline(e.target.value as OutlineMeaning)}
          options={[
            { value: 'glass-edge', text: 'the edge of the glass' },
            {
              value: 'came-outside',
              text: technique === 'lead' ? 'the outside of the border came' : 'the outside of the border',
            },
          ]}
        />
        <div className="grid grid-cols-2 gap-x-3">
          {keys.map((key) => (
            <TextField
              key={key}
              label={LABELS[key]}
              value={typed[key] ?? shown(start[key])}
              onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
              problem={wrong(allowance[key], LIMITS[key])}
            />
          ))}
        </div>
        <Button look="go" type="submit" disabled={!isSound || busy}>
          {busy ? 'Working it out …' : 'Keep'}
        </Button>
        {panel.cartoonId === null && (
          <Link to={`/panels/${panel.id}/cartoon`} className="text-center underline underline-offset-4">
            On to the drawing
          </Link>
        )}
      </form>
      <div className="grid min-w-0 content-start gap-8">
        {outside && (
          <p className="max-w-xl text-[17px]" data-testid="fits">
            The opening takes a panel of{' '}
            <b>
              {showLength(outside.widthMm, unit, 1)} × {showLength(outside.heightMm, unit, 1)}
            </b>
            .{' '}
            {answer &&
              (finished.widthMm > outside.widthMm + 0.05 || finished.heightMm > outside.heightMm + 0.05 ? (
                <span className="text-risk">
                  This one finishes at {showLength(finished.widthMm, unit, 1)} ×{' '}
                  {showLength(finished.heightMm, unit, 1)}: too large.
                </span>
              ) : (
                `This one finishes at ${showLength(finished.widthMm, unit, 1)} × ${showLength(finished.heightMm, unit, 1)} and fits.`
              ))}
          </p>
        )}
        {isSound && (
          <div className="grid gap-8 2xl:grid-cols-2">
            <BorderSection allowance={allowance} opening={wanted} unit={unit} />
            <LineSection
              unit={unit}
              technique={technique}
              offsetMm={innerOffset(allowance)}
              faceMm={technique === 'lead' ? allowance.faceMm : 5}
              heartMm={technique === 'lead' ? allowance.heartMm : allowance.gapMm}
            />
          </div>
        )}
        {isSound && answer && <Growth answer={answer} allowance={allowance} unit={unit} />}
        {answer && <SetMaker view={view} />}
      </div>
    </main>
  );
}
