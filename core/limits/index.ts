export { CAPACITY } from './capacity.ts';
export { TOLERANCE } from './tolerances.ts';
export { BOUNDS, isWithin, type Bounds } from './bounds.ts';
export {
  DEFAULT_LIMITS,
  isLimit,
  LIMIT_NAMES,
  LIMITS,
  limitsWith,
  type Limit,
  type LimitName,
  type Limits,
  type LimitUnit,
  type OwnLimits,
} from './limits.ts';
