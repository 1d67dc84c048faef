import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { BOUNDS, type Bounds } from '#core/limits';
import { allowanceFor, readProfile, type LineAllowance, type Opening, type Technique } from '#core/sizing';
import { lengthToMm, showLength, type DisplayUnit } from '#core/units';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import { wanted } from '../../ui/form/fields.ts';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

/** What goes round the outline: as all lines do, one of the usual profiles, or one that is typed. */
export const AS_INSIDE = 'as inside';
export const TYPED = 'typed';

/** The fields that hold a length, and how far it may go. */
const LENGTHS = {
  gapMm: BOUNDS.gapMm,
  faceMm: BOUNDS.faceMm,
  heartMm: BOUNDS.heartMm,
  clearanceMm: BOUNDS.playMm,
  openingWide: BOUNDS.openingMm,
  openingHigh: BOUNDS.openingMm,
  fitting: BOUNDS.fittingMm,
  cover: BOUNDS.coverMm,
} as const;
type LengthKey = keyof typeof LENGTHS;
const OF_LINES = ['gapMm', 'faceMm', 'heartMm', 'clearanceMm'] as const;

/** A length as it is typed. What still says what it was shown as is that very length, not its rounding. */
function lengthOf(unit: DisplayUnit, { least, most }: Bounds, kept: number | undefined) {
  return z.string().transform((text, ctx): number => {
    if (kept !== undefined && text === shownLength(kept, unit)) return kept;
    const mm = lengthToMm(text, unit);
    if (mm !== null && mm >= least && mm <= most) return mm;
    const why = `From ${showLength(least, unit, 1)} to ${showLength(most, unit, 0)}.`;
    ctx.addIssue({ code: 'custom', message: why });
    return z.NEVER;
  });
}

export const shownLength = (mm: number, unit: DisplayUnit): string => showLength(mm, unit, 2).replace('⁄', '/');

function measuresOf(unit: DisplayUnit, kept: Readonly<Partial<Record<LengthKey, number>>>) {
  const length = (key: LengthKey) => lengthOf(unit, LENGTHS[key], kept[key]);
  return z
    .object({
      name: wanted('It needs a name.'),
      technique: z.enum(['foil', 'lead']),
      outline: z.enum(['glass-edge', 'came-outside']),
      border: z.string(),
      ownBorder: z.string(),
      gapMm: length('gapMm'),
      faceMm: length('faceMm'),
      heartMm: length('heartMm'),
      clearanceMm: length('clearanceMm'),
      // An opening has both sides, or there is none.
      openingWide: z.union([z.literal(''), length('openingWide')]),
      openingHigh: z.union([z.literal(''), length('openingHigh')]),
      fitting: length('fitting'),
      cover: length('cover'),
    })
    .superRefine((m, ctx) => {
      for (const [key, other] of [
        ['openingWide', 'openingHigh'],
        ['openingHigh', 'openingWide'],
      ] as const)
        if (m[key] === '' && m[other] !== '')
          ctx.addIssue({ code: 'custom', path: [key], message: 'Both sides, or none.' });
      if (m.border === TYPED && readProfile(m.ownBorder) === null)
        ctx.addIssue({ code: 'custom', path: ['ownBorder'], message: 'Such as h7, u10 or f1.' });
    });
}
type Said = z.output<ReturnType<typeof measuresOf>>;

/** What the form says of the lines, and of the opening. */
function allowanceOf(said: Said): LineAllowance {
  const { technique, outline, border, ownBorder, gapMm, faceMm, heartMm, clearanceMm } = said;
  const code = border === AS_INSIDE ? null : border === TYPED ? ownBorder.trim().toLowerCase() : border;
  const lines = { technique, gapMm, faceMm, heartMm, clearanceMm, outline };
  return code === null ? lines : { ...lines, border: code };
}

function openingOf({ openingWide, openingHigh, fitting, cover }: Said): Opening | null {
  if (openingWide === '' || openingHigh === '') return null;
  return { widthMm: openingWide, heightMm: openingHigh, clearanceMm: fitting, coverMm: cover };
}

export type Measures = ReturnType<typeof useMeasures>;

/** What is typed of a panel's measures, what it comes to, and how it is kept. */
export function useMeasures(view: PanelView, usualBorders: readonly string[]) {
  const { panel, pieces, settings, limits } = view;
  const { unit } = settings;
  const send = useSend();
  const [busy, setBusy] = useState(false);
  const { opening, allowance: old } = panel;
  const kept = useMemo(() => {
    const { gapMm, faceMm, heartMm, clearanceMm } = old;
    const sides = opening ? { openingWide: opening.widthMm, openingHigh: opening.heightMm } : {};
    const play = { fitting: opening?.clearanceMm ?? limits.fittingMm, cover: opening?.coverMm ?? limits.coverMm };
    const known: Partial<Record<LengthKey, number>> = { gapMm, faceMm, heartMm, clearanceMm, ...sides, ...play };
    return known;
  }, [old, opening, limits]);
  const schema = useMemo(() => measuresOf(unit, kept), [unit, kept]);
  const shown = (mm: number | undefined) => (mm === undefined ? '' : shownLength(mm, unit));
  const isUsual = old.border !== undefined && usualBorders.includes(old.border);
  const form = useKeptForm(`measures-${panel.id}`, schema, {
    name: panel.name,
    technique: panel.technique,
    outline: old.outline,
    border: old.border === undefined ? AS_INSIDE : isUsual ? old.border : TYPED,
    ownBorder: isUsual ? '' : (old.border ?? ''),
    gapMm: shown(old.gapMm),
    faceMm: shown(old.faceMm),
    heartMm: shown(old.heartMm),
    clearanceMm: shown(old.clearanceMm),
    openingWide: shown(kept.openingWide),
    openingHigh: shown(kept.openingHigh),
    fitting: shown(kept.fitting),
    cover: shown(kept.cover),
  });
  const values = useWatch({ control: form.control });
  const read = useMemo(() => schema.safeParse(values), [schema, values]);
  const keep = async (said: Said) => {
    setBusy(true);
    const allowance = allowanceOf(said);
    const wish = {
      commissionId: panel.commissionId,
      name: said.name,
      technique: said.technique,
      widthMm: panel.widthMm,
      heightMm: panel.heightMm,
      allowance,
      opening: openingOf(said),
    };
    const isChanged = JSON.stringify(allowance, FIELDS) !== JSON.stringify(old, FIELDS);
    // With a drawing there its cut outlines follow in the same act; without one there is nothing to follow.
    const isKept =
      isChanged && panel.cartoonId !== null
        ? await send.edit(panel.id, { kind: 'allowance', allowance }, 'Kept; the cut outlines follow.', wish)
        : await send.command({ kind: 'save-panel', ask: { id: panel.id, ...wish } }, 'Kept.');
    if (isKept) form.forget(form.getValues());
    setBusy(false);
  };
  /** What lines take up is another thing in the other technique: it begins with the studio's own measures. */
  const chooseTechnique = (technique: Technique) => {
    const start = panel.technique === technique ? old : allowanceFor(technique, limits);
    for (const key of OF_LINES) form.setValue(key, shown(start[key]));
    form.setValue('border', AS_INSIDE);
  };
  return {
    ...{ unit, form, busy, keep, chooseTechnique },
    begun: pieces.some((p) => p.stage !== 'to-cut'),
    technique: values.technique ?? panel.technique,
    border: values.border ?? AS_INSIDE,
    allowance: read.success ? allowanceOf(read.data) : null,
    wanted: read.success ? openingOf(read.data) : null,
  };
}

const FIELDS = ['technique', ...OF_LINES, 'outline', 'border'];
