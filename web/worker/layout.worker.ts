import {
  checkLayout,
  checkWithStrips,
  Layouter,
  purchaseJob,
  stripsOrNot,
  type StripPlan,
  type Layout,
  type LayoutJob,
  type SheetSize,
} from '#core/layout';

/** One glass of a panel that is to be laid out. */
export interface LayoutWish {
  /** What it was asked under: another question has another key. */
  readonly key: string;
  readonly job: LayoutJob;
  /** In what size the glass is bought, where that is known. */
  readonly size: SheetSize | null;
  readonly prefersUse: boolean;
  readonly steps: number;
}

/** The best so far of one wish. */
export interface LayoutNews {
  readonly key: string;
  readonly layout: Layout;
  /** What the rack has no glass for, on new sheets; null where it has enough, or no size is known. */
  readonly bought: Layout | null;
  /** Equal pieces that are cut in strips, where that is better. */
  readonly strips: readonly StripPlan[];
  /** How much of the steps is done, 0 to 1. */
  readonly share: number;
}

const TELL_EVERY_MS = 300;
const STEPS_A_LOOK = 20;
const SEED = 1;

/** Looks for a layout and tells of it now and then. Each answer is looked at once more by the validator before it is told. */
function lookFor({ key, job, size, prefersUse, steps }: LayoutWish): void {
  const search = new Layouter(job, { seed: SEED, prefersUse });
  let told = performance.now();
  while (search.steps < steps && !search.isDone) {
    search.run(STEPS_A_LOOK);
    if (performance.now() - told < TELL_EVERY_MS) continue;
    told = performance.now();
    tell({ key, layout: held(job, search.best()), bought: null, strips: [], share: search.steps / steps });
  }
  const { layout, strips } = stripsOrNot(job, held(job, search.best()), { seed: SEED, prefersUse }, steps / 4);
  const [fault] = checkWithStrips(job, { layout, strips });
  if (fault !== undefined) throw new Error(`a layout does not hold: ${JSON.stringify(fault)}`);
  const short = new Set(layout.unplaced.filter((one) => one.code === 'no-glass').map((one) => one.pieceId));
  // A rack without a sheet of it takes nothing at all, and that is not the pieces' fault.
  const missing = job.sheets.length === 0 ? new Set(job.pieces.map((piece) => piece.id)) : short;
  const purchase = purchaseJob(job, missing, size);
  let bought: Layout | null = null;
  if (purchase !== null) {
    const second = new Layouter(purchase, { seed: SEED, prefersUse });
    second.run(steps / 4);
    bought = held(purchase, second.best());
  }
  tell({ key, layout, bought, strips, share: 1 });
}

function held(job: LayoutJob, layout: Layout): Layout {
  const [fault] = checkLayout(job, layout);
  if (fault !== undefined) throw new Error(`a layout does not hold: ${JSON.stringify(fault)}`);
  return layout;
}

const tell = (news: LayoutNews) => postMessage(news);

onmessage = ({ data }: MessageEvent<readonly LayoutWish[]>) => {
  for (const wish of data) lookFor(wish);
};
