import { memo, type ReactNode } from 'react';
import { BEGINS, stepOf, type Side } from '#core/bench';
import type { Glass } from '#core/stock';
import { letterSize } from './letterSizes.ts';
import { Materials } from './Materials.tsx';
import { Metalwork } from './Metalwork.tsx';
import { PieceMark } from './PieceMark.tsx';
import type { PicturePaths } from './paths.ts';
import type { Pictured, PicturedPiece } from './standing.ts';
import { textureTile, TILE_MM } from './textures.ts';

/** Above this many pieces textures cost more time than they please. */
export const MOST_TEXTURED = 700;

export type View = 'front' | 'back' | 'lit' | 'joints';

export interface PanelPictureProps {
  readonly paths: PicturePaths;
  readonly panel: Pictured;
  readonly pieces: readonly PicturedPiece[];
  readonly glasses: ReadonlyMap<string, Glass>;
  readonly view: View;
  /** Off in small pictures and above a thousand pieces, where they would only cost time. */
  readonly textures: boolean;
  readonly numbers: boolean;
  /** Shows the chosen glass of pieces that are not cut yet, as when glass is being chosen. */
  readonly chosen?: boolean;
}

/** The panel as it stands on the bench: paper, glass, frosted edges, copper, solder, lead. Draws inside an svg, in mm. */
export const PanelPicture = memo(function PanelPicture({
  paths,
  panel,
  pieces,
  glasses,
  view,
  textures,
  numbers,
  chosen = false,
}: PanelPictureProps): ReactNode {
  const paints = paintsOf(pieces, glasses, textures);
  const side: Side = view === 'back' ? 'back' : 'front';
  return (
    <>
      <Materials />
      <defs>
        {[...paints.values()].map(({ id, glass }) => {
          const mm = TILE_MM[glass.texture];
          return (
            textures && (
              <pattern key={id} id={id} width={mm} height={mm} patternUnits="userSpaceOnUse">
                <rect width={mm} height={mm} fill={glass.colour} />
                <image href={textureTile(glass.texture)} width={mm} height={mm} preserveAspectRatio="none" />
              </pattern>
            )
          );
        })}
      </defs>
      <path d={paths.sheet} fill={view === 'lit' ? 'var(--dark-room)' : 'var(--paper)'} />
      <g>
        {pieces.map((piece) => (
          <PieceMark
            key={piece.number}
            piece={piece}
            look={stepOf(panel.route, piece.stage)?.look ?? 'glass'}
            region={paths.region.get(piece.number) ?? ''}
            outline={paths.glass.get(piece.number) ?? ''}
            glass={piece.glassId ? glasses.get(piece.glassId) : undefined}
            paint={paints.get(piece.glassId ?? '')?.paint ?? 'var(--no-colour)'}
            lit={view === 'lit'}
            chosen={chosen}
            place={paths.pieces.get(piece.number)}
          />
        ))}
      </g>
      <Metalwork
        paths={paths}
        panel={panel}
        pieces={pieces}
        side={side}
        jointsOnly={view === 'joints'}
        lit={view === 'lit'}
      />
      {numbers && <Numbers paths={paths} pieces={pieces} lit={view === 'lit'} mirrored={view === 'back'} />}
    </>
  );
});

interface Paint {
  readonly id: string;
  readonly glass: Glass;
  readonly paint: string;
}

/** What each glass of a panel is painted with: its colour, and over it its texture where textures are shown. */
function paintsOf(
  pieces: readonly PicturedPiece[],
  glasses: ReadonlyMap<string, Glass>,
  textures: boolean,
): ReadonlyMap<string, Paint> {
  const paints = new Map<string, Paint>();
  for (const { glassId } of pieces) {
    const glass = glassId === null || paints.has(glassId) ? undefined : glasses.get(glassId);
    if (!glass || glassId === null) continue;
    // Named by what it shows, so that pictures of several panels on one page agree.
    const id = `glass-${glass.colour.slice(1)}-${glass.texture}`;
    paints.set(glassId, { id, glass, paint: textures ? `url(#${id})` : glass.colour });
  }
  return paints;
}

const Numbers = memo(function Numbers({
  paths,
  pieces,
  lit,
  mirrored,
}: {
  paths: PicturePaths;
  pieces: readonly PicturedPiece[];
  lit: boolean;
  mirrored: boolean;
}) {
  const most = Math.max(8, Math.max(paths.box.width, paths.box.height) / 48);
  return (
    <g
      aria-hidden
      fontWeight={620}
      textAnchor="middle"
      fill="var(--number)"
      fillOpacity={lit ? 0.55 : 1}
      className="pointer-events-none select-none"
    >
      {pieces.map(({ number, stage, broken }) => {
        const place = paths.pieces.get(number);
        if (!place) return null;
        const fits = Math.max(most * 0.4, Math.min(most, place.labelRadiusMm * (number > 99 ? 0.95 : 1.15)));
        const size = letterSize(fits, most);
        const [x, y] = place.labelAt;
        const onGlass = stage !== BEGINS || lit;
        return (
          <text
            key={number}
            x={x}
            y={y + size * 0.34}
            fontSize={size}
            {...(broken ? { fill: 'var(--number-broken)' } : {})}
            {...(onGlass ? { className: 'on-glass', strokeWidth: size * 0.2 } : {})}
            transform={mirrored ? `translate(${2 * x} 0) scale(-1 1)` : undefined}
          >
            {number}
          </text>
        );
      })}
    </g>
  );
});
