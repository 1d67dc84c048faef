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

export const PANEL_PATH = '/panels/:panelId';

/** Places of their own, by their address. */
export const PLACES = [
  ['/', today],
  ['/jobs', jobs],
  ['/jobs/:commissionId', job],
  ['/rack', rack],
  ['/rack/supplies', supplies],
  ['/reckoning', reckoning],
  ['/setup', setup],
  [PANEL_PATH, panel],
] as const;

/** The steps of one panel, each a place within its page. */
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

/** The place that an address shows, and its path; all panels are one place. */
export const placeAt = (address: string) =>
  PLACES.find(([path]) => matchPath(path === PANEL_PATH ? `${path}/*` : path, address));

/** Whose place an address is: of one job, of one panel, or of the studio. */
export const ownerOf = (address: string): string => address.split('/', 3).join('/');

/** The step of a panel that an address names, and whether there is such a one. */
export function stepAt(address: string): { readonly isNamed: boolean; readonly step: Place | undefined } {
  const name = address.split('/')[3] ?? '';
  return { isNamed: name !== '', step: STEPS.find(([path]) => path === name)?.[1] };
}

/** Fetches what an address shows, side by side with what it shows of the studio and before anything is drawn. */
export async function fetchAt(address: string): Promise<void> {
  const step = panelAt(address) === undefined ? undefined : stepAt(address).step;
  await Promise.all([placeAt(address)?.[1], step].map((shown) => shown && fetchUnasked(() => shown.fetch())));
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
