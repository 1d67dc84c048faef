export { colourDifference } from './difference.ts';
export { labOf, type Lab } from './lab.ts';
export { asChannel, asLight, lightOf, type Light } from './light.ts';
export { GLASS_ORDERS, inOrder, type GlassOrder } from './order.ts';
