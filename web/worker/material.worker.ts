import { Painter } from '../material/painter.ts';
import type { ToPainter } from '../material/scene.ts';

const painter = new Painter((message, transfer) => postMessage(message, { transfer }));

/** Paints panels off the page's thread. */
onmessage = ({ data }: MessageEvent<ToPainter>) => painter.hear(data);
