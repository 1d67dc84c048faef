import type { Supply, SupplyKind } from '#core/stock';

/** Jars, bottles and tubes: how wide and high their bodies are, and what is in them. */
const VESSELS: Readonly<
  Partial<Record<SupplyKind, { readonly wide: number; readonly high: number; readonly fill: string }>>
> = {
  flux: { wide: 22, high: 34, fill: 'var(--supply-flux)' },
  patina: { wide: 24, high: 36, fill: 'var(--supply-patina)' },
  cement: { wide: 36, high: 34, fill: 'var(--supply-cement)' },
  whiting: { wide: 34, high: 32, fill: 'var(--supply-whiting)' },
  wax: { wide: 34, high: 18, fill: 'var(--supply-wax)' },
  sealant: { wide: 16, high: 40, fill: 'var(--supply-sealant)' },
  other: { wide: 32, high: 28, fill: 'var(--supply-other)' },
};

/** A supply as it stands on its shelf, as full as it is. */
export function SupplyPicture({
  supply,
  size = 64,
}: {
  supply: Pick<Supply, 'kind' | 'amount' | 'packAmount'>;
  size?: number;
}) {
  const packs = supply.packAmount > 0 ? supply.amount / supply.packAmount : 0;
  const full = Math.min(1, packs);
  const vessel = VESSELS[supply.kind];
  return (
    <svg aria-hidden viewBox="0 0 64 64" width={size} height={size} className="shrink-0">
      {supply.kind === 'foil' && <Roll full={full} />}
      {supply.kind === 'came' && <Cames many={Math.ceil(packs)} />}
      {supply.kind === 'solder' && <Spool full={full} />}
      {vessel && <Vessel {...vessel} full={full} />}
    </svg>
  );
}

/** Foil wound on its core, seen from the side. */
const Roll = ({ full }: { full: number }) => (
  <g>
    <circle cx={32} cy={34} r={12 + 15 * full} fill="var(--copper)" />
    {[0.25, 0.5, 0.75].map((at) => (
      <circle
        key={at}
        cx={32}
        cy={34}
        r={12 + 15 * full * at}
        fill="none"
        stroke="var(--bright)"
        strokeOpacity={0.35}
      />
    ))}
    <circle cx={32} cy={34} r={12} fill="var(--soft)" stroke="var(--strong)" />
    <circle cx={32} cy={34} r={9} fill="var(--sheet)" />
  </g>
);

/** Lengths of came leaning together. */
const Cames = ({ many }: { many: number }) => (
  <g>
    {Array.from({ length: Math.min(8, many) }, (_, i) => (
      <g key={i} transform={`translate(${8 + i * 6} 4)`}>
        <rect width={5} height={56} rx={0.6} fill="var(--came)" />
        <path d="M2.5 0V56" stroke="var(--tin)" strokeWidth={0.9} strokeOpacity={0.7} />
      </g>
    ))}
    {many === 0 && <path d="M8 59H56" stroke="var(--strong)" strokeWidth={1.5} strokeDasharray="3 3" />}
  </g>
);

/** Wire on a spool, wound as full as it is. */
const Spool = ({ full }: { full: number }) => (
  <g>
    <rect x={24} y={14} width={16} height={40} fill="var(--soft)" />
    <rect x={24 - 12 * full} y={16} width={16 + 24 * full} height={36} rx={2} fill="var(--tin)" />
    {full > 0 &&
      [0, 1, 2, 3, 4, 5].map((i) => (
        <path
          key={i}
          d={`M${24 - 12 * full} ${19 + i * 6}h${16 + 24 * full}`}
          stroke="var(--tin-deep)"
          strokeOpacity={0.6}
        />
      ))}
    <rect x={10} y={10} width={44} height={5} rx={2} fill="var(--strong)" />
    <rect x={10} y={52} width={44} height={5} rx={2} fill="var(--strong)" />
  </g>
);

function Vessel({ wide, high, fill, full }: { wide: number; high: number; fill: string; full: number }) {
  const [x, y] = [32 - wide / 2, 58 - high];
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={wide}
        height={high}
        rx={3}
        fill="var(--raised)"
        stroke="var(--strong)"
        strokeWidth={1.5}
      />
      <rect x={x + 2} y={58 - 2 - (high - 4) * full} width={wide - 4} height={(high - 4) * full} rx={2} fill={fill} />
      <rect x={32 - wide / 4} y={y - 6} width={wide / 2} height={6} rx={1.5} fill="var(--strong)" />
    </g>
  );
}
