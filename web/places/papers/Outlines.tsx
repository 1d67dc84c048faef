import { useState } from 'react';
import { showFineLength, type DisplayUnit } from '#core/units';
import { outlineFile } from '../../state/papers.ts';
import { BUTTON_LOOKS } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { Slider } from '../../ui/Slider.tsx';
import { Toggles } from '../../ui/Toggles.tsx';

const MOST_KERF_MM = 2;
const STEP_MM = 0.05;

/** Cut outlines as files for a plotter or a paper cutter. */
export function Outlines({ panelId, unit }: { panelId: string; unit: DisplayUnit }) {
  const [arranged, setArranged] = useState<'panel' | 'rows'>('rows');
  const [kerfMm, setKerf] = useState(0);
  return (
    <Fold title="For a plotter or paper cutter">
      <div className="grid gap-3 pb-2">
        <p className="text-mute">Cut outlines, one layer a glass, true to scale.</p>
        <Toggles
          label="How they lie"
          value={arranged}
          options={[
            ['rows', 'In rows'],
            ['panel', 'As on the panel'],
          ]}
          onPick={setArranged}
        />
        <div>
          <p>The tool takes away {kerfMm === 0 ? 'nothing' : showFineLength(kerfMm, unit)}</p>
          <Slider
            label="What the tool takes away"
            value={kerfMm}
            most={MOST_KERF_MM}
            step={STEP_MM}
            said={showFineLength(kerfMm, unit)}
            onSlide={setKerf}
          />
        </div>
        <p className="flex flex-wrap gap-2">
          {(['svg', 'dxf'] as const).map((format) => (
            <a
              key={format}
              className={BUTTON_LOOKS.line}
              href={outlineFile(panelId, format, kerfMm, arranged)}
              download
            >
              Save as {format.toUpperCase()}
            </a>
          ))}
        </p>
      </div>
    </Fold>
  );
}
