export { colourDifference } from './difference.ts';
export { labOf, type Lab } from './lab.ts';
export { GLASS_ORDERS, inOrder, type GlassOrder } from './order.ts';
