export { floatAt, fromEnd, intAt, knownIn, lastOf, nth, numberAt, pointAt, wordAt } from './access.ts';
export {
  MM_PER_INCH,
  MM_PER_UNIT,
  lengthToMm,
  mmToInchFraction,
  readLength,
  showArea,
  showFineLength,
  showLength,
  lengthForFile,
  trimNumber,
  type DisplayUnit,
  type InchFraction,
  type LengthUnit,
  type ParsedLength,
} from './length.ts';
export { CURRENCIES, priceOfArea, showMoney, type Currency } from './money.ts';
export { MS_PER_MINUTE, readMinutes, showClock, showMinutes, type InstantMs } from './time.ts';
export { lastingId, type Branded, type JointId, type LineId, type PieceId } from './ids.ts';
export { fieldsOf, isKeyOf, isOneOf, keysOf, recordOf } from './keys.ts';
export { seededRandom } from './random.ts';
export { count, showNumbers } from './ranges.ts';
