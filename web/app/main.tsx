import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { keepForOffline } from '../state/offline.ts';
import { panelAsked } from '../state/studio.ts';
import { KEPT_MS } from '../ui/Kept.tsx';
import { fetchAt, fetchPlaces, panelAt } from './places.tsx';
import { Shell } from './Shell.tsx';
import { Hints } from '../ui/Hint.tsx';
import './theme.css';

const client = new QueryClient({
  defaultOptions: {
    // A place that is kept out of sight finds its answers again: without them it would begin anew.
    queries: { refetchOnWindowFocus: true, staleTime: 10_000, gcTime: KEPT_MS + 5 * 60_000 },
  },
});

keepForOffline();
const { pathname } = window.location;
void fetchAt(pathname);
const panelId = panelAt(pathname);
if (panelId !== undefined) void client.prefetchQuery(panelAsked(panelId));

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <Hints>
          <Shell />
        </Hints>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);

fetchPlaces();
