import { useMemo, useState } from 'react';
import { z } from 'zod';
import { useWatch } from 'react-hook-form';
import type { PanelRow, RouteVersion } from '#core/bench';
import { BOUNDS, limitsWith } from '#core/limits';
import { allowanceFor } from '#core/sizing';
import { showLength, type DisplayUnit } from '#core/units';
import { panelWonder } from '#core/words';
import { useSend } from '../../state/send.ts';
import { newestRoutes, useSettings, useStudio } from '../../state/studio.ts';
import { newId } from '../../state/ids.ts';
import { Button } from '../../ui/Button.tsx';
import { length, wanted } from '../../ui/form/fields.ts';
import { Form, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import { Question } from '../../ui/Question.tsx';

/** The least that is a length at all. */
const ANY_MM = 1e-6;
/** A side that was not touched is shown rounded, and is kept as it is. */
const SAME_MM = 0.06;

const panelOf = (unit: DisplayUnit) => {
  const most = showLength(BOUNDS.panelMm.most, unit, 0);
  const side = length(
    unit,
    { least: ANY_MM, most: BOUNDS.panelMm.most },
    `A length up to ${most}, such as 420 mm or 16 1/2 in; what is larger is made as a set of panels.`,
  );
  return z.object({
    name: wanted('A panel has a name.'),
    technique: z.enum(['foil', 'lead']),
    /** Key of the way of working. */
    route: z.string(),
    width: side,
    height: side,
  });
};
type PanelEntry = z.output<ReturnType<typeof panelOf>>;

interface PanelFormProps {
  readonly commissionId: string;
  readonly unit: DisplayUnit;
  readonly names: readonly string[];
  /** The panel that is changed; a new one where it is left out. */
  readonly entry?: PanelRow;
  readonly done: (id: string) => void;
}

/** Enters a panel of a job, or changes its name, technique and, as long as no glass is cut, its size. */
export function PanelForm({ commissionId, unit, names, entry, done }: PanelFormProps) {
  const send = useSend();
  const settings = useSettings();
  const { data: studio } = useStudio();
  const routes = studio ? newestRoutes(studio) : [];
  const ownRoute = studio?.routes.find((one) => one.id === entry?.routeId);
  const schema = useMemo(() => panelOf(unit), [unit]);
  const [asked, setAsked] = useState<{ values: PanelEntry; why: string } | null>(null);
  const shown = (mm: number) => showLength(mm, unit, 2).replace('⁄', '/');
  const form = useKeptForm(`panel-${entry?.id ?? `of-${commissionId}`}`, schema, {
    name: entry?.name ?? (names.length === 0 ? 'Panel' : `Panel ${names.length + 1}`),
    technique: entry?.technique ?? 'foil',
    route: ownRoute?.key ?? '',
    width: entry ? shown(entry.widthMm) : '',
    height: entry ? shown(entry.heightMm) : '',
  });
  const isCut = entry !== undefined && entry.pieceCount > (entry.counts.stages['to-cut'] ?? 0);
  const enter = async ({ name, technique, route, width, height }: PanelEntry) => {
    const id = entry?.id ?? newId();
    const isNewWay = entry?.technique !== technique;
    const allowance = entry && !isNewWay ? entry.allowance : allowanceFor(technique, limitsWith(settings.limits));
    const size = entry ? keptSize(entry, { widthMm: width, heightMm: height }) : { widthMm: width, heightMm: height };
    const key = routes.some((one) => one.key === route && one.technique === technique) ? route : technique;
    const isOtherRoute = ownRoute !== undefined && key !== ownRoute.key && !isNewWay;
    const way = entry === undefined || (isNewWay && !isCut) ? { route: key } : {};
    const wish = { commissionId, name, technique, ...size, allowance, ...way };
    const isDrawn = entry !== undefined && entry.cartoonId !== null;
    const isSized = isDrawn && (size.widthMm !== entry.widthMm || size.heightMm !== entry.heightMm);
    // The drawing follows the size, and what its lines take up follows the technique, each in one act with the rest.
    const isDone = isSized
      ? await send.edit(id, { kind: 'fit', ...size, borderMm: 0 }, `${name}: drawn anew in its new size.`, wish)
      : isDrawn && isNewWay
        ? await send.edit(id, { kind: 'allowance', allowance }, undefined, wish)
        : await send.command({ kind: 'save-panel', ask: { id, ...wish } });
    if (!isDone) return;
    // A panel under way is moved over in an act of its own: it may be refused, and it goes back by itself.
    if (isOtherRoute && !(await send.command({ kind: 'follow-route', ask: { panelId: id, route: key } }))) return;
    form.forget();
    done(id);
  };
  return (
    <>
      <Form
        form={form}
        onSend={(values) => {
          const { width, height } = values;
          const size = { widthMm: width, heightMm: height };
          const isOld = entry !== undefined && isSameSize(entry, size);
          const why = isOld ? null : panelWonder(size, unit);
          return why === null ? enter(values) : setAsked({ values, why });
        }}
      >
        <FormText name="name" label="Name" autoFocus />
        {!isCut && (
          <FormChoice
            name="technique"
            label="Technique"
            options={[
              { value: 'foil', text: 'copper foil' },
              { value: 'lead', text: 'leaded' },
            ]}
          />
        )}
        <RouteChoice routes={routes} technique={entry?.technique ?? null} />
        {isCut ? (
          <p className="text-[15px] text-mute">
            Glass of it is cut, so its technique and its size of {shown(entry.widthMm)} by {shown(entry.heightMm)} stay.
          </p>
        ) : (
          <div className="grid grid-cols-2 items-start gap-2">
            <FormText name="width" label="Wide" placeholder={unit === 'mm' ? '420 mm' : '16 1/2 in'} />
            <FormText name="height" label="High" placeholder={unit === 'mm' ? '640 mm' : '25 1/4 in'} />
          </div>
        )}
        {entry && !isCut && entry.cartoonId !== null && (
          <p className="text-[15px] text-mute">Its drawing is stretched to the new size, outline to outline.</p>
        )}
        <Button look="go" type="submit">
          {entry ? 'Keep' : 'Enter the panel'}
        </Button>
      </Form>
      <Question
        title="Is that its size?"
        yes="It is meant so"
        no="Look again"
        open={asked !== null}
        onNo={() => setAsked(null)}
        onYes={() => {
          if (asked) void enter(asked.values);
          setAsked(null);
        }}
      >
        {asked?.why}
      </Question>
    </>
  );
}

/** By which steps it is made, where its technique knows more than one way. */
function RouteChoice({
  routes,
  technique,
}: {
  routes: readonly RouteVersion[];
  /** Of a panel that is there. */
  technique: string | null;
}) {
  const wished = useWatch<{ technique: string; route: string }, 'technique'>({ name: 'technique' });
  const own = routes.filter((one) => one.technique === (wished ?? technique));
  if (own.length < 2) return null;
  return (
    <FormChoice
      name="route"
      label="Way of working"
      options={[
        ...own.filter((one) => one.key === one.technique),
        ...own.filter((one) => one.key !== one.technique),
      ].map(({ key, name }) => ({ value: key, text: name }))}
    />
  );
}

interface Size {
  readonly widthMm: number;
  readonly heightMm: number;
}

const isSameSize = (a: Size, b: Size): boolean =>
  Math.abs(a.widthMm - b.widthMm) < SAME_MM && Math.abs(a.heightMm - b.heightMm) < SAME_MM;

/** A side that says what it said stays as it is to the last digit. */
const keptSize = (old: Size, now: Size): Size => ({
  widthMm: Math.abs(old.widthMm - now.widthMm) < SAME_MM ? old.widthMm : now.widthMm,
  heightMm: Math.abs(old.heightMm - now.heightMm) < SAME_MM ? old.heightMm : now.heightMm,
});
