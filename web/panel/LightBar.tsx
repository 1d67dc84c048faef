import { ImageDown } from 'lucide-react';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import type { Panel } from '#core/bench';
import { useLight } from '../state/light.ts';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { Slider } from '../ui/Slider.tsx';
import { Switch } from '../ui/Switch.tsx';

const KINDS = [
  ['clear', 'Clear day'],
  ['overcast', 'Overcast'],
  ['dusk', 'Dusk'],
  ['lamp', 'Lamp inside'],
  ['table', 'Light table'],
] as const;
type Kind = (typeof KINDS)[number][0];

/** Height of a picture that is sent to a client, px. */
const FILE_PX = 2400;

const wordsOf = (kind: Kind): string => (KINDS.find(([id]) => id === kind)?.[1] ?? kind).toLowerCase();

/** In what light the panel hangs, whether the room is lit, another light beside it, and a picture of it to take along. */
export function LightBar({
  panel,
  other = null,
  fileOf,
}: {
  panel: Pick<Panel, 'name'>;
  /** What stands beside it instead of another light, such as another choice of glass. */
  other?: string | null;
  fileOf: (heightPx: number) => Promise<Blob | null> | undefined;
}) {
  const { kind, roomLit, beside, from, setKind, setRoomLit, setBeside, setFrom } = useLight();
  const id = useId();
  const [saving, setSaving] = useState(false);
  const save = async () => {
    setSaving(true);
    const blob = await fileOf(FILE_PX);
    setSaving(false);
    if (!blob) return void toast('The picture could not be painted: try again in a moment.');
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = `${panel.name}, ${wordsOf(kind)}.png`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };
  return (
    <div className="flex items-center gap-x-4 overflow-x-auto border-t border-line bg-sheet px-4 py-1.5 whitespace-nowrap max-[820px]:pr-24 xl:px-6 print:hidden">
      <div className="flex items-center gap-2 text-[15px]">
        <label htmlFor={`${id}-light`}>Light</label>
        <Choice<Kind>
          ids={{ id: `${id}-light` }}
          value={kind}
          options={KINDS.map(([value, text]) => ({ value, text: text.toLowerCase() }))}
          onChoice={setKind}
          className="w-36"
        />
      </div>
      <Switch on={roomLit} onTurn={setRoomLit}>
        Room lit
      </Switch>
      <div className="flex items-center gap-2 text-[15px]">
        <label htmlFor={`${id}-beside`}>Beside it</label>
        <Choice<Kind | 'none'>
          ids={{ id: `${id}-beside` }}
          value={beside ?? 'none'}
          options={[
            { value: 'none', text: 'nothing' },
            ...KINDS.filter(([id]) => id !== kind).map(([value, text]) => ({ value, text: text.toLowerCase() })),
          ]}
          onChoice={(next) => setBeside(next === 'none' ? null : next)}
          className="w-36"
        />
      </div>
      {(other !== null || beside !== null) && (
        <Slider
          label={`Where ${other === null ? wordsOf(kind) : 'this choice'} ends and ${other ?? wordsOf(beside ?? kind)} begins`}
          value={from}
          said={`${Math.round(from * 100)} % ${other === null ? wordsOf(kind) : 'of this choice'}`}
          onSlide={setFrom}
          className="max-w-72 min-w-28 flex-1"
        />
      )}
      <Button
        look="line"
        className="ml-auto shrink-0"
        aria-label="Save as a picture"
        onClick={() => void save()}
        unless={saving ? 'It is being painted.' : null}
      >
        <ImageDown aria-hidden size={19} /> Picture
      </Button>
    </div>
  );
}
