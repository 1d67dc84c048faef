import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';

/** At the foot of an order that is gone through step by step: what is said of this step, and the way back and on. */
export function StepFoot({
  step,
  last,
  called,
  onStep,
  children,
}: {
  step: number;
  last: number;
  /** What is counted: a step, a piece. */
  called: string;
  onStep: (step: number) => void;
  children: ReactNode;
}) {
  return (
    <>
      {children}
      <div className="grid grid-cols-2 gap-2">
        <Button
          className="min-h-14"
          unless={step === 0 ? `This is the first ${called}.` : null}
          onClick={() => onStep(step - 1)}
        >
          <ChevronLeft aria-hidden size={20} /> Back
        </Button>
        <Button
          className="min-h-14"
          unless={step >= last ? `This is the last ${called}.` : null}
          onClick={() => onStep(step + 1)}
        >
          Next <ChevronRight aria-hidden size={20} />
        </Button>
      </div>
    </>
  );
}
