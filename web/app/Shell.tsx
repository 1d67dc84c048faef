import { useEffect } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { Toaster } from 'sonner';
import { CommissionList } from '../places/commissions/CommissionList.tsx';
import { CommissionPage } from '../places/commissions/CommissionPage.tsx';
import { PanelPage } from '../places/panel/PanelPage.tsx';
import { Rack } from '../places/rack/Rack.tsx';
import { Reckoning } from '../places/reckoning/Reckoning.tsx';
import { Setup } from '../places/setup/Setup.tsx';
import { Today } from '../places/today/Today.tsx';
import { ApiError } from '../state/api.ts';
import { useBench } from '../state/bench.ts';
import { useLive, useStudio } from '../state/studio.ts';
import { Passcode } from './Passcode.tsx';
import { Rail } from './Rail.tsx';

/** The frame round every place: rail, live channel, messages. */
export function Shell() {
  const theme = useBench((s) => s.theme);
  const { data, error } = useStudio();
  useLive();
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  if (error instanceof ApiError && error.code === 'passcode-needed') return <Passcode />;
  return (
    <>
      <div className="grid h-dvh grid-cols-[76px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] overflow-hidden">
        <Rail />
        <div className="relative min-h-0 min-w-0 overflow-y-auto focus-visible:outline-none" tabIndex={0}>
          {data ? (
            <Routes>
              <Route path="/" element={<Today />} />
              <Route path="/commissions" element={<CommissionList />} />
              <Route path="/commissions/:commissionId" element={<CommissionPage />} />
              <Route path="/panels/:panelId" element={<Navigate to="bench" replace />} />
              <Route path="/panels/:panelId/:step" element={<PanelPage />} />
              <Route path="/rack" element={<Rack />} />
              <Route path="/reckoning" element={<Reckoning />} />
              <Route path="/setup" element={<Setup />} />
              <Route path="*" element={<NoPlace />} />
            </Routes>
          ) : (
            <p className="p-10 text-mute" role="status">
              {error ? error.message : 'Opening the studio …'}
            </p>
          )}
        </div>
      </div>
      <Toaster
        position="top-center"
        toastOptions={{
          style: {
            fontFamily: 'var(--font-sans)',
            fontSize: 16,
            background: 'var(--raised)',
            color: 'var(--ink)',
            borderColor: 'var(--strong)',
          },
        }}
      />
    </>
  );
}

function NoPlace() {
  return (
    <main className="p-10">
      <h1 className="text-2xl">There is no such place in the studio</h1>
      <p className="mt-2 text-mute">Choose one on the left.</p>
    </main>
  );
}
