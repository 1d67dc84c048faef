import { useSearchParams } from 'react-router';
import { usePanelView } from '../../panel/usePanelView.ts';
import { Toggles } from '../../ui/Toggles.tsx';
import { Fitting } from './fitting/Fitting.tsx';
import { Holding } from './holding/Holding.tsx';
import { JointsAndSteps } from './JointsAndSteps.tsx';
import { Repairs } from './repairs/Repairs.tsx';

const PARTS = [
  ['steps', 'Joints and steps'],
  ['hold', 'Edge and hanging'],
  ['fit', 'Fitting'],
  ['repair', 'Repairs'],
] as const;
type Part = (typeof PARTS)[number][0];

/** From the last piece in place to the wall: joints and steps, what holds it, how it is fitted, and cracks seen late. */
export function FinishStep() {
  const view = usePanelView();
  // In the address, so that a reload or a link comes back to it.
  const [params, setParams] = useSearchParams();
  const part: Part = PARTS.find(([id]) => id === params.get('part'))?.[0] ?? 'steps';
  return (
    <main className="flex min-h-0 flex-1 flex-col gap-4 overflow-y-auto px-6 pt-2 pb-4 max-md:px-4">
      <div className="flex flex-wrap print:hidden max-sm:[&_button]:px-2 max-sm:[&_button]:text-[14px]">
        <Toggles
          label="Part of the finish"
          value={part}
          options={PARTS}
          onPick={(id) => setParams(id === 'steps' ? {} : { part: id }, { replace: true })}
        />
      </div>
      {part === 'steps' && <JointsAndSteps view={view} />}
      {part === 'hold' && <Holding view={view} />}
      {part === 'fit' && <Fitting view={view} />}
      {part === 'repair' && <Repairs view={view} />}
    </main>
  );
}
