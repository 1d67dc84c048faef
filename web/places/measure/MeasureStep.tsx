import { evenOutside, finishedSize, fitsInto, innerOffset, outsideOf, rimCode } from '#core/sizing';
import { showLength } from '#core/units';
import { usePanelView } from '../../panel/usePanelView.ts';
import { BorderSection } from './BorderSection.tsx';
import { Growth } from './Growth.tsx';
import { LineSection } from './LineSection.tsx';
import { MeasureForm } from './MeasureForm.tsx';
import { SetMaker } from './SetMaker.tsx';
import { useMeasures } from './useMeasures.ts';

/** What the panel is, the opening it goes into and what its lines take up, drawn as sections with every number named. */
export function MeasureStep() {
  const view = usePanelView();
  const { panel, answer } = view;
  const measures = useMeasures(view);
  const { unit, allowance, wanted, outside, isSound, technique } = measures;
  const finished = finishedSize(panel, answer ? outsideOf(answer.cartoon, allowance) : evenOutside(allowance));
  const size = (s: { widthMm: number; heightMm: number }) =>
    `${showLength(s.widthMm, unit, 1)} × ${showLength(s.heightMm, unit, 1)}`;
  return (
    <main className="grid flex-1 content-start gap-x-12 gap-y-8 overflow-y-auto px-6 py-6 xl:grid-cols-[380px_1fr]">
      <MeasureForm panel={panel} m={measures} />
      <div className="grid min-w-0 content-start gap-8">
        {outside && (
          <p className="max-w-xl text-[17px]" data-testid="fits">
            The opening takes a panel of <b>{size(outside)}</b>.{' '}
            {answer &&
              (fitsInto(finished, outside) ? (
                `This one finishes at ${size(finished)} and fits.`
              ) : (
                <span className="text-risk">This one finishes at {size(finished)}: too large.</span>
              ))}
          </p>
        )}
        {isSound && (
          <div className="grid gap-8 2xl:grid-cols-2">
            <BorderSection
              allowance={allowance}
              code={answer ? rimCode(answer.cartoon) : null}
              opening={wanted}
              unit={unit}
            />
            <LineSection
              unit={unit}
              technique={technique}
              offsetMm={innerOffset(allowance)}
              faceMm={technique === 'lead' ? allowance.faceMm : 5}
              heartMm={technique === 'lead' ? allowance.heartMm : allowance.gapMm}
            />
          </div>
        )}
        {isSound && answer && <Growth answer={answer} allowance={allowance} unit={unit} />}
        {answer && <SetMaker view={view} />}
      </div>
    </main>
  );
}
