import { Button } from '../../ui/Button.tsx';
import { Flow } from './modes/Flow.tsx';
import { Look } from './modes/Look.tsx';
import { Numbers } from './modes/Numbers.tsx';
import { Profile } from './modes/Profile.tsx';
import { Sections } from './modes/Sections.tsx';
import { Size } from './modes/Size.tsx';
import { TakeLine } from './modes/TakeLine.tsx';
import type { ModeProps } from './modes/ModeProps.ts';

/** What belongs to the mode in hand. */
export function ModePanel(props: ModeProps) {
  switch (props.desk.mode) {
    case 'look':
      return <Look {...props} />;
    case 'add-line':
    case 'move-node':
      return props.desk.taps.length > 0 || props.desk.node !== null ? (
        <Button onClick={props.desk.clear}>Begin again</Button>
      ) : null;
    case 'take-line':
      return <TakeLine {...props} />;
    case 'profile':
      return <Profile {...props} />;
    case 'flow':
      return <Flow {...props} />;
    case 'sections':
      return <Sections {...props} />;
    case 'numbers':
      return <Numbers {...props} />;
    case 'size':
      return <Size {...props} />;
  }
}
