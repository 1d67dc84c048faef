import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { HELP, placeAt } from './help.ts';
import { HelpPicture } from './HelpPicture.tsx';

/** What the place that is open is for, with a picture of it. */
export function HelpHere({ pathname, onKeys, onClose }: { pathname: string; onKeys: () => void; onClose: () => void }) {
  const place = placeAt(pathname);
  const { title, lines } = HELP[place];
  return (
    <Sheet title={title} open onClose={onClose}>
      <HelpPicture place={place} />
      <div className="grid gap-3 text-[17px]">
        {lines.map((line) => (
          <p key={line}>{line}</p>
        ))}
      </div>
      <Button onClick={onKeys}>The keys of this place</Button>
    </Sheet>
  );
}
