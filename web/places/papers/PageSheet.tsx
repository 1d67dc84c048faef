import { create as squareCode } from 'qrcode';
import { memo, useId } from 'react';
import { isHex, type HouseInk, type Ink, type Mark, type Page, type TextMark } from '#core/papers';

const INKS: Readonly<Record<HouseInk, string>> = {
  line: 'var(--print)',
  soft: 'var(--print-soft)',
  faint: 'var(--print-faint)',
  copper: 'var(--print-copper)',
  paper: 'var(--print-paper)',
};
const colourOf = (ink: Ink | null): string => (ink === null ? 'none' : isHex(ink) ? ink : INKS[ink]);

const FACES: Readonly<Record<TextMark['face'], { fontFamily: string; fontWeight: number }>> = {
  body: { fontFamily: 'var(--font-sans)', fontWeight: 400 },
  bold: { fontFamily: 'var(--font-sans)', fontWeight: 600 },
  head: { fontFamily: 'var(--font-head)', fontWeight: 500 },
};
const ANCHORS = { start: 'start', middle: 'middle', end: 'end' } as const;

/** One page as it will be printed: the same marks as in its PDF. */
export const PageSheet = memo(function PageSheet({ page, name }: { page: Page; name: string }) {
  return (
    <svg
      viewBox={`0 0 ${page.widthMm} ${page.heightMm}`}
      role="img"
      aria-label={name}
      className="block h-full w-full bg-[var(--print-paper)]"
    >
      {page.marks.map((mark, i) => (
        <MarkHere key={i} mark={mark} />
      ))}
    </svg>
  );
});

function MarkHere({ mark }: { mark: Mark }) {
  const id = useId();
  switch (mark.kind) {
    case 'path':
      return (
        <path
          d={mark.rings.map((ring) => `M${ring.map((p) => p.join(' ')).join('L')}${mark.isClosed ? 'Z' : ''}`).join('')}
          fill={colourOf(mark.fill)}
          fillRule="evenodd"
          stroke={colourOf(mark.stroke)}
          strokeWidth={mark.widthMm}
          strokeLinejoin="round"
          strokeLinecap={mark.dashMm ? 'butt' : 'round'}
          strokeDasharray={mark.dashMm?.join(' ')}
        />
      );
    case 'text':
      return (
        <text
          x={mark.at[0]}
          y={mark.at[1]}
          fontSize={mark.sizeMm}
          textAnchor={ANCHORS[mark.anchor]}
          fill={colourOf(mark.ink)}
          style={FACES[mark.face]}
          xmlSpace="preserve"
        >
          {mark.words}
        </text>
      );
    case 'code':
      return <Code mark={mark} />;
    case 'group': {
      const { minX, minY, maxX, maxY } = mark.clip;
      return (
        <g clipPath={`url(#${id})`}>
          <clipPath id={id}>
            <rect x={minX} y={minY} width={maxX - minX} height={maxY - minY} />
          </clipPath>
          <g transform={`translate(${mark.by.join(' ')})`}>
            {mark.marks.map((one, i) => (
              <MarkHere key={i} mark={one} />
            ))}
          </g>
        </g>
      );
    }
  }
}

function Code({ mark: { at, sizeMm, text } }: { mark: Extract<Mark, { kind: 'code' }> }) {
  const { modules } = squareCode(text, { errorCorrectionLevel: 'M' });
  const side = sizeMm / modules.size;
  let d = '';
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) d += `M${at[0] + column * side} ${at[1] + row * side}h${side}v${side}h${-side}z`;
  return <path d={d} fill={INKS.line} />;
}
