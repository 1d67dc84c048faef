import type { Texture } from '#core/stock';
import { seededRandom } from '#core/units';

const SIZE = 192;
const TILES = new Map<Texture, string>();

type Brush = (g: CanvasRenderingContext2D, random: () => number) => void;

const stroke = (g: CanvasRenderingContext2D, light: boolean, alpha: number, width: number) => {
  g.strokeStyle = light ? `rgba(255,255,255,${alpha})` : `rgba(10,20,30,${alpha * 0.5})`;
  g.lineWidth = width;
};

/** A wavy line right across the tile that meets itself at both ends. */
function wave(g: CanvasRenderingContext2D, y: number, sway: number, phase: number): void {
  for (const shift of [-SIZE, 0, SIZE]) {
    g.beginPath();
    for (let x = 0; x <= SIZE; x += 6) {
      const at =
        y +
        shift +
        sway * Math.sin((2 * Math.PI * x) / SIZE + phase) +
        sway * 0.5 * Math.sin((4 * Math.PI * x) / SIZE + phase * 2);
      if (x === 0) g.moveTo(x, at);
      else g.lineTo(x, at);
    }
    g.stroke();
  }
}

function dots(
  g: CanvasRenderingContext2D,
  random: () => number,
  n: number,
  least: number,
  most: number,
  alpha: number,
): void {
  for (let i = 0; i < n; i++) {
    const [x, y, r] = [random() * SIZE, random() * SIZE, least + random() * (most - least)];
    g.fillStyle = i % 2 ? `rgba(255,255,255,${alpha})` : `rgba(10,20,30,${alpha * 0.6})`;
    for (const dx of [-SIZE, 0, SIZE])
      for (const dy of [-SIZE, 0, SIZE]) {
        g.beginPath();
        g.ellipse(x + dx, y + dy, r, r * 0.8, 0, 0, 7);
        g.fill();
      }
  }
}

const BRUSHES: Readonly<Record<Texture, Brush>> = {
  smooth: (g, random) => dots(g, random, 5, 18, 40, 0.05),
  streaky: (g, random) => {
    for (let i = 0; i < 26; i++) {
      stroke(g, random() > 0.3, 0.04 + 0.1 * random(), 3 + 13 * random());
      wave(g, random() * SIZE, 5 + 9 * random(), random() * 6);
    }
  },
  ripple: (g, random) => {
    for (let i = 0; i < 20; i++) {
      stroke(g, i % 2 === 0, 0.13 + 0.12 * random(), 2.4);
      wave(g, (i * SIZE) / 20 + 3 * random(), 2.5 + 2 * random(), random() * 6);
    }
  },
  reeded: (g) => {
    for (let i = 0; i < 16; i++) {
      stroke(g, i % 2 === 0, 0.16, 3);
      wave(g, (i * SIZE) / 16, 0.4, 0);
    }
  },
  seedy: (g, random) => dots(g, random, 90, 0.6, 2.2, 0.4),
  hammered: (g, random) => dots(g, random, 130, 4, 9, 0.1),
  granite: (g, random) => dots(g, random, 420, 0.8, 3, 0.14),
};

/** A seamless tile of one texture as an image address; drawn once and kept. Flow runs from left to right. */
export function textureTile(texture: Texture): string {
  const known = TILES.get(texture);
  if (known) return known;
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIZE;
  const g = canvas.getContext('2d');
  if (g) BRUSHES[texture](g, seededRandom(texture.length * 97 + 5));
  const address = canvas.toDataURL('image/png');
  TILES.set(texture, address);
  return address;
}

/** Millimetres that one tile covers on the glass. */
export const TILE_MM: Readonly<Record<Texture, number>> = {
  smooth: 90,
  streaky: 90,
  ripple: 42,
  reeded: 40,
  seedy: 60,
  hammered: 40,
  granite: 46,
};
