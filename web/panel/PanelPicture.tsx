import { memo, type ReactNode } from 'react';
import { BEGINS, stepOf, type Side } from '#core/bench';
import type { Glass } from '#core/stock';
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
  const used = new Set(
    pieces.map((p) => (p.glassId ? glasses.get(p.glassId)?.texture : undefined)).filter((t) => t !== undefined),
  );
  const side: Side = view === 'back' ? 'back' : 'front';
  return (
    <>
      <defs>
        <pattern id="no-glass" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" fill="var(--paper)" />
          <path d="M0 0V7" stroke="var(--hatch)" strokeWidth="1.6" />
        </pattern>
        <radialGradient id="solder-dot" cx="0.35" cy="0.3" r="0.8">
          <stop offset="0" stopColor="var(--bright)" />
          <stop offset="0.5" stopColor="var(--tin)" />
          <stop offset="1" stopColor="var(--tin-dark)" />
        </radialGradient>
        {textures &&
          [...used].map((t) => (
            <pattern key={t} id={`tex-${t}`} width={TILE_MM[t]} height={TILE_MM[t]} patternUnits="userSpaceOnUse">
              <image href={textureTile(t)} width={TILE_MM[t]} height={TILE_MM[t]} preserveAspectRatio="none" />
            </pattern>
          ))}
      </defs>
      <g>
        {pieces.map((piece) => (
          <PieceMark
            key={piece.number}
            piece={piece}
            look={stepOf(panel.route, piece.stage)?.look ?? 'glass'}
            region={paths.region.get(piece.number) ?? ''}
            outline={paths.glass.get(piece.number) ?? ''}
            glass={piece.glassId ? glasses.get(piece.glassId) : undefined}
            lit={view === 'lit'}
            textures={textures}
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
    <g aria-hidden fontWeight={620} textAnchor="middle" style={{ pointerEvents: 'none', userSelect: 'none' }}>
      {pieces.map(({ number, stage, broken }) => {
        const place = paths.pieces.get(number);
        if (!place) return null;
        const size = Math.max(most * 0.4, Math.min(most, place.labelRadiusMm * (number > 99 ? 0.95 : 1.15)));
        const [x, y] = place.labelAt;
        const onGlass = stage !== BEGINS || lit;
        return (
          <text
            key={number}
            x={x}
            y={y + size * 0.34}
            fontSize={size}
            fill={broken ? 'var(--number-broken)' : 'var(--number)'}
            fillOpacity={lit ? 0.55 : 1}
            style={
              onGlass
                ? { paintOrder: 'stroke', stroke: 'var(--halo)', strokeWidth: size * 0.2, strokeLinejoin: 'round' }
                : undefined
            }
            transform={mirrored ? `translate(${2 * x} 0) scale(-1 1)` : undefined}
          >
            {number}
          </text>
        );
      })}
    </g>
  );
});
