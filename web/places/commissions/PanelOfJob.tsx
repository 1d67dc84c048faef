import { CopyPlus, Pencil } from 'lucide-react';
import { Link } from 'react-router';
import { unpackPieces, type Glance, type StudioAnswer } from '#contract';
import type { PanelRow, Settings } from '#core/bench';
import type { Sketch } from '#core/cartoon';
import type { Glass } from '#core/stock';
import { count } from '#core/units';
import { nextThing, TECHNIQUE_WORDS } from '#core/words';
import { AwayMenu } from '../../history/AwayMenu.tsx';
import { BringBackButton } from '../../history/BringBackButton.tsx';
import { SmallPicture } from '../../panel/SmallPicture.tsx';
import { standingIn } from '../../panel/standing.ts';
import { Measures } from '../../ui/Length.tsx';
import { MenuItem } from '../../ui/Menu.tsx';

/** One panel on the page of its job: as it stands, what comes next, and what may be done with it. */
export function PanelOfJob({
  glance,
  studio,
  settings,
  sketch,
  glasses,
  pxPerMm,
  roomHigh,
  onChange,
  onDuplicate,
}: {
  glance: Glance;
  studio: StudioAnswer;
  settings: Settings;
  sketch: Sketch | undefined;
  glasses: ReadonlyMap<string, Glass>;
  pxPerMm: number;
  roomHigh: number;
  onChange: (panel: PanelRow) => void;
  onDuplicate: (panel: PanelRow, route: string) => void;
}) {
  const panel = standingIn(studio, glance);
  const next = nextThing(panel, unpackPieces(glance.pieces));
  const to = `/panels/${panel.id}/${panel.cartoonId ? 'bench' : 'cartoon'}`;
  const isAway = panel.away !== null;
  return (
    <li className="max-w-[440px]">
      <Link
        to={to}
        className={`flex items-end ${isAway ? 'opacity-60' : ''}`}
        style={{ minHeight: roomHigh }}
        aria-label={`${panel.name}: to the bench`}
      >
        <SmallPicture panel={panel} pieces={glance.pieces} sketch={sketch} glasses={glasses} pxPerMm={pxPerMm} />
      </Link>
      <div className="mt-3 flex items-start gap-4">
        <h2 className="min-w-0 flex-1 pt-2.5 text-[18px] leading-snug">
          <Link to={to}>{panel.name}</Link>
        </h2>
        {isAway ? (
          <BringBackButton of={{ table: 'panels', id: panel.id, name: panel.name }} />
        ) : (
          <AwayMenu of={{ table: 'panels', id: panel.id, name: panel.name }}>
            <MenuItem onPick={() => onChange(glance.panel)}>
              <Pencil aria-hidden size={18} className="text-mute" /> Name and size
            </MenuItem>
            <MenuItem onPick={() => onDuplicate(glance.panel, panel.route.key)}>
              <CopyPlus aria-hidden size={18} className="text-mute" /> Duplicate
            </MenuItem>
          </AwayMenu>
        )}
      </div>
      <p className="text-[15px] text-mute">
        <Measures widthMm={panel.widthMm} heightMm={panel.heightMm} unit={settings.unit} /> ·{' '}
        {TECHNIQUE_WORDS[panel.technique]} · {count(panel.pieceCount, 'piece')}
      </p>
      <p className="max-w-72 text-[15px]">
        {isAway ? (
          <span className="text-mute">Archived.</span>
        ) : (
          <>
            {next.before}
            <b className="text-copper-ink">{next.strong}</b>
            {next.after}
          </>
        )}
      </p>
    </li>
  );
}
