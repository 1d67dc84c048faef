import { useState } from 'react';
import { CopyPlus } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import type { PanelRow } from '#core/bench';
import { showMinutes, showMoney } from '#core/units';
import { AwayMenu } from '../../history/AwayMenu.tsx';
import { BringBackButton } from '../../history/BringBackButton.tsx';
import { MishapList } from '../../labour/MishapList.tsx';
import { standingIn } from '../../panel/standing.ts';
import { useCommission, useSettings, useSketches, useStudio } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { NotHere } from '../../ui/NotHere.tsx';
import { dateWords } from '../../ui/dates.ts';
import { MenuItem } from '../../ui/Menu.tsx';
import { useTitle } from '../../ui/useTitle.ts';
import { Notes } from '../../notes/Notes.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { CommissionForm } from './CommissionForm.tsx';
import { PanelForm } from './PanelForm.tsx';
import { PanelOfJob } from './PanelOfJob.tsx';
import { useDuplicate } from './useDuplicate.ts';

/** One commission: its panels as they stand, what comes next, what it has taken. */
export function CommissionPage() {
  const { commissionId } = useParams();
  const { data: studio } = useStudio();
  const { data, isPending } = useCommission(commissionId);
  const settings = useSettings();
  const navigate = useNavigate();
  const duplicate = useDuplicate();
  const [changed, setChanged] = useState<PanelRow | null>(null);
  const [sheet, setSheet] = useState<'panel' | 'edit' | null>(null);
  const panels = data?.panels ?? [];
  useTitle(data?.commission?.title, 'Job');
  const sketches = useSketches(panels.map((p) => p.panel.cartoonId));
  if (isPending || !studio) return null;
  const commission = data?.commission;
  if (!commission || !data) return <NotHere what="job" />;
  const again = async () => {
    const rows = panels
      .filter((p) => p.panel.away === null)
      .map((glance) => ({ row: glance.panel, route: standingIn(studio, glance).route.key }));
    const id = await duplicate.job(commission, rows);
    if (id !== null) void navigate(`/jobs/${id}`);
  };
  const glasses = new Map(studio.glasses.map((g) => [g.id, g]));
  const nameOf = (panelId: string) => panels.find((p) => p.panel.id === panelId)?.panel.name ?? '';
  const tallest = Math.max(0, ...panels.map((p) => p.panel.heightMm));
  const pxPerMm = Math.min(
    0.6,
    300 / Math.max(200, tallest),
    760 /
      Math.max(
        300,
        panels.reduce((sum, p) => sum + p.panel.widthMm, 0),
      ),
  );
  return (
    <main className="mx-auto max-w-6xl px-10 py-6 max-sm:px-4">
      <header className="flex flex-wrap items-start gap-4">
        <div className="min-w-0 flex-1 max-sm:basis-full">
          <h1 className="text-[28px]">{commission.title}</h1>
          <p className="text-mute">
            {commission.client ? `for ${commission.client}` : 'no client entered'}
            {commission.due && ` · due ${dateWords(commission.due, settings.locale)}`}
          </p>
          {commission.away !== null && <p className="mt-1 font-semibold">Archived: it takes no work.</p>}
          {commission.note && <p className="mt-2 max-w-prose">{commission.note}</p>}
        </div>
        {commission.away === null ? (
          <>
            <AwayMenu
              of={{ table: 'commissions', id: commission.id, name: commission.title }}
              onGone={() => void navigate('/jobs')}
            >
              <MenuItem onPick={() => void again()}>
                <CopyPlus aria-hidden size={18} className="text-mute" /> Duplicate
              </MenuItem>
            </AwayMenu>
            <Button onClick={() => setSheet('edit')}>Change</Button>
            <Button look={panels.length === 0 ? 'go' : 'plain'} onClick={() => setSheet('panel')}>
              Add a panel
            </Button>
          </>
        ) : (
          <BringBackButton of={{ table: 'commissions', id: commission.id, name: commission.title }} />
        )}
      </header>
      {panels.length === 0 && (
        <p className="py-16 text-center text-[17px] text-mute">
          A job holds one panel or a set. Add the first one, then bring in its drawing.
        </p>
      )}
      <ol className="mt-6 flex flex-wrap gap-x-10 gap-y-8">
        {panels.map((glance, i) => (
          <PanelOfJob
            key={glance.panel.id}
            glance={glance}
            studio={studio}
            settings={settings}
            sketch={sketches[i]}
            glasses={glasses}
            pxPerMm={pxPerMm}
            roomHigh={tallest * pxPerMm}
            onChange={setChanged}
            onDuplicate={(row, route) => void duplicate.panel(row, route, commission.id, `${row.name}, again`)}
          />
        ))}
      </ol>
      {panels.length > 0 && (
        <section className="mt-10 grid gap-10 border-t border-line pt-5 md:grid-cols-2">
          <div>
            <h2 className="mb-2 text-xl">So far</h2>
            <p className="text-[17px]">
              <b>{showMinutes(data.labour.minutes)}</b> of work,{' '}
              <b>{showMoney(data.labour.cents, settings.currency, settings.locale)}</b>.{' '}
              {panels.map(({ panel: p }) => (
                <Link
                  key={p.id}
                  className="mr-3 underline decoration-line underline-offset-4"
                  to={`/panels/${p.id}/hours`}
                >
                  {panels.length > 1 ? `${p.name}, hours` : 'Hours & cost'}
                </Link>
              ))}
            </p>
          </div>
          <div>
            <h2 className="mb-2 text-xl">Recuts</h2>
            <MishapList
              mishaps={data.mishaps}
              glasses={glasses}
              settings={settings}
              {...(panels.length > 1 ? { nameOf } : {})}
            />
          </div>
        </section>
      )}
      <section className="mt-8 max-w-xl border-t border-line pt-4">
        <h2 className="mb-2 text-xl">Notes and photos</h2>
        <Notes about="job" id={commission.id} of="the job" />
      </section>
      <Sheet title="Add a panel" open={sheet === 'panel'} onClose={() => setSheet(null)}>
        <PanelForm
          commissionId={commission.id}
          unit={settings.unit}
          names={panels.map((p) => p.panel.name)}
          done={(id) => void navigate(`/panels/${id}/cartoon`)}
        />
      </Sheet>
      <Sheet title={changed ? changed.name : ''} open={changed !== null} onClose={() => setChanged(null)}>
        {changed && (
          <PanelForm
            commissionId={commission.id}
            unit={settings.unit}
            names={[]}
            entry={changed}
            done={() => setChanged(null)}
          />
        )}
      </Sheet>
      <Sheet title="Change the job" open={sheet === 'edit'} onClose={() => setSheet(null)}>
        <CommissionForm entry={commission} done={() => setSheet(null)} />
      </Sheet>
    </main>
  );
}
