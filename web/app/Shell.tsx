import { Suspense, useEffect, useMemo, type ReactNode } from 'react';
import { Navigate, NavigationType, Route, Routes, UNSAFE_LocationContext, useLocation, type Path } from 'react-router';
import { Toaster } from 'sonner';
import { ApiError } from '../state/api.ts';
import { useBench } from '../state/bench.ts';
import { useLive, useStudio } from '../state/studio.ts';
import { LargeStepQuestion } from '../history/LargeStepQuestion.tsx';
import { StepsOnTheWay } from '../history/StepsOnTheWay.tsx';
import { Finder } from './Finder.tsx';
import { FirstHour } from './FirstHour.tsx';
import { HelpHere } from './help/HelpHere.tsx';
import { KeysHere } from './KeysHere.tsx';
import { useAhead } from './useAhead.ts';
import { useRolled } from './useRolled.ts';
import { useShellKeys } from './useShellKeys.ts';
import { useWaitsOver } from './useWaitsOver.ts';
import { Kept, type Place } from '../ui/Kept.tsx';
import { useTitle } from '../ui/useTitle.ts';
import { Mishap } from './Mishap.tsx';
import { Passcode } from './Passcode.tsx';
import { ownerOf, PANEL_PATH, placeAt, stepAt } from './places.tsx';
import { Rail } from './Rail.tsx';

/** The frame round every place: rail, live channel, messages. */
export function Shell() {
  const theme = useBench((s) => s.theme);
  const { data, error } = useStudio();
  const { pathname, search, hash } = useLocation();
  const here = useMemo(() => shownAt({ pathname, search, hash }), [pathname, search, hash]);
  const next = useAhead();
  const ahead = useMemo(() => next && shownAt(next), [next]);
  const rolled = useRolled(ownerOf(pathname));
  useLive();
  const [over, setOver] = useShellKeys();
  useWaitsOver();
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  if (error instanceof ApiError && error.code === 'passcode-needed') return <Passcode />;
  // At the bench the tally line takes the foot of the window.
  const hasLine = pathname.startsWith('/panels/');
  return (
    <>
      <a
        href="#work"
        className="absolute -top-20 left-2 z-50 rounded-md bg-copper px-4 py-3 font-semibold text-white focus:top-2"
        onClick={(event) => {
          event.preventDefault();
          document.getElementById('work')?.focus();
        }}
      >
        Skip to the work
      </a>
      <div className="grid h-dvh grid-cols-[76px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] overflow-hidden max-sm:grid-cols-1 max-sm:grid-rows-[minmax(0,1fr)_auto] print:block print:h-auto print:overflow-visible">
        <Rail onFind={() => setOver('finder')} onHelp={() => setOver('help')} />
        <div className="flex min-h-0 min-w-0 flex-col max-sm:order-first">
          <StepsOnTheWay />
          <FirstHour />
          <div
            {...rolled}
            id="work"
            className="relative min-h-0 min-w-0 flex-1 overflow-y-auto focus-visible:outline-none print:overflow-visible"
            tabIndex={0}
          >
            {data ? (
              <Kept here={here.name} ahead={ahead}>
                {here.content}
              </Kept>
            ) : (
              <Opening words={error ? error.message : 'Opening the studio …'} />
            )}
          </div>
        </div>
      </div>
      {over === 'finder' && <Finder onClose={() => setOver(null)} />}
      {over === 'keys' && <KeysHere pathname={pathname} onClose={() => setOver(null)} />}
      {over === 'help' && <HelpHere pathname={pathname} onKeys={() => setOver('keys')} onClose={() => setOver(null)} />}
      <LargeStepQuestion />
      {/* News lies where nothing is worked with, and a press goes through it to what is below. */}
      {/* It gives the focus back to where it came from: Tab would never come past it. */}
      <div className="contents" onFocusCapture={(event) => event.stopPropagation()}>
        <Toaster
          position="bottom-left"
          offset={{ left: 96, bottom: hasLine ? 128 : 20 }}
          mobileOffset={{ left: 16, bottom: hasLine ? 168 : 84 }}
          toastOptions={{
            style: {
              pointerEvents: 'none',
              fontFamily: 'var(--font-sans)',
              fontSize: 16,
              background: 'var(--raised)',
              color: 'var(--ink)',
              borderColor: 'var(--strong)',
            },
          }}
        />
      </div>
    </>
  );
}

/** What is seen at an address; each job and each panel is a place of its own. */
function shownAt(address: Path): Place {
  const { pathname } = address;
  const [path, { Here }] = placeAt(pathname) ?? ['*', { Here: NoPlace }];
  return {
    name: `${path} ${ownerOf(pathname)}`,
    content: (
      <Mishap place={pathname}>
        <Suspense fallback={<Opening words="Opening the place …" />}>
          <At address={address}>
            <Routes>
              <Route path={path} element={<Here />}>
                {path === PANEL_PATH && <Route path="*" element={<StepHere address={address} />} />}
              </Route>
            </Routes>
          </At>
        </Suspense>
      </Mishap>
    ),
  };
}

function Opening({ words }: { words: string }) {
  return (
    <p className="p-10 text-mute" role="status">
      {words}
    </p>
  );
}

/** A step of a panel, with the address that it was opened by: out of sight it does not follow the one that is seen. */
const StepHere = ({ address }: { address: Path }) => (
  <At address={address}>
    <Routes>
      <Route path="*" element={<StepAt address={address.pathname} />} />
    </Routes>
  </At>
);

/**
 * Holds what is drawn at the address that it was opened by. Routes that are given a location follow every other change
 * of address all the same, and each link in each place that is kept would be drawn anew.
 */
function At({ address, children }: { address: Path; children: ReactNode }) {
  const held = useMemo(
    () => ({ location: { ...address, state: null, key: 'default' }, navigationType: NavigationType.Push }),
    [address],
  );
  return <UNSAFE_LocationContext value={held}>{children}</UNSAFE_LocationContext>;
}

function StepAt({ address }: { address: string }) {
  const { step, isNamed } = stepAt(address);
  if (step) return <step.Here />;
  // A panel's own address leads to its bench.
  if (!isNamed) return <Navigate to={`${address.replace(/\/$/, '')}/bench`} replace />;
  return <p className="px-6 text-mute">There is no such step; choose one above.</p>;
}

function NoPlace() {
  useTitle('Not here');
  return (
    <main className="p-10">
      <h1 className="text-2xl">There is no such place in the studio</h1>
      <p className="mt-2 text-mute">Choose one on the left.</p>
    </main>
  );
}
