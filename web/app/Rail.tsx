import { CircleHelp, FileStack, Scale, Search, SlidersHorizontal, Sun, type LucideProps } from 'lucide-react';
import { NavLink } from 'react-router';
import { useBench } from '../state/bench.ts';
import { useStudio } from '../state/studio.ts';
import { Menu, MenuItem, MenuLine, MenuTitle } from '../ui/Menu.tsx';

/** The rack alone is of the trade: sheets on edge in their slots. */
function SheetsOnEdge({ size, ...rest }: LucideProps) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.6}
      strokeLinejoin="round"
      {...rest}
    >
      <path d="M2 20h20M5 20V5l3 1v14M11 20V4h3v16M17 20V7l3-1v14" />
    </svg>
  );
}

const PLACES = [
  ['/', 'Today', Sun],
  ['/jobs', 'Jobs', FileStack],
  ['/rack', 'Rack', SheetsOnEdge],
  ['/reckoning', 'Reckoning', Scale],
  ['/setup', 'Setup', SlidersHorizontal],
] as const;

export function Rail({ onFind, onHelp }: { onFind: () => void; onHelp: () => void }) {
  return (
    <nav
      aria-label="Places"
      className="flex flex-col items-center gap-0.5 bg-rail pt-4 pb-3 text-[var(--rail-words)] max-sm:flex-row max-sm:py-0 print:hidden sm:[@media(max-height:620px)]:overflow-y-auto sm:[@media(max-height:620px)]:overflow-x-hidden"
    >
      <span aria-hidden className="mb-3 font-head text-2xl text-[var(--rail-mark)] max-sm:hidden">
        N
      </span>
      {PLACES.map(([to, name, Icon]) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          className={({ isActive }) =>
            `relative flex w-full flex-col items-center gap-1 py-2.5 text-[12.5px] hover:text-white ${isActive ? 'bg-black/35 text-white max-sm:after:hidden after:absolute after:top-1/2 after:-right-1 after:-mt-1 after:size-2.5 after:rounded-full after:bg-[radial-gradient(circle_at_35%_30%,var(--bright),var(--tin-mid)_55%,var(--tin-dark))]' : ''}`
          }
        >
          <Icon aria-hidden size={24} strokeWidth={1.6} />
          {name}
        </NavLink>
      ))}
      <button
        type="button"
        onClick={onFind}
        aria-keyshortcuts="Control+K"
        className="mt-auto flex w-full flex-col items-center gap-1 py-2.5 text-[12.5px] hover:text-white max-sm:hidden"
      >
        <Search aria-hidden size={22} strokeWidth={1.6} />
        Find
      </button>
      <button
        type="button"
        onClick={onHelp}
        className="flex w-full flex-col items-center gap-1 py-2 text-[12.5px] hover:text-white max-sm:hidden"
      >
        <CircleHelp aria-hidden size={22} strokeWidth={1.6} />
        Help
      </button>
      <WhoWorks onHelp={onHelp} />
    </nav>
  );
}

/** Who stands at this screen: what is done here is entered under that name. */
function WhoWorks({ onHelp }: { onHelp: () => void }) {
  const { data } = useStudio();
  const { personId, sitDown, theme, setTheme } = useBench();
  const people = (data?.people ?? []).filter((p) => p.active && p.away === null);
  const person = people.find((p) => p.id === personId);
  return (
    <Menu
      side="right"
      button={
        <button
          type="button"
          className="flex min-h-14 w-full flex-col items-center justify-center gap-0.5 text-[12.5px]  text-[var(--rail-words)] hover:text-white"
        >
          <span className="grid size-8 place-items-center rounded-full bg-copper font-head text-white">
            {person?.initial ?? '–'}
          </span>
          <span className="max-w-full truncate max-sm:text-[11.5px]">{person?.name ?? 'Who works?'}</span>
        </button>
      }
    >
      <MenuTitle>At this bench</MenuTitle>
      {people.map((p) => (
        <MenuItem key={p.id} onPick={() => sitDown(p.id)}>
          {p.name}
          {p.id === personId && <span className="ml-auto text-mute">here</span>}
        </MenuItem>
      ))}
      {data && people.length === 0 && (
        <p className="max-w-52 px-3 pb-2 text-[15px]">Nobody is entered yet. Add people under Setup.</p>
      )}
      <MenuLine />
      <MenuItem onPick={onHelp}>What this place is for</MenuItem>
      <MenuItem onPick={() => setTheme(theme === 'dark' ? 'light' : 'dark')}>
        {theme === 'dark' ? 'By daylight' : 'By lamplight'}
      </MenuItem>
    </Menu>
  );
}
