import { fetchAtRest, place } from './place.tsx';

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
  ['/', today.Here],
  ['/jobs', jobs.Here],
  ['/jobs/:commissionId', job.Here],
  ['/rack', rack.Here],
  ['/rack/supplies', supplies.Here],
  ['/reckoning', reckoning.Here],
  ['/setup', setup.Here],
] as const;

/** The steps of one panel, each a place within its page. */
export const PANEL_PLACE = panel.Here;
export const STEPS = [
  ['measure', measure.Here],
  ['cartoon', cartoon.Here],
  ['glass', glass.Here],
  ['layout', layout.Here],
  ['materials', materials.Here],
  ['bench', bench.Here],
  ['finish', finish.Here],
  ['hours', hours.Here],
  ['papers', papers.Here],
] as const;

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
