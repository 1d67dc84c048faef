import { useState } from 'react';
import { BOUNDS, isWithin, type Bounds } from '#core/limits';
import { allowanceFor, panelInOpening, type OutlineMeaning, type Technique } from '#core/sizing';
import { lengthToMm, showLength } from '#core/units';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';

const LIMITS = {
  gapMm: BOUNDS.gapMm,
  heartMm: BOUNDS.heartMm,
  faceMm: BOUNDS.faceMm,
  clearanceMm: BOUNDS.playMm,
} as const;
export const LABELS = {
  gapMm: 'Gap between two pieces',
  faceMm: 'Face of the came',
  heartMm: 'Heart of the came',
  clearanceMm: 'Play on each side',
} as const;
export type Key = keyof typeof LIMITS;
export type OpeningKey = 'widthMm' | 'heightMm' | 'clearanceMm' | 'coverMm';
export const OPENING_LABELS: Readonly<Record<OpeningKey, string>> = {
  widthMm: 'Opening wide',
  heightMm: 'Opening high',
  clearanceMm: 'Play a side',
  coverMm: 'Covered by the rebate',
};
export const OPENING_KEYS: readonly OpeningKey[] = ['widthMm', 'heightMm', 'clearanceMm', 'coverMm'];

export type Measures = ReturnType<typeof useMeasures>;

/** What is typed of a panel's measures, what it comes to, and how it is kept. */
export function useMeasures(view: PanelView) {
  const { panel, pieces, settings } = view;
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
  const isSound =
    keys.every((k) => wrong(allowance[k], LIMITS[k]) === null) &&
    OPENING_KEYS.every((k) => openingProblem(k) === null) &&
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
  const chooseTechnique = (chosen: Technique) => {
    setTechnique(chosen);
    setTyped({});
  };
  return {
    ...{ unit, allowance, wanted, outside, isSound, busy, begun, keys, keep },
    ...{ name, setName, technique, chooseTechnique, outline, setOutline },
    text: (key: Key) => typed[key] ?? shown(start[key]),
    type: (key: Key, text: string) => setTyped({ ...typed, [key]: text }),
    problem: (key: Key) => wrong(allowance[key], LIMITS[key]),
    ...{ openingText, openingProblem },
    typeOpening: (key: OpeningKey, text: string) => setOpening({ ...opening, [key]: text }),
  };
}
