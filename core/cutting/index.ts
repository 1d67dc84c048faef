export {
  cuttability,
  DEFAULT_CUTTING_LIMITS,
  type Cuttability,
  type CuttingFinding,
  type CuttingLimits,
} from './findings.ts';
