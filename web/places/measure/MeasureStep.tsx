import { innerOffset, rimCode } from '#core/sizing';
import { usePanelView } from '../../panel/usePanelView.ts';
import { BorderSection } from './BorderSection.tsx';
import { Fits } from './Fits.tsx';
import { Growth } from './Growth.tsx';
import { LineSection } from './LineSection.tsx';
import { MeasureForm, USUAL_BORDERS } from './MeasureForm.tsx';
import { SetMaker } from './SetMaker.tsx';
import { useMeasures } from './useMeasures.ts';

/** What the panel is, the opening it goes into and what its lines take up, drawn as sections with every number named. */
export function MeasureStep() {
  const view = usePanelView();
  const { panel, answer } = view;
  const measures = useMeasures(view, USUAL_BORDERS);
  const { unit, allowance, wanted, technique, begun } = measures;
  return (
    <main className="grid flex-1 content-start gap-x-12 gap-y-8 overflow-y-auto px-6 py-6 max-sm:px-4 lg:grid-cols-[340px_1fr]">
      <MeasureForm panel={panel} m={measures} />
      <div className="grid min-w-0 content-start gap-8">
        {allowance && wanted && <Fits view={view} allowance={allowance} opening={wanted} begun={begun} />}
        {allowance ? (
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
        ) : (
          <p className="text-mute">The sections are drawn as soon as every measure is one.</p>
        )}
        {allowance && answer && <Growth answer={answer} allowance={allowance} unit={unit} />}
        {answer && <SetMaker view={view} />}
      </div>
    </main>
  );
}
