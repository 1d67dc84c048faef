import { Colors, DxfWriter, LWPolylineFlags, point3d, TrueColor, Units } from '@tarikjabiri/dxf';
import { boxOf } from '#core/geometry';
import { outlineLayers, type OutlineLayer, type OutlineOptions, type PaperPanel } from '#core/papers';

export type { OutlineOptions };
export const OUTLINE_FORMATS = ['svg', 'dxf'] as const;
export type OutlineFormat = (typeof OUTLINE_FORMATS)[number];

/** Cut outlines as a file of an open format, mm, one layer a glass; the numbers on a layer of their own. */
export function outlineFile(panel: PaperPanel, format: OutlineFormat, options: OutlineOptions): string {
  const layers = outlineLayers(panel, options);
  return format === 'svg' ? svgOf(layers) : dxfOf(layers);
}

const DECIMALS = 4;
const mm = (value: number): string => String(Number(value.toFixed(DECIMALS)));
const escaped = (words: string): string => words.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

function svgOf(layers: readonly OutlineLayer[]): string {
  const all = layers.flatMap(({ pieces }) => pieces.flatMap(({ rings }) => rings.flat()));
  const { minX, minY, maxX, maxY } = all.length > 0 ? boxOf(all) : { minX: 0, minY: 0, maxX: 1, maxY: 1 };
  const [wide, high] = [mm(maxX - minX + 2), mm(maxY - minY + 2)];
  const group = ({ name, glass, pieces }: OutlineLayer) => {
    const paths = pieces.map(({ name, rings }) => {
      const d = rings.map((ring) => `M${ring.map(([x, y]) => `${mm(x)} ${mm(y)}`).join('L')}Z`).join('');
      return `<path id="p${name}" d="${d}"/>`;
    });
    return `<g id="${escaped(name)}" stroke="${glass?.colour ?? '#000000'}">\n${paths.join('\n')}\n</g>`;
  };
  const numbers = layers.flatMap(({ pieces }) =>
    pieces.map(
      ({ name, labelAt: [x, y], labelMm }) =>
        `<text x="${mm(x)}" y="${mm(y + labelMm / 3)}" font-size="${mm(labelMm)}">${name}</text>`,
    ),
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}mm" height="${high}mm" viewBox="${mm(minX - 1)} ${mm(minY - 1)} ${wide} ${high}" fill="none" stroke-width="0.1">`,
    ...layers.map(group),
    `<g id="numbers" fill="#000000" text-anchor="middle" font-family="sans-serif">\n${numbers.join('\n')}\n</g>`,
    '</svg>\n',
  ].join('\n');
}

/** Names of layers in a DXF may not hold these. */
const layerName = (name: string): string => name.replace(/[<>/\\":;?*|=`,]/g, '-');

function dxfOf(layers: readonly OutlineLayer[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  const numbers = 'numbers';
  dxf.addLayer(numbers, Colors.White, 'Continuous');
  for (const { name, glass, pieces } of layers) {
    const layer = layerName(name);
    dxf.addLayer(layer, Colors.White, 'Continuous');
    const trueColor = glass ? { trueColor: String(TrueColor.fromHex(glass.colour)) } : {};
    for (const { name: called, rings, labelAt, labelMm } of pieces) {
      // A DXF's y runs upwards.
      for (const ring of rings)
        dxf.addLWPolyline(
          ring.map(([x, y]) => ({ point: { x, y: -y } })),
          { layerName: layer, flags: LWPolylineFlags.Closed, ...trueColor },
        );
      dxf.addText(point3d(labelAt[0], -labelAt[1]), labelMm, called, { layerName: numbers });
    }
  }
  return dxf.stringify();
}
