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
  ['/panels/:panelId/*', panel],
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
export const placeAt = (address: string) => PLACES.find(([path]) => matchPath(path, address));

/** Whose place an address is: of one job, of one panel, or of the studio. */
export const ownerOf = (address: string): string => address.split('/', 3).join('/');

/** A step of the panel's page by its name. */
export const stepCalled = (name: string | undefined): Place | undefined => STEPS.find(([path]) => path === name)?.[1];

/** Fetches what an address shows, side by side with what it shows of the studio and before anything is drawn. */
export function fetchAt(address: string): void {
  const step = STEPS.find(([path]) => matchPath(`/panels/:panelId/${path}`, address));
  for (const shown of [placeAt(address), step]) if (shown) void fetchUnasked(() => shown[1].fetch());
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
