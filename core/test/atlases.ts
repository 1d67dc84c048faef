import { createRequire } from 'node:module';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import { doc } from './panels.ts';

/**
 * Real planar maps as drawings: borders of states, counties and countries (packages us-atlas and world-atlas,
 * ISC, from public-domain cartographic boundary files and Natural Earth).
 */
const load = (name: string): Topology => createRequire(import.meta.url)(name) as Topology;

export type AtlasName = 'states' | 'counties' | 'countries';
const ATLASES: Readonly<Record<AtlasName, { file: string; object: string; flat: boolean }>> = {
  states: { file: 'us-atlas/states-albers-10m.json', object: 'states', flat: true },
  counties: { file: 'us-atlas/counties-albers-10m.json', object: 'counties', flat: true },
  countries: { file: 'world-atlas/countries-110m.json', object: 'countries', flat: false },
};

type Line = readonly (readonly [number, number])[];

/** The page in mm on which an atlas is drawn. */
const WIDTH = 975;
const HEIGHT = 610;
/** Degrees are drawn as they are (plate carrée), so that 360° fill the page. */
const onPage = (flat: boolean) =>
  (flat
    ? ([x, y]: number[]) => [x, y] as const
    : ([lon, lat]: number[]) =>
        [(((lon as number) + 180) / 360) * WIDTH, ((90 - (lat as number)) / 180) * HEIGHT] as const) as (
    p: number[],
  ) => readonly [number, number];

/** Every border once: the arcs of the topology, a net of centre-lines. */
export function atlasNet(name: AtlasName): { svg: string; lines: Line[] } {
  const { file, flat } = ATLASES[name];
  const topology = load(file);
  const { scale = [1, 1], translate = [0, 0] } = topology.transform ?? {};
  const place = onPage(flat);
  const lines = topology.arcs.map((arc) => {
    let [x, y] = [0, 0];
    return arc.map(([dx, dy]) => {
      x += dx as number;
      y += dy as number;
      return place([
        x * (scale[0] as number) + (translate[0] as number),
        y * (scale[1] as number) + (translate[1] as number),
      ]);
    });
  });
  return { lines, svg: doc(WIDTH, HEIGHT, lines.map((line) => `<path d="${data(line)}"/>`).join('')) };
}

/** Every region as a closed outline of its own, its share of each border drawn again. */
export function atlasRegions(name: AtlasName): Line[] {
  const { file, object, flat } = ATLASES[name];
  const topology = load(file);
  const place = onPage(flat);
  const found = feature(topology, topology.objects[object] as GeometryCollection);
  return found.features.flatMap(({ geometry }) => {
    const polygons =
      geometry.type === 'Polygon'
        ? [geometry.coordinates]
        : geometry.type === 'MultiPolygon'
          ? geometry.coordinates
          : [];
    return polygons.flatMap((rings) => rings.map((ring) => ring.slice(0, -1).map(place)));
  });
}

export const data = (line: Line, close = ''): string =>
  `M${line.map(([x, y]) => `${x.toFixed(5)} ${y.toFixed(5)}`).join('L')}${close}`;
