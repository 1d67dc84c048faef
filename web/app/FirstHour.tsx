import { Link } from 'react-router';
import { unpackPieces, type JobLine } from '#contract';
import { BEGINS } from '#core/bench';
import { useBench } from '../state/bench.ts';
import { useJobs, useRack, useStudio } from '../state/studio.ts';
import { Button } from '../ui/Button.tsx';

/** A studio that has done more than this has found its way. */
const YOUNG_STEPS = 150;

interface Step {
  readonly words: string;
  readonly to: string;
}

/** Leads an empty studio through its first small panel, one thing at a time, and steps aside when it is known. */
export function FirstHour() {
  const { data: studio } = useStudio();
  const knowsWay = useBench((bench) => bench.knowsWay);
  // The first screen of all says what comes before the first job.
  if (knowsWay || !studio?.hasJobs || studio.seq > YOUNG_STEPS) return null;
  return <WayOfFirst glasses={studio.glasses.length} />;
}

function WayOfFirst({ glasses }: { glasses: number }) {
  const { data: rack } = useRack();
  const { data } = useJobs();
  const knowWay = useBench((bench) => bench.knowWay);
  const [page] = data?.pages ?? [];
  const [job, second] = page?.inHand ?? [];
  // Once a job has left the studio, or a second one is begun, the way is known.
  if (!rack || !page || !job || second || page.past.length > 0) return null;
  const step = nextStep(glasses, rack.stock.length, job);
  return (
    <div
      role="note"
      aria-label="The first hour"
      className="flex flex-wrap items-center gap-x-4 border-b border-line bg-soft px-6 py-1 text-[16px] max-sm:px-4 print:hidden"
    >
      <span className="min-w-0 flex-1">
        <b className="font-head">First panel.</b> {step.words}
      </span>
      <Link to={step.to} className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4">
        Show me
      </Link>
      <Button look="quiet" onClick={knowWay}>
        I know my way
      </Button>
    </div>
  );
}

/** What comes next on the way of a first panel. */
function nextStep(glasses: number, sheets: number, { commission, panels }: JobLine): Step {
  const [glance] = panels;
  if (!glance) return { words: 'A job holds panels: add one, with its size.', to: `/jobs/${commission.id}` };
  const { panel } = glance;
  const at = (place: string) => `/panels/${panel.id}/${place}`;
  if (panel.cartoonId === null)
    return { words: 'Bring its drawing in, or try the small practice drawing.', to: at('cartoon') };
  if (glasses === 0) return { words: 'Enter a glass of your rack, with its code and colour.', to: '/rack?glass=1' };
  if (sheets === 0) return { words: 'Receive a sheet of it, with its label and size.', to: '/rack?receive=1' };
  const pieces = unpackPieces(glance.pieces);
  if (pieces.some((p) => p.glassId === null)) return { words: 'Choose the glass of its pieces.', to: at('glass') };
  if (pieces.some((p) => p.stage === BEGINS))
    return { words: 'Cut its pieces: tap some and press Cut, or type their numbers below.', to: at('bench') };
  const isSoldered = glance.soldered.front.length > 0;
  return isSoldered
    ? { words: 'Solder both sides joint by joint, finish it and deliver it.', to: at('finish') }
    : { words: 'Bring its pieces on from stage to stage until all are in place, then solder.', to: at('bench') };
}
