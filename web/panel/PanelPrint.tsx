import type { ReactNode } from 'react';
import { BEGINS, stepOf } from '#core/bench';
import type { Metal } from '../material/scene.ts';
import { letterSize } from './letterSizes.ts';
import { Materials } from './Materials.tsx';
import { Metalwork } from './Metalwork.tsx';
import { PieceMark } from './PieceMark.tsx';
import type { PicturePaths } from './paths.ts';
import { usePrinting } from '../ui/usePrinting.ts';
import type { Shown } from './shown.ts';
import type { PicturedPiece } from './standing.ts';

export type View = 'front' | 'back' | 'lit' | 'joints';

interface PanelPrintProps {
  readonly shown: Shown;
  readonly view: View;
  readonly metal: Metal;
  readonly numbers: boolean;
  /** Shows the chosen glass of pieces that are not cut yet, as when glass is being chosen. */
  readonly chosen?: boolean;
}

/** While the page is being printed, the panel in lines and flat colours for paper. Inside an svg, in mm. */
export function PanelPrint({ shown, view, metal, numbers, chosen = false }: PanelPrintProps): ReactNode {
  const printing = usePrinting();
  if (!printing) return null;
  const { paths, panel, pieces, glasses } = shown;
  const lit = view === 'lit';
  return (
    <>
      <Materials />
      <path d={paths.region.shape()} fill={lit ? 'var(--dark-room)' : 'var(--paper)'} />
      {pieces.map((piece) => (
        <PieceMark
          key={piece.number}
          piece={piece}
          look={stepOf(panel.route, piece.stage)?.look ?? 'glass'}
          region={paths.region.get(piece.number) ?? ''}
          outline={paths.glass.get(piece.number) ?? ''}
          glass={piece.glassId ? glasses.get(piece.glassId) : undefined}
          lit={lit}
          chosen={chosen}
          place={paths.pieces.get(piece.number)}
        />
      ))}
      <Metalwork metal={metal} />
      {numbers && <Numbers paths={paths} pieces={pieces} lit={lit} mirrored={view === 'back'} />}
    </>
  );
}

function Numbers({
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
}
