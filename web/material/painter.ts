import type { GlassLook, LightKind } from '#core/glass';
import { roomOf } from './lighting.ts';
import { changedAreas, paint, ReadyDrawing, glassesIn } from './paint.ts';
import type { Area, FromPainter, LayerName, Palette, Scene, ToPainter, Window } from './scene.ts';
import { LARGE, sizeFor, SMALL, Tiles, WHOLE } from './tiles.ts';

interface Layer {
  readonly window: Window;
  readonly canvas: OffscreenCanvas;
  /** Whether each glass on it is as fine as it is going to be. */
  isSharp: boolean;
  /** Whether anything was painted on it yet. */
  isBegun: boolean;
}

interface WantedTile {
  readonly look: GlassLook;
  readonly light: LightKind;
  readonly size: number;
}

interface View {
  drawnId: string;
  scene: Scene;
  readonly layers: Map<LayerName, Layer>;
}

/** So many pieces are not painted oftener than need be. */
const MANY = 500;
/** So long nothing is to be painted before tiles are worked out ahead, ms. */
const QUIET_MS = 3000;
/** Longest side of a picture, dots: what every browser's canvas can hold. */
const MOST_PX = 8192;

/**
 * Keeps pictures of panels up to date: as soon as a scene, a window or a glass changes, the layers that it touches are
 * painted and told. Glass is shown roughly at once, and finer when it has been worked out.
 */
export class Painter {
  private palette: Palette | null = null;
  private readonly drawings = new Map<string, ReadyDrawing>();
  private readonly views = new Map<string, View>();
  private readonly tiles = new Tiles(() => this.sharpen());
  /** Glass that is to be worked out finer, in this order. */
  private readonly wanted = new Map<string, WantedTile>();
  /** … and what will be wanted where somebody looks closer, worked out while there is nothing else to do. */
  private readonly later = new Map<string, WantedTile>();
  private isWorking = false;
  private quiet: ReturnType<typeof setTimeout> | undefined;
  private readonly tileAsks: { key: string; look: GlassLook; light: LightKind }[] = [];
  private readonly tell: (message: FromPainter, transfer: Transferable[]) => void;

  constructor(tell: (message: FromPainter, transfer: Transferable[]) => void) {
    this.tell = tell;
  }

  hear(message: ToPainter): void {
    switch (message.kind) {
      case 'palette':
        this.palette = message.palette;
        for (const name of this.views.keys()) this.repaint(name, null);
        return;
      case 'drawn':
        this.drawings.set(message.drawn.id, new ReadyDrawing(message.drawn));
        return;
      case 'forget':
        this.drawings.delete(message.drawnId);
        return;
      case 'scene':
        return this.show(message.view, message.drawnId, message.scene);
      case 'window':
        return this.look(message.view, message.layer, message.window);
      case 'gone':
        this.views.delete(message.view);
        return;
      case 'tile':
        this.tileAsks.push(message);
        return this.work();
      case 'file':
        return void this.file(message.key, message.view, message.window);
    }
  }

  private show(name: string, drawnId: string, scene: Scene): void {
    const view = this.views.get(name);
    const drawing = this.drawings.get(drawnId);
    if (!drawing) return;
    if (view?.drawnId === drawnId) {
      const areas = changedAreas(drawing, view.scene, scene);
      view.scene = scene;
      if (areas === null || areas.length > 0) this.repaint(name, areas);
      return;
    }
    this.views.set(name, { drawnId, scene, layers: view?.layers ?? new Map<LayerName, Layer>() });
    this.repaint(name, null);
  }

  private look(name: string, layer: LayerName, window: Window | null): void {
    const view = this.views.get(name);
    if (!view) return;
    if (!window) {
      view.layers.delete(layer);
      return;
    }
    const canvas = canvasFor(window);
    if (!canvas) return;
    view.layers.set(layer, { window, canvas, isSharp: false, isBegun: false });
    this.repaintLayer(name, view, layer, null);
  }

  private repaint(name: string, only: readonly Area[] | null): void {
    const view = this.views.get(name);
    if (view) for (const layer of view.layers.keys()) this.repaintLayer(name, view, layer, only);
  }

  private sharpen(): void {
    for (const [name, view] of this.views)
      for (const [key, layer] of view.layers) if (!layer.isSharp) this.repaintLayer(name, view, key, null);
  }

  private repaintLayer(name: string, view: View, layerName: LayerName, only: readonly Area[] | null): void {
    const layer = view.layers.get(layerName);
    const drawing = this.drawings.get(view.drawnId);
    const pen = layer?.canvas.getContext('2d');
    if (!layer || !drawing || !this.palette || !pen) return;
    const size = sizeFor(layer.window.pxPerMm);
    const light = view.scene.lighting?.kind ?? 'bench';
    const looks = glassesIn(view.scene);
    const all = looks.filter((look) => !this.tiles.has(look, light, size));
    layer.isSharp = all.length === 0;
    // What waits for a photo of its sheet is painted again when that has come.
    const rough = all.filter((look) => this.tiles.isReady(look));
    // Of many pieces the colours come first, and all else with their glass.
    const isMany = drawing.pieces.size > MANY;
    const isFirst = isMany && !layer.isBegun && rough.length > 0;
    const seen = { palette: this.palette, tiles: this.tiles, size, isFirst };
    layer.isBegun = true;
    paint(pen, drawing, view.scene, layer.window, seen, only);
    // First a small tile of each, which is there in no time, where painting once more takes none either.
    for (const at of isMany ? [size] : [SMALL, size])
      for (const look of rough)
        if (!this.tiles.has(look, light, at))
          this.wanted.set(JSON.stringify([look, light, at]), { look, light, size: at });
    // A small picture is looked at as a whole next.
    if (size === SMALL)
      for (const look of looks)
        if (!this.tiles.has(look, light, LARGE))
          this.later.set(JSON.stringify([look, light]), { look, light, size: LARGE });
    this.work();
    // The layer stays here to be painted on: what is told is a copy.
    void createImageBitmap(layer.canvas).then((bitmap) =>
      this.tell({ kind: 'picture', view: name, layer: layerName, window: layer.window, bitmap, sharp: layer.isSharp }, [
        bitmap,
      ]),
    );
  }

  /** One tile at a time, so that what is asked meanwhile is not kept waiting. */
  private work(): void {
    clearTimeout(this.quiet);
    if (this.isWorking) return;
    this.isWorking = true;
    setTimeout(() => {
      this.isWorking = false;
      // The panel first: a chip has its plain colour until its turn comes.
      const [entry] = this.wanted;
      const ask = entry ? undefined : this.tileAsks.shift();
      if (ask) void this.tile(ask.key, ask.look, ask.light);
      if (entry) {
        const [name, { look, light, size }] = entry;
        this.tiles.make(look, light, size);
        this.wanted.delete(name);
        // What waits for it once more when the last of a size has come.
        const [next] = this.wanted.values();
        if (next?.size !== size) this.sharpen();
      }
      if (this.wanted.size > 0 || this.tileAsks.length > 0) this.work();
      else this.workAhead(QUIET_MS);
    });
  }

  /** A tile keeps a core busy: the first moments after something was painted belong to whatever a hand does next. */
  private workAhead(afterMs: number): void {
    clearTimeout(this.quiet);
    const [entry] = this.later;
    if (!entry) return;
    this.quiet = setTimeout(() => {
      const [name, { look, light, size }] = entry;
      this.tiles.make(look, light, size);
      this.later.delete(name);
      this.workAhead(0);
    }, afterMs);
  }

  private async tile(key: string, look: GlassLook, light: LightKind): Promise<void> {
    const blob = await this.tiles.make(look, light, WHOLE).convertToBlob({ type: 'image/png' });
    this.tell({ kind: 'tile', key, blob }, []);
  }

  private async file(key: string, name: string, window: Window): Promise<void> {
    const canvas = this.paintedWith(name, window);
    // Whoever asked is told in any case.
    this.tell({ kind: 'file', key, blob: (await canvas?.convertToBlob({ type: 'image/png' })) ?? null }, []);
  }

  /** A picture with the room round it: one that is sent has no page behind it. */
  private paintedWith(name: string, window: Window): OffscreenCanvas | null {
    const view = this.views.get(name);
    const drawing = view && this.drawings.get(view.drawnId);
    const canvas = canvasFor(window);
    const pen = canvas?.getContext('2d');
    if (!view || !drawing || !this.palette || !canvas || !pen) return null;
    const { scene } = view;
    const size = sizeFor(window.pxPerMm);
    for (const look of glassesIn(scene)) this.tiles.make(look, scene.lighting?.kind ?? 'bench', size);
    paint(pen, drawing, scene, window, { palette: this.palette, tiles: this.tiles, size }, null);
    pen.setTransform(1, 0, 0, 1, 0, 0);
    pen.globalCompositeOperation = 'destination-over';
    pen.fillStyle = this.palette[scene.lighting ? roomOf(scene.lighting) : 'bright'];
    pen.fillRect(0, 0, canvas.width, canvas.height);
    return canvas;
  }
}

/** Null where there is nothing to see, or more than a canvas can hold. */
function canvasFor({ area, pxPerMm }: Window): OffscreenCanvas | null {
  const [width, height] = [Math.round(area.width * pxPerMm), Math.round(area.height * pxPerMm)];
  const isPossible = Math.min(width, height) >= 1 && Math.max(width, height) <= MOST_PX;
  return isPossible ? new OffscreenCanvas(width, height) : null;
}
