import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { Link, useLocation, useOutlet, useParams } from 'react-router';
import { limitsOf, standingOf } from '#core/bench';
import { knownDrawing, useCartoon, usePanel, useRack, useReader, useSettings, useStudio } from '../../state/studio.ts';
import { UndoButtons } from '../../history/UndoButtons.tsx';
import { expectPicture } from '../../panel/painting.ts';
import { panelPaths } from '../../panel/paths.ts';
import { PanelViewHere } from '../../panel/usePanelView.ts';
import { Kept } from '../../ui/Kept.tsx';
import { NotHere } from '../../ui/NotHere.tsx';
import { Measures } from '../../ui/Length.tsx';
import { TECHNIQUE_WORDS } from '#core/words';
import { ClockButton } from './ClockButton.tsx';
import { useTitle } from '../../ui/useTitle.ts';
import { dateWords } from '../../ui/dates.ts';
import type { PanelView } from '../../panel/view.ts';
import { STEP_NAMES, WayThrough } from './WayThrough.tsx';

/** One panel, followed through its work; each step of the way has its own address. */
export function PanelPage() {
  const { panelId } = useParams();
  const step = useLocation().pathname.split('/')[3] ?? 'bench';
  const shown = useOutlet();
  const studio = useStudio();
  const rack = useRack();
  const panelAnswer = usePanel(panelId);
  const reader = useReader(studio.data, rack.data, panelAnswer.data);
  const settings = useSettings();
  const row = panelId ? reader.get('panels', panelId) : undefined;
  const panel = useMemo(() => row && standingOf(reader, row), [reader, row]);
  // A list that was seen before knows the drawing already: it is fetched beside the panel, not after it.
  const drawing = knownDrawing(useQueryClient(), panelId);
  const cartoon = useCartoon(panel ? panel.cartoonId : drawing, panelId, settings.limits);
  const glasses = useMemo(() => new Map([...reader.all('glasses')].map((g) => [g.id, g])), [reader]);
  const { data } = panelAnswer;
  useEffect(expectPicture, []);
  const onRack = rack.data?.photos;
  const photos = useMemo(
    () => new Map([...(onRack ?? []), ...(data?.photos ?? [])].map((photo) => [photo.id, photo])),
    [onRack, data?.photos],
  );
  useTitle(STEP_NAMES[step], panel?.name, panel?.name === data?.commission.title ? undefined : data?.commission.title);
  const clocks = studio.data?.clocks;
  // One and the same as long as nothing of it changes: what follows a panel is not drawn anew for every other answer.
  const view = useMemo<PanelView | null>(
    () =>
      panel && data
        ? {
            panel,
            commission: data.commission,
            set: data.set,
            choices: data.choices,
            pieces: data.pieces as PanelView['pieces'],
            reader,
            settings,
            limits: limitsOf(reader),
            clocks: clocks ?? [],
            answer: cartoon.data ?? null,
            paths: cartoon.data ? panelPaths(cartoon.data) : null,
            glasses,
            photos,
          }
        : null,
    [panel, data, reader, settings, clocks, cartoon.data, glasses, photos],
  );
  if (panelAnswer.isPending)
    return (
      <p className="p-10 text-mute" role="status">
        Fetching the panel …
      </p>
    );
  if (!view || !panel) return <NotHere what="panel" />;
  const { commission } = view;
  const problem = panelAnswer.error ?? cartoon.error;
  return (
    <div className="flex h-full flex-col">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-6 pt-3 pb-2 max-sm:px-4 xl:flex-nowrap print:px-0">
        <div className="min-w-0 flex-1 overflow-hidden whitespace-nowrap max-sm:basis-full">
          <h1 className="truncate text-[22px] leading-snug" title={commission.title}>
            <Link
              className="decoration-line decoration-2 underline-offset-4 hover:underline"
              to={`/jobs/${panel.commissionId}`}
            >
              {commission.title}
            </Link>
            {panel.name !== commission.title && <span className="text-mute"> · {panel.name}</span>}
          </h1>
          <p className="truncate text-[14.5px] text-mute">
            <Measures widthMm={panel.widthMm} heightMm={panel.heightMm} unit={settings.unit} /> ·{' '}
            {TECHNIQUE_WORDS[panel.technique]}
            {commission.due && ` · for ${dateWords(commission.due, settings.locale)}`}
            {commission.client && ` · ${commission.client}`}
          </p>
        </div>
        <div className="flex shrink-0 items-center gap-3 max-sm:w-full max-sm:justify-between max-sm:gap-2 print:hidden">
          <UndoButtons place={{ panelId: panel.id }} />
          <ClockButton view={view} />
        </div>
        <WayThrough view={view} step={step} />
      </header>
      {problem ? (
        <p role="alert" className="px-6 text-risk">
          {problem.message}
        </p>
      ) : (
        <Kept here={step}>
          <PanelViewHere value={view}>{shown}</PanelViewHere>
        </Kept>
      )}
    </div>
  );
}
