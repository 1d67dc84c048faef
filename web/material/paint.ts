import type { Look } from '#core/bench';
import { LIGHTS, TILE_MM, type GlassLook } from '#core/glass';
import { seededRandom } from '#core/units';
import { boxOf, covers, grown, meets } from './areas.ts';
import { lightUp, scenery, spill } from './lighting.ts';
import {
  BROKEN,
  cameLines,
  CEMENT_MM,
  chipOf,
  CRACK,
  crackPath,
  edgesSeen,
  seamLines,
  TOO_SMALL,
  type Line,
} from './lines.ts';
import type { Area, Drawn, DrawnPiece, Metal, Outline, Palette, Scene, Standing, Window } from './scene.ts';
import { fromDots, type Tiles } from './tiles.ts';

type Pen = OffscreenCanvasRenderingContext2D;

/** A piece with its paths, each read when it is first drawn. */
class Ready {
  readonly drawn: DrawnPiece;
  private asRegion: Path2D | null = null;
  private asGlass: Path2D | null = null;
  private asBox: Area | null = null;

  constructor(drawn: DrawnPiece) {
    this.drawn = drawn;
  }
  get region(): Path2D {
    return (this.asRegion ??= pathOf(this.drawn.region));
  }
  get glass(): Path2D {
    return (this.asGlass ??= pathOf(this.drawn.glass));
  }
  get box(): Area {
    return (this.asBox ??= boxOf(this.drawn.region));
  }
}

function pathOf(outline: Outline): Path2D {
  const path = new Path2D();
  for (const ring of outline) {
    path.moveTo(ring[0] ?? 0, ring[1] ?? 0);
    for (let i = 2; i + 1 < ring.length; i += 2) path.lineTo(ring[i] ?? 0, ring[i + 1] ?? 0);
    path.closePath();
  }
  return path;
}

/** What is drawn of a piece reaches over its own edge by so much: half a seam, or the came along it, mm. */
const REACH_MM = 12;

/** A drawing made ready: its paths are read once, and no sooner than they are drawn. */
export class ReadyDrawing {
  readonly pieces: ReadonlyMap<number, Ready>;
  readonly box: Area;
  readonly id: string;
  private readonly paths = new Map<string, Path2D>();
  private asSheet: Path2D | null = null;

  constructor({ id, box, pieces }: Drawn) {
    this.id = id;
    this.box = box;
    this.pieces = new Map(pieces.map((drawn) => [drawn.number, new Ready(drawn)]));
  }

  /** All regions as one shape: the paper under it all. */
  get sheet(): Path2D {
    if (!this.asSheet) {
      this.asSheet = new Path2D();
      for (const { region } of this.pieces.values()) this.asSheet.addPath(region);
    }
    return this.asSheet;
  }

  /** Path data that comes again and again, such as all seams. */
  path(d: string): Path2D {
    let path = this.paths.get(d);
    if (!path) {
      if (this.paths.size > 60) this.paths.clear();
      path = new Path2D(d);
      this.paths.set(d, path);
    }
    return path;
  }
}

/**
 * What has to be painted anew where one scene follows another; null where that is all of it.
 * A change of a piece alone touches no more than its own surroundings.
 */
export function changedAreas(ready: ReadyDrawing, before: Scene, now: Scene): readonly Area[] | null {
  const samePicture =
    before.chosen === now.chosen &&
    before.mirrored === now.mirrored &&
    before.lighting?.kind === now.lighting?.kind &&
    before.lighting?.roomLit === now.lighting?.roomLit &&
    before.metal.cemented === now.metal.cemented &&
    before.metal.seams?.d === now.metal.seams?.d &&
    before.metal.seams?.dark === now.metal.seams?.dark &&
    before.pieces.length === now.pieces.length;
  if (!samePicture) return null;
  const was = new Map(before.pieces.map((piece) => [piece.number, piece]));
  const lookAt = (scene: Scene, piece: Standing) =>
    JSON.stringify([
      scene.glasses[piece.glass],
      piece.look,
      piece.isPaper,
      piece.broken,
      piece.tooSmall,
      piece.turn,
      piece.onSheet,
    ]);
  const areas: Area[] = [];
  for (const piece of now.pieces) {
    const old = was.get(piece.number);
    const place = ready.pieces.get(piece.number);
    if (!old || !place) return null;
    if (lookAt(before, old) !== lookAt(now, piece)) areas.push(grown(place.box, REACH_MM));
  }
  // Light that spills over the wall is of all pieces.
  if (areas.length > 0 && now.lighting) return null;
  const dots = (scene: Scene) =>
    new Map(scene.metal.dots.map((dot) => [`${dot.x} ${dot.y} ${dot.r} ${dot.is} ${dot.edged}`, dot]));
  const [dotsBefore, dotsNow] = [dots(before), dots(now)];
  for (const [one, other] of [
    [dotsBefore, dotsNow],
    [dotsNow, dotsBefore],
  ] as const)
    for (const [key, { x, y, r }] of one) if (!other.has(key)) areas.push(grown({ x, y, width: 0, height: 0 }, r + 2));
  // Cames come with the pieces beside them; other widths come by themselves.
  if (areas.length === 0 && JSON.stringify(before.metal.bands) !== JSON.stringify(now.metal.bands)) return null;
  // So much is quicker done at once.
  return areas.length > ready.pieces.size / 4 ? null : areas;
}

/** What a scene is painted with. */
export interface Looks {
  readonly palette: Palette;
  readonly tiles: Tiles;
  readonly size: number;
  /** Colours alone, without the edges of pieces: it is painted once more in a moment. */
  readonly isFirst?: boolean;
}

/** Paints a window of a scene. With `only`, no more than those parts of what stands on the canvas already. */
export function paint(
  pen: Pen,
  ready: ReadyDrawing,
  scene: Scene,
  { area, pxPerMm }: Window,
  looks: Looks,
  only: readonly Area[] | null,
): void {
  pen.setTransform(1, 0, 0, 1, 0, 0);
  if (!only) pen.clearRect(0, 0, pen.canvas.width, pen.canvas.height);
  const inMm = () => {
    if (scene.mirrored) {
      const right = 2 * ready.box.x + ready.box.width - area.x;
      pen.setTransform(-pxPerMm, 0, 0, pxPerMm, right * pxPerMm, -area.y * pxPerMm);
    } else pen.setTransform(pxPerMm, 0, 0, pxPerMm, -area.x * pxPerMm, -area.y * pxPerMm);
  };
  pen.save();
  inMm();
  if (only) {
    const clip = new Path2D();
    for (const { x, y, width, height } of only) clip.rect(x, y, width, height);
    pen.clip(clip);
    for (const { x, y, width, height } of only) pen.clearRect(x, y, width, height);
  }
  pen.lineJoin = 'round';
  pen.lineCap = 'round';
  const seen = scene.mirrored ? { ...area, x: 2 * ready.box.x + ready.box.width - area.x - area.width } : area;
  const isWhole = covers(seen, ready.box);
  const inView = scene.pieces.flatMap((standing) => {
    const place = ready.pieces.get(standing.number);
    if (!place || (!isWhole && !meets(grown(place.box, REACH_MM), seen))) return [];
    if (only && !only.some((part) => meets(grown(place.box, REACH_MM), part))) return [];
    return [{ standing, place }];
  });
  const lit = scene.lighting;
  pen.fillStyle = looks.palette[lit ? 'dark-board' : 'paper'];
  pen.fill(ready.sheet, 'evenodd');
  for (const one of inView) body(pen, one, scene, looks);
  if (lit) {
    const clear = new Path2D();
    for (const { standing, place } of inView)
      if (scene.glasses[standing.glass]?.hiding === 'clear') clear.addPath(place.glass);
    scenery(pen, clear, ready.box, lit, LIGHTS[lit.kind]);
    lightUp(pen, ready.box, lit, LIGHTS[lit.kind], ready.sheet);
  } else {
    if (!looks.isFirst) edges(pen, inView, looks.palette, pxPerMm);
    for (const one of inView) faults(pen, one, looks.palette);
  }
  backing(pen, inView, scene, ready, looks.palette);
  metal(pen, ready, scene.metal, looks.palette, lit);
  pen.restore();
  if (lit && !only) spill(pen, ready, inMm, LIGHTS[lit.kind], lit, pxPerMm);
}

interface Seen {
  readonly standing: Standing;
  readonly place: Ready;
}

/** A piece as paper or as glass, without what lies over its edge. */
function body(pen: Pen, { standing, place }: Seen, scene: Scene, { palette, tiles, size }: Looks): void {
  const look = scene.glasses[standing.glass];
  const asGlass = !standing.isPaper || ((scene.lighting !== null || scene.chosen) && look !== undefined);
  if (!asGlass) {
    if (!look && !standing.broken) {
      pen.fillStyle = hatch(pen, palette);
      pen.fill(place.region, 'evenodd');
    }
    if (!scene.lighting) {
      pen.strokeStyle = palette['paper-line'];
      pen.lineWidth = 0.5;
      pen.stroke(place.region);
    }
    if (look && scene.dots && !standing.broken) chip(pen, place.drawn, look.colour, palette);
    return;
  }
  if (look) {
    const tile = tiles.best(look, scene.lighting?.kind ?? 'bench', size);
    const pattern = tile && pen.createPattern(tile, 'repeat');
    // Until its tile is worked out a glass is as even as its name.
    if (!pattern) pen.fillStyle = look.colour;
    else {
      pattern.setTransform(whereOnGlass(standing, place, look).multiply(fromDots(tile, look)));
      pen.fillStyle = pattern;
    }
  } else pen.fillStyle = palette['no-colour'];
  pen.fill(place.glass, 'evenodd');
  if (standing.isPaper && !scene.lighting) {
    pen.strokeStyle = palette['paper-line'];
    pen.lineWidth = 0.5;
    pen.stroke(place.region);
  }
}

/** Where the square of its glass lies under a piece: as on its sheet, or cut from a place of its own. */
function whereOnGlass({ number, turn, onSheet }: Standing, { drawn }: Ready, { flow }: GlassLook): DOMMatrix {
  if (onSheet) return new DOMMatrix([...onSheet]);
  // No two pieces look stamped.
  const random = seededRandom(number * 7919 + 17);
  const [x, y] = drawn.labelAt;
  return new DOMMatrix()
    .translate(x - TILE_MM * random(), y - TILE_MM * random())
    .rotate(turn + (flow ? 7 : 360) * (random() - 0.5));
}

function chip(pen: Pen, drawn: DrawnPiece, colour: string, palette: Palette): void {
  const { x, y, r } = chipOf(drawn);
  pen.beginPath();
  pen.arc(x, y, r, 0, 7);
  pen.fillStyle = colour;
  pen.fill();
  pen.strokeStyle = palette['chip-edge'];
  pen.lineWidth = 0.3;
  pen.stroke();
}

const HATCHES = new WeakMap<Palette, OffscreenCanvas>();

/** Paper for which no glass is chosen yet. */
function hatch(pen: Pen, palette: Palette): CanvasPattern | string {
  let square = HATCHES.get(palette);
  if (!square) {
    square = new OffscreenCanvas(28, 28);
    HATCHES.set(palette, square);
    const g = square.getContext('2d');
    if (!g) return palette.paper;
    g.fillStyle = palette.paper;
    g.fillRect(0, 0, 28, 28);
    g.strokeStyle = palette.hatch;
    g.lineWidth = 6;
    g.beginPath();
    for (const shift of [-28, 0, 28]) {
      g.moveTo(shift - 4, 32);
      g.lineTo(shift + 32, -4);
    }
    g.stroke();
  }
  const pattern = pen.createPattern(square, 'repeat');
  pattern?.setTransform(new DOMMatrix().scale(0.35));
  return pattern ?? palette.paper;
}

/** From so many dots a millimetre on it is seen whether an edge lies on its own glass or half on its neighbour's. */
const EXACT_FROM = 1.2;
/** … before that a line along an edge is drawn narrower, as half of it would lie on the neighbour. */
const HALF_SEEN = 0.6;

function edges(pen: Pen, inView: readonly Seen[], palette: Palette, pxPerMm: number): void {
  const alike = new Map<Look, Path2D>();
  const put = (look: Look, path: Path2D) => {
    const all = alike.get(look) ?? new Path2D();
    all.addPath(path);
    alike.set(look, all);
  };
  pen.save();
  pen.lineCap = 'butt';
  for (const { standing, place } of inView) {
    if (standing.isPaper) continue;
    const lines = edgesSeen(standing.look, pxPerMm, 1);
    if (pxPerMm < EXACT_FROM || standing.look === 'glass' || lines.length === 0) {
      put(standing.look, place.glass);
      continue;
    }
    pen.save();
    pen.clip(place.glass, 'evenodd');
    for (const line of lines) stroke(pen, place.glass, line, palette);
    pen.restore();
  }
  for (const [look, path] of alike)
    for (const line of edgesSeen(look, pxPerMm, look === 'glass' ? 1 : HALF_SEEN)) stroke(pen, path, line, palette);
  pen.restore();
}

/** What is wrong with a piece: the crack that ran through it, or that its glass has become too small. */
function faults(pen: Pen, { standing, place }: Seen, palette: Palette): void {
  if (!standing.broken && !standing.tooSmall) return;
  pen.save();
  if (standing.tooSmall) stroke(pen, place.region, TOO_SMALL, palette);
  if (standing.broken) {
    stroke(pen, place.region, BROKEN, palette);
    pen.clip(place.region, 'evenodd');
    stroke(pen, new Path2D(crackPath(place.drawn)), CRACK, palette);
  }
  pen.restore();
}

/** A line of a material; `face` is how much of it is seen. */
function stroke(
  pen: Pen,
  path: Path2D,
  { colour, widthMm, alpha, dash = [], shiftMm = 0 }: Line,
  palette: Palette,
  face = 1,
): void {
  pen.strokeStyle = palette[colour];
  pen.lineWidth = widthMm;
  pen.globalAlpha = alpha * face;
  pen.setLineDash([...dash]);
  pen.translate(-shiftMm, -shiftMm);
  pen.stroke(path);
  pen.translate(shiftMm, shiftMm);
}

/** How far the foil on the other face reaches beyond the seam on this one, to both sides together. From memory. */
const BACKING_MM = 1.3;

/** Through clear glass the inner side of the foil on its other face is seen beside the seam: copper, or black as patina. */
function backing(pen: Pen, inView: readonly Seen[], scene: Scene, ready: ReadyDrawing, palette: Palette): void {
  const { seams } = scene.metal;
  if (!seams) return;
  const clear = new Path2D();
  let isAny = false;
  for (const { standing, place } of inView) {
    if (standing.isPaper && !scene.lighting) continue;
    if (scene.glasses[standing.glass]?.hiding !== 'clear') continue;
    clear.addPath(place.glass);
    isAny = true;
  }
  if (!isAny) return;
  pen.save();
  pen.clip(clear, 'evenodd');
  const widthMm = SEAM_MM + BACKING_MM;
  const alpha = scene.lighting && !scene.lighting.roomLit ? 0.45 : 0.7;
  stroke(pen, ready.path(seams.d), { colour: seams.dark ? 'patina' : 'foil', widthMm, alpha }, palette);
  pen.restore();
}

/** How wide a seam is drawn. */
const SEAM_MM = 4.5;

/** Lead or solder over the glass, with the light from above left. */
function metal(
  pen: Pen,
  ready: ReadyDrawing,
  { bands, cemented, seams, dots }: Metal,
  palette: Palette,
  lighting: Scene['lighting'],
): void {
  // Against the light metal is dark; a lit room gives some of its face back.
  const face = !lighting ? 1 : lighting.roomLit ? 0.4 : 0.06;
  const shadow = (path: Path2D, widthMm: number) => {
    if (lighting) stroke(pen, path, { colour: 'dark-seam', widthMm, alpha: 1 }, palette);
  };
  pen.save();
  if (seams) {
    const path = ready.path(seams.d);
    shadow(path, SEAM_MM);
    for (const line of seamLines(seams)) stroke(pen, path, line, palette, face);
  }
  for (const band of bands) {
    const path = ready.path(band.d);
    pen.lineCap = band.isBorder ? 'butt' : 'round';
    pen.lineJoin = band.isBorder ? 'miter' : 'round';
    if (cemented) stroke(pen, path, { colour: 'cement', widthMm: band.faceMm + CEMENT_MM, alpha: 1 }, palette);
    shadow(path, band.faceMm);
    for (const line of cameLines(band)) stroke(pen, path, line, palette, face);
  }
  pen.restore();
  if (!lighting) solder(pen, dots, palette);
}

/** Solder at joints, and rings round those that are still open. */
function solder(pen: Pen, dots: Metal['dots'], palette: Palette): void {
  const round = (of: readonly (readonly [number, number, number])[]): Path2D => {
    const path = new Path2D();
    for (const [x, y, r] of of) {
      path.moveTo(x + r, y);
      path.arc(x, y, r, 0, 7);
    }
    return path;
  };
  const tin = dots.filter((dot) => dot.is === 'tin');
  if (tin.length > 0) {
    for (const [colour, scale, shift] of [
      ['tin-dark', 1, 0],
      ['tin', 0.8, 0.12],
      ['bright', 0.34, 0.3],
    ] as const) {
      pen.fillStyle = palette[colour];
      pen.fill(round(tin.map(({ x, y, r }) => [x - r * shift, y - r * shift, r * scale])));
    }
    pen.strokeStyle = palette['tin-edge'];
    pen.lineWidth = 0.4;
    pen.stroke(round(tin.filter((dot) => dot.edged).map(({ x, y, r }) => [x, y, r])));
  }
  const open = round(dots.filter((dot) => dot.is === 'open').map(({ x, y, r }) => [x, y, r]));
  pen.fillStyle = palette.paper;
  pen.fill(open);
  pen.strokeStyle = palette.copper;
  pen.lineWidth = 1.1;
  pen.setLineDash([1.6, 1.2]);
  pen.stroke(open);
  pen.setLineDash([]);
}

/** The glasses that a scene shows. */
export const glassesIn = ({ glasses, pieces }: Scene): readonly Scene['glasses'][number][] => {
  const used = new Set(pieces.map((piece) => piece.glass));
  return glasses.filter((_, i) => used.has(i));
};
