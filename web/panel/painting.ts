import { recordOf } from '#core/units';
import { lookName, type GlassLook, type LightKind } from '#core/glass';
import {
  PALETTE_NAMES,
  type Drawn,
  type FromPainter,
  type LayerName,
  type Palette,
  type Scene,
  type ToPainter,
  type Window,
} from '../material/scene.ts';

type Picture = Extract<FromPainter, { kind: 'picture' }>;

let worker: Worker | null = null;
const views = new Map<string, Painted>();
/** Out of sight, the one that has rested longest first: each may come back, and then is painted already. */
const resting = new Set<Painted>();
/** So much is kept painted out of sight: a few dozen small pictures, or the steps of a few panels, dots. */
const MOST_RESTING = 16_000_000;
const tiles = new Map<string, Tile>();
const files = new Map<string, (blob: Blob | null) => void>();
let count = 0;
let begunAt = -Infinity;
let isWatching = false;
/** A painter that breaks sooner than this after it was begun anew would break for ever. */
const AGAIN_MS = 5000;

interface Tile {
  readonly look: GlassLook;
  readonly light: LightKind;
  url: string | null;
  readonly waiting: Set<() => void>;
}

/** The one painter of a page; begun when something is first to be painted. */
function painter(): Worker {
  if (worker) return worker;
  const mine = new Worker(new URL('../worker/material.worker.ts', import.meta.url), { type: 'module' });
  worker = mine;
  mine.onmessage = ({ data }: MessageEvent<FromPainter>) => hear(data);
  // One that was replaced may still tell of what it broke on.
  mine.onerror = () => {
    if (mine === worker) beginAnew();
  };
  told = '';
  tellPalette();
  if (isWatching) return mine;
  isWatching = true;
  // Daylight and lamplight have colours of their own.
  new MutationObserver(tellPalette).observe(document.documentElement, { attributes: true });
  matchMedia('(prefers-color-scheme: dark)').addEventListener('change', tellPalette);
  return mine;
}

/** A painter that broke is replaced, and told all that is to be seen; one that breaks at once again is left. */
function beginAnew(): void {
  worker?.terminate();
  worker = null;
  for (const done of files.values()) done(null);
  files.clear();
  if (performance.now() - begunAt < AGAIN_MS) return;
  begunAt = performance.now();
  for (const painted of views.values()) painted.again();
  for (const [key, { url, look, light }] of tiles) if (url === null) say({ kind: 'tile', key, look, light });
}

const say = (message: ToPainter) => painter().postMessage(message);

let told = '';
function tellPalette(): void {
  const style = getComputedStyle(document.documentElement);
  const palette: Palette = recordOf(PALETTE_NAMES, (name) => style.getPropertyValue(`--${name}`).trim());
  const now = JSON.stringify(palette);
  if (now === told) return;
  told = now;
  worker?.postMessage({ kind: 'palette', palette } satisfies ToPainter);
}

function hear(message: FromPainter): void {
  if (message.kind === 'picture') {
    const view = views.get(message.view);
    if (view) view.hear(message);
    else message.bitmap.close();
  } else if (message.kind === 'tile') {
    const tile = tiles.get(message.key);
    if (!tile) return;
    tile.url = URL.createObjectURL(message.blob);
    for (const wake of tile.waiting) wake();
  } else {
    files.get(message.key)?.(message.blob);
    files.delete(message.key);
  }
}

/** Something will be painted: the painter is begun while its drawing is still fetched. */
export const expectPicture = (): void => void painter();

/** One panel as it is kept painted for one place on a page. */
export class Painted {
  private readonly name = `view-${count++}`;
  private drawn: Drawn | null = null;
  private scene: Scene | null = null;
  private readonly windows = new Map<LayerName, Window>();
  private take: ((picture: Picture) => void) | null = null;
  /** What came while nobody took it: the last picture of each layer. */
  private readonly waiting = new Map<LayerName, Picture>();

  /** From now on pictures are taken; the answer ends that, and all is kept painted for a while. */
  begin(take: (picture: Picture) => void): () => void {
    this.take = take;
    resting.delete(this);
    views.set(this.name, this);
    for (const picture of this.waiting.values()) take(picture);
    this.waiting.clear();
    return () => this.rest();
  }

  hear(picture: Picture): void {
    if (this.take) return this.take(picture);
    this.waiting.get(picture.layer)?.bitmap.close();
    this.waiting.set(picture.layer, picture);
  }

  /** Painted before it is seen, as whoever is at a link to it is likely to see it next. */
  ahead(drawn: Drawn, scene: Scene, whole: Window | null): void {
    this.rest();
    this.show(drawn, scene);
    if (whole) this.look('whole', whole);
  }

  show(drawn: Drawn, scene: Scene): void {
    const before = this.drawn;
    if (before === drawn && this.scene === scene) return;
    this.drawn = drawn;
    this.scene = scene;
    if (before?.id !== drawn.id) {
      if (!isShown(drawn, this)) say({ kind: 'drawn', drawn });
      this.leave(before);
    }
    say({ kind: 'scene', view: this.name, drawnId: drawn.id, scene });
  }

  look(layer: LayerName, window: Window | null): void {
    const known = this.windows.get(layer) ?? null;
    if (isSame(known, window)) return;
    if (window) this.windows.set(layer, window);
    else this.windows.delete(layer);
    say({ kind: 'window', view: this.name, layer, window });
  }

  /** A picture to keep, with the room round it; null where it could not be painted. */
  file(window: Window): Promise<Blob | null> {
    const key = `file-${count++}`;
    return new Promise((done) => {
      files.set(key, done);
      say({ kind: 'file', key, view: this.name, window });
    });
  }

  /** All of it once more, to a painter that knows nothing. */
  again(): void {
    if (!this.drawn || !this.scene) return;
    say({ kind: 'drawn', drawn: this.drawn });
    say({ kind: 'scene', view: this.name, drawnId: this.drawn.id, scene: this.scene });
    for (const [layer, window] of this.windows) say({ kind: 'window', view: this.name, layer, window });
  }

  private rest(): void {
    this.take = null;
    views.set(this.name, this);
    resting.delete(this);
    resting.add(this);
    let dots = 0;
    // Those that have rested longest are let go.
    for (const painted of [...resting].reverse()) {
      dots += painted.dots();
      if (dots > MOST_RESTING) painted.end();
    }
  }

  private end(): void {
    views.delete(this.name);
    resting.delete(this);
    for (const { bitmap } of this.waiting.values()) bitmap.close();
    this.waiting.clear();
    say({ kind: 'gone', view: this.name });
    this.leave(this.drawn);
    this.drawn = null;
    this.scene = null;
    this.windows.clear();
  }

  private dots(): number {
    let dots = 0;
    for (const { area, pxPerMm } of this.windows.values()) dots += area.width * area.height * pxPerMm ** 2;
    return dots;
  }

  shows(drawn: Drawn): boolean {
    return this.drawn?.id === drawn.id;
  }

  private leave(drawn: Drawn | null): void {
    if (drawn && !isShown(drawn, this)) say({ kind: 'forget', drawnId: drawn.id });
  }
}

const isSame = (a: Window | null, b: Window | null): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Whether another place shows a drawing too: the painter knows it then. */
const isShown = (drawn: Drawn, but: Painted): boolean =>
  [...views.values()].some((view) => view !== but && view.shows(drawn));

/** The address of a glass's tile, once it is there; asked for when it is first wanted. */
export function tileUrl(look: GlassLook, light: LightKind): string | null {
  const key = `${light} ${lookName(look)}`;
  const known = tiles.get(key);
  if (known) return known.url;
  tiles.set(key, { look, light, url: null, waiting: new Set() });
  say({ kind: 'tile', key, look, light });
  return null;
}

/** Wakes once the tile is there; the answer ends that. */
export function onTile(look: GlassLook, light: LightKind, wake: () => void): () => void {
  tileUrl(look, light);
  const waiting = tiles.get(`${light} ${lookName(look)}`)?.waiting;
  waiting?.add(wake);
  return () => void waiting?.delete(wake);
}
