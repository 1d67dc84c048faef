import { seededRandom } from '#core/units';
import type { Light, LightKind, Lit } from '#core/glass';
import type { Area, Lighting, PaletteName } from './scene.ts';

type Pen = OffscreenCanvasRenderingContext2D;

/** A colour that leaves what it is laid over as it is (soft light) where the share is 1, and lightens or darkens it else. */
const soft = ([r, g, b]: Light, alpha = 1): string => {
  const of = (share: number) => Math.round(255 * Math.min(1, 0.5 * share));
  return `rgb(${of(r)} ${of(g)} ${of(b)} / ${alpha})`;
};

/** What the room round a panel is coloured in. */
export function roomOf({ kind, roomLit }: Lighting): PaletteName {
  if (kind === 'table') return 'light-table';
  return roomLit ? 'room-lit' : 'room-dark';
}

/** Where the bulb of a lamp hangs, as a share of the panel. */
const BULB = { x: 0.5, y: 0.46 } as const;

/** What stands behind a panel, seen through its clear glass. */
export function scenery(
  pen: Pen,
  clear: Path2D,
  { x, y, width, height }: Area,
  { kind }: Lighting,
  { seen }: Lit,
): void {
  if (seen === 0) return;
  pen.save();
  pen.clip(clear, 'evenodd');
  pen.globalAlpha = seen;
  if (kind === 'lamp') {
    const [bx, by] = [x + width * BULB.x, y + height * BULB.y];
    const r = Math.hypot(width, height) * 0.16;
    // The arms that carry the shade, and the bulb between them.
    pen.strokeStyle = 'rgb(30 20 8 / 0.5)';
    pen.lineWidth = Math.max(2.4, r * 0.05);
    for (const turn of [0.5, 2.6, 4.7]) {
      pen.beginPath();
      pen.moveTo(bx, by - r * 0.2);
      pen.lineTo(bx + 9 * r * Math.cos(turn), by + 9 * r * Math.sin(turn));
      pen.stroke();
    }
    const glow = pen.createRadialGradient(bx, by, 0, bx, by, r);
    glow.addColorStop(0, 'rgb(255 246 214)');
    glow.addColorStop(0.22, 'rgb(255 232 176 / 0.9)');
    glow.addColorStop(1, 'rgb(255 214 140 / 0)');
    pen.fillStyle = glow;
    pen.fillRect(bx - r, by - r, 2 * r, 2 * r);
  } else {
    // A garden, out of focus: bright sky over dark bushes.
    pen.globalCompositeOperation = 'soft-light';
    const random = seededRandom(41);
    const ground = y + height * 0.6;
    for (let i = 0; i < 26; i++) {
      const r = (0.06 + 0.16 * random()) * Math.max(width, height);
      const [cx, cy] = [x + random() * width, ground + (0.1 + random() ** 0.7) * height * 0.5];
      const bush = pen.createRadialGradient(cx, cy, 0, cx, cy, r);
      bush.addColorStop(0, `rgb(16 26 18 / ${0.34 + 0.2 * random()})`);
      bush.addColorStop(0.6, 'rgb(18 28 20 / 0.2)');
      bush.addColorStop(1, 'rgb(18 28 20 / 0)');
      pen.fillStyle = bush;
      pen.fillRect(cx - r, cy - r, 2 * r, 2 * r);
    }
    for (let i = 0; i < 7; i++) {
      const r = (0.1 + 0.2 * random()) * Math.max(width, height);
      const [cx, cy] = [x + random() * width, y + random() * height * 0.45];
      const cloud = pen.createRadialGradient(cx, cy, 0, cx, cy, r);
      cloud.addColorStop(0, 'rgb(255 255 255 / 0.55)');
      cloud.addColorStop(1, 'rgb(255 255 255 / 0)');
      pen.fillStyle = cloud;
      pen.fillRect(cx - r, cy - r, 2 * r, 2 * r);
    }
  }
  pen.restore();
}

/** The light over the height of the panel, or round its bulb. */
export function lightUp(
  pen: Pen,
  { x, y, width, height }: Area,
  { kind, roomLit }: Lighting,
  { fall }: Lit,
  sheet: Path2D,
): void {
  pen.save();
  pen.clip(sheet, 'evenodd');
  pen.globalCompositeOperation = 'soft-light';
  if (kind === 'lamp') {
    const [bx, by] = [x + width * BULB.x, y + height * BULB.y];
    const glow = pen.createRadialGradient(bx, by, 0, bx, by, Math.hypot(width, height) * 0.6);
    glow.addColorStop(0, soft([1.95, 1.9, 1.8]));
    glow.addColorStop(0.4, soft([1.1, 1.08, 1.04]));
    glow.addColorStop(1, soft([0.24, 0.2, 0.16]));
    pen.fillStyle = glow;
    pen.fillRect(x, y, width, height);
  } else if (kind !== 'table' && kind !== 'bench') {
    const sky = pen.createLinearGradient(0, y, 0, y + height);
    for (const [i, share] of fall.entries()) sky.addColorStop([0, 0.55, 1][i] ?? 1, soft(share));
    pen.fillStyle = sky;
    pen.fillRect(x, y, width, height);
  }
  if (roomLit) {
    // A lit room lies as a grey veil over what comes through.
    pen.globalCompositeOperation = 'source-over';
    pen.fillStyle = 'rgb(150 152 150 / 0.16)';
    pen.fillRect(x, y, width, height);
  }
  pen.restore();
}

/** How strongly the light of a panel lies on the wall round it. */
const SPILLS: Readonly<Record<LightKind, number>> = {
  bench: 0,
  clear: 0.62,
  overcast: 0.34,
  dusk: 0.5,
  lamp: 0.7,
  table: 0,
};

/** A small copy is blurred instead of the picture: it is a blur. So many dots of the picture a dot of the copy. */
const COARSE = 8;

/** Bright glass glows over the lead, and colours the wall round the panel. */
export function spill(
  pen: Pen,
  { box, sheet }: { readonly box: Area; readonly sheet: Path2D },
  inMm: () => void,
  { bloom }: Lit,
  { kind, roomLit }: Lighting,
  pxPerMm: number,
): void {
  const { canvas } = pen;
  const [w, h] = [Math.ceil(canvas.width / COARSE), Math.ceil(canvas.height / COARSE)];
  const small = new OffscreenCanvas(w, h);
  const g = small.getContext('2d');
  if (!g || w === 0 || h === 0) return;
  g.filter = `blur(${Math.max(0.7, (pxPerMm * 7) / COARSE)}px)`;
  g.drawImage(canvas, 0, 0, w, h);
  g.filter = 'none';
  pen.save();
  if (bloom > 0) {
    inMm();
    pen.clip(sheet, 'evenodd');
    pen.setTransform(1, 0, 0, 1, 0, 0);
    pen.globalCompositeOperation = 'screen';
    pen.globalAlpha = bloom * 0.42;
    pen.imageSmoothingQuality = 'high';
    pen.drawImage(small, 0, 0, w * COARSE, h * COARSE);
  }
  pen.restore();
  const strength = SPILLS[kind] * (roomLit ? 0.35 : 1);
  if (strength === 0) return;
  const wide = new OffscreenCanvas(w, h);
  const far = wide.getContext('2d');
  if (!far) return;
  far.filter = `blur(${Math.max(1, (pxPerMm * 0.075 * Math.max(box.width, box.height)) / COARSE)}px)`;
  far.drawImage(small, 0, 0);
  pen.save();
  pen.setTransform(1, 0, 0, 1, 0, 0);
  // Behind what is painted: on the wall alone.
  pen.globalCompositeOperation = 'destination-over';
  pen.globalAlpha = strength;
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(wide, 0, 0, w * COARSE, h * COARSE);
  pen.restore();
}
