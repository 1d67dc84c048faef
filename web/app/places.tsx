import { lazy } from 'react';

/** The places of the studio, each fetched when it is first opened. */
const Today = lazy(async () => ({ default: (await import('../places/today/Today.tsx')).Today }));
const CommissionList = lazy(async () => ({
  default: (await import('../places/commissions/CommissionList.tsx')).CommissionList,
}));
const CommissionPage = lazy(async () => ({
  default: (await import('../places/commissions/CommissionPage.tsx')).CommissionPage,
}));
const PanelPage = lazy(async () => ({ default: (await import('../places/panel/PanelPage.tsx')).PanelPage }));
const MeasureStep = lazy(async () => ({ default: (await import('../places/measure/MeasureStep.tsx')).MeasureStep }));
const CartoonStep = lazy(async () => ({ default: (await import('../places/cartoon/CartoonStep.tsx')).CartoonStep }));
const GlassStep = lazy(async () => ({ default: (await import('../places/glass/GlassStep.tsx')).GlassStep }));
const BenchStep = lazy(async () => ({ default: (await import('../places/bench/BenchStep.tsx')).BenchStep }));
const FinishStep = lazy(async () => ({ default: (await import('../places/finish/FinishStep.tsx')).FinishStep }));
const HoursStep = lazy(async () => ({ default: (await import('../places/hours/HoursStep.tsx')).HoursStep }));
const Rack = lazy(async () => ({ default: (await import('../places/rack/Rack.tsx')).Rack }));
const Reckoning = lazy(async () => ({ default: (await import('../places/reckoning/Reckoning.tsx')).Reckoning }));
const Setup = lazy(async () => ({ default: (await import('../places/setup/Setup.tsx')).Setup }));

/** Places of their own, by their address. */
export const PLACES = [
  ['/', Today],
  ['/jobs', CommissionList],
  ['/jobs/:commissionId', CommissionPage],
  ['/rack', Rack],
  ['/reckoning', Reckoning],
  ['/setup', Setup],
] as const;

/** The steps of one panel, each a place within its page. */
export const PANEL_PLACE = PanelPage;
export const STEPS = [
  ['measure', MeasureStep],
  ['cartoon', CartoonStep],
  ['glass', GlassStep],
  ['bench', BenchStep],
  ['finish', FinishStep],
  ['hours', HoursStep],
] as const;
