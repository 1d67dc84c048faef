import { useState } from 'react';
import { Link } from 'react-router';
import { DEFAULT_ALLOWANCE, innerOffset, type Technique } from '#core/sizing';
import { lengthToMm, showLength } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField, TextField } from '../../ui/Field.tsx';
import type { PanelView } from './panelView.ts';

/** What the panel is and what its lines take up, drawn as a section through one line. */
export function MeasureStep({ view }: { view: PanelView }) {
  const { panel, pieces, settings } = view;
  const { unit } = settings;
  const send = useSend();
  const [name, setName] = useState(panel.name);
  const [technique, setTechnique] = useState<Technique>(panel.technique);
  const start = panel.technique === technique ? panel.allowance : DEFAULT_ALLOWANCE[technique];
  const [typed, setTyped] = useState<Record<string, string>>({});
  const value = (key: 'gapMm' | 'heartMm' | 'faceMm' | 'clearanceMm') =>
    lengthToMm(typed[key] ?? `${start[key]}mm`, unit) ?? Number.NaN;
  const allowance = {
    ...start,
    technique,
    gapMm: value('gapMm'),
    heartMm: value('heartMm'),
    faceMm: value('faceMm'),
    clearanceMm: value('clearanceMm'),
  };
  const wrong = (mm: number, most: number) => (mm >= 0 && mm <= most ? null : `Between 0 and ${most} mm.`);
  const keys = technique === 'foil' ? (['gapMm'] as const) : (['faceMm', 'heartMm', 'clearanceMm'] as const);
  const limits = { gapMm: 5, heartMm: 10, faceMm: 30, clearanceMm: 5 } as const;
  const isSound = keys.every((k) => wrong(allowance[k], limits[k]) === null) && name.trim() !== '';
  const labels = {
    gapMm: 'Gap between two pieces',
    faceMm: 'Face of the came',
    heartMm: 'Heart of the came',
    clearanceMm: 'Play on each side',
  } as const;
  const begun = pieces.some((p) => p.stage !== 'to-cut');
  return (
    <main className="grid flex-1 content-start gap-x-12 gap-y-6 overflow-y-auto px-6 py-6 xl:grid-cols-[380px_1fr]">
      <form
        className="flex flex-col gap-2.5"
        onSubmit={(e) => {
          e.preventDefault();
          void send.command(
            {
              kind: 'panel',
              ask: {
                id: panel.id,
                commissionId: panel.commissionId,
                name: name.trim(),
                technique,
                widthMm: panel.widthMm,
                heightMm: panel.heightMm,
                allowance,
              },
            },
            'Kept.',
          );
        }}
      >
        <TextField
          label="Name of the panel"
          value={name}
          onChange={(e) => setName(e.target.value)}
          problem={name.trim() === '' ? 'It needs a name.' : null}
        />
        <ChoiceField
          label="Technique"
          value={technique}
          disabled={begun}
          onChange={(e) => {
            setTechnique(e.target.value as Technique);
            setTyped({});
          }}
          options={[
            { value: 'foil', text: 'copper foil' },
            { value: 'lead', text: 'leaded' },
          ]}
          hint={begun ? 'Glass is cut, so this stays.' : ''}
        />
        {keys.map((key) => (
          <TextField
            key={key}
            label={labels[key]}
            value={typed[key] ?? showLength(start[key], unit, 2).replace('⁄', '/')}
            onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
            problem={wrong(allowance[key], limits[key])}
          />
        ))}
        <p className="text-[15px] text-mute">The cut outlines follow these when the drawing is next taken in.</p>
        <Button look="go" type="submit" disabled={!isSound}>
          Keep
        </Button>
        {panel.cartoonId === null && (
          <Link to={`/panels/${panel.id}/cartoon`} className="text-center underline underline-offset-4">
            On to the drawing
          </Link>
        )}
      </form>
      {isSound && (
        <LineSection
          view={view}
          technique={technique}
          offsetMm={innerOffset(allowance)}
          faceMm={technique === 'lead' ? allowance.faceMm : 5}
          heartMm={technique === 'lead' ? allowance.heartMm : allowance.gapMm}
        />
      )}
    </main>
  );
}

/** A section through one line between two pieces, ten times true size, every part named. */
function LineSection({
  view,
  technique,
  offsetMm,
  faceMm,
  heartMm,
}: {
  view: PanelView;
  technique: Technique;
  offsetMm: number;
  faceMm: number;
  heartMm: number;
}) {
  const { unit } = view.settings;
  // Half of a small gap is finer than 1/32 in: whoever measures in inches reads the millimetres beside it.
  const fine = (mm: number) =>
    unit === 'mm' ? showLength(mm, 'mm', 2) : `${showLength(mm, 'in', 2)} (${showLength(mm, 'mm', 2)})`;
  const s = 26;
  const [cx, cy, t] = [300, 150, 3.2];
  const glass = (side: -1 | 1) => {
    const edge = cx + side * offsetMm * s;
    return (
      <rect
        x={side < 0 ? 40 : edge}
        y={cy - (t * s) / 2}
        width={side < 0 ? edge - 40 : 560 - edge}
        height={t * s}
        fill="#a9cfd6"
        stroke="#31424a"
      />
    );
  };
  const half = (faceMm * s) / 2;
  return (
    <figure className="min-w-0">
      <svg role="img" aria-label="Section through one line" viewBox="0 0 600 330" className="max-h-[420px] w-full">
        {glass(-1)}
        {glass(1)}
        {technique === 'lead' ? (
          <g fill="#6a737a" stroke="#33393d">
            <rect x={cx - (heartMm * s) / 2} y={cy - t * 0.62 * s} width={heartMm * s} height={t * 1.24 * s} />
            <rect x={cx - half} y={cy - t * 0.62 * s - 14} width={2 * half} height={16} rx={7} />
            <rect x={cx - half} y={cy + t * 0.62 * s - 2} width={2 * half} height={16} rx={7} />
          </g>
        ) : (
          <g>
            <path
              d={`M${cx - half} ${cy - (t * s) / 2}Q${cx} ${cy - (t * s) / 2 - 46} ${cx + half} ${cy - (t * s) / 2}ZM${cx - half} ${cy + (t * s) / 2}Q${cx} ${cy + (t * s) / 2 + 46} ${cx + half} ${cy + (t * s) / 2}Z`}
              fill="#cfd7db"
              stroke="#6f7a80"
            />
            <rect x={cx - offsetMm * s} y={cy - (t * s) / 2} width={2 * offsetMm * s} height={t * s} fill="#cfd7db" />
            {[-1, 1].map((side) => (
              <path
                key={side}
                d={`M${cx + side * half} ${cy - (t * s) / 2}H${cx + side * offsetMm * s}V${cy + (t * s) / 2}H${cx + side * half}`}
                fill="none"
                stroke="#a9552a"
                strokeWidth={5}
              />
            ))}
          </g>
        )}
        <path d={`M${cx} 20V310`} stroke="var(--mute)" strokeDasharray="8 4 2 4" />
        <g fill="var(--ink)" fontSize={16} textAnchor="middle">
          <text x={cx} y={16}>
            the line of the drawing
          </text>
          <text x={130} y={cy + 6} fill="#20262a">
            glass
          </text>
          <text x={480} y={cy + 6} fill="#20262a">
            glass
          </text>
          <text x={cx} y={300}>
            the glass keeps {fine(offsetMm)} off the line on each side
          </text>
          <text x={cx} y={324} fill="var(--mute)">
            {technique === 'lead'
              ? `came of ${fine(faceMm)} face, ${fine(heartMm)} heart`
              : `foil and solder fill a gap of ${fine(heartMm)}`}
          </text>
        </g>
      </svg>
    </figure>
  );
}
