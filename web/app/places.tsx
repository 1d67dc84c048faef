import { matchPath } from 'react-router';
import { fetchUnasked } from '../state/offline.ts';
import { fetchAtRest, place, type Place } from './place.tsx';

/** The places of the studio, each a part of its own. */
const today = place(async () => (await import('../places/today/Today.tsx')).Today);
const jobs = place(async () => (await import('../places/commissions/CommissionList.tsx')).CommissionList);
const job = place(async () => (await import('../places/commissions/CommissionPage.tsx')).CommissionPage);
const panel = place(async () => (await import('../places/panel/PanelPage.tsx')).PanelPage);
const measure = place(async () => (await import('../places/measure/MeasureStep.tsx')).MeasureStep);
const cartoon = place(async () => (await import('../places/cartoon/CartoonStep.tsx')).CartoonStep);
const glass = place(async () => (await import('../places/glass/GlassStep.tsx')).GlassStep);
const layout = place(async () => (await import('../places/layout/LayoutStep.tsx')).LayoutStep);
const bench = place(async () => (await import('../places/bench/BenchStep.tsx')).BenchStep);
const finish = place(async () => (await import('../places/finish/FinishStep.tsx')).FinishStep);
const hours = place(async () => (await import('../places/hours/HoursStep.tsx')).HoursStep);
const materials = place(async () => (await import('../places/materials/MaterialsStep.tsx')).MaterialsStep);
const papers = place(async () => (await import('../places/papers/PapersStep.tsx')).PapersStep);
const rack = place(async () => (await import('../places/rack/Rack.tsx')).Rack);
const supplies = place(async () => (await import('../places/supplies/Supplies.tsx')).Supplies);
const reckoning = place(async () => (await import('../places/reckoning/Reckoning.tsx')).Reckoning);
const setup = place(async () => (await import('../places/setup/Setup.tsx')).Setup);

/** Places of their own, by their address. */
export const PLACES = [
  ['/', today],
  ['/jobs', jobs],
  ['/jobs/:commissionId', job],
  ['/rack', rack],
  ['/rack/supplies', supplies],
  ['/reckoning', reckoning],
  ['/setup', setup],
] as const;

/** The steps of one panel, each a place within its page. */
export const PANEL_PLACE = panel;
export const STEPS = [
  ['measure', measure],
  ['cartoon', cartoon],
  ['glass', glass],
  ['layout', layout],
  ['materials', materials],
  ['bench', bench],
  ['finish', finish],
  ['hours', hours],
  ['papers', papers],
] as const;

/** The panel that an address shows. */
export const panelAt = (address: string): string | undefined =>
  matchPath('/panels/:panelId/*', address)?.params.panelId;

/** Fetches what an address shows, side by side with what it shows of the studio and before anything is drawn. */
export function fetchAt(address: string): void {
  const step = STEPS.find(([path]) => matchPath(`/panels/:panelId/${path}`, address));
  const own = PLACES.find(([path]) => matchPath(path, address));
  const shown: Place[] = panelAt(address) === undefined ? [] : [PANEL_PLACE];
  for (const [, here] of [step, own].filter((found) => found !== undefined)) shown.push(here);
  for (const here of shown) void fetchUnasked(() => here.fetch());
}

/** Fetches what is not open yet, the bench first, so that a change of place waits for nothing. */
export const fetchPlaces = (): void =>
  fetchAtRest([
    panel,
    bench,
    today,
    jobs,
    rack,
    finish,
    glass,
    layout,
    cartoon,
    measure,
    hours,
    materials,
    papers,
    supplies,
    job,
    setup,
    reckoning,
  ]);
