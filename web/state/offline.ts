/** The name under which the service worker keeps answers (vite.config.ts). */
const ANSWERS = 'nelvik-answers';
const RELOADED_AT = 'nelvik-reloaded-at';
/** Loading anew did not help if it was so short a time ago. */
const NOT_AGAIN_MS = 60_000;

/** So long after the page has come its parts are kept for when there is no network. */
const LATER_MS = 1500;

let unasked = 0;

/** Fetches a part of the page that nobody waits for. It may fail without a word: it is fetched again when it is wanted. */
export async function fetchUnasked(fetch: () => Promise<void>): Promise<boolean> {
  unasked++;
  try {
    await fetch();
    return true;
  } catch {
    return false;
  } finally {
    unasked--;
  }
}

/** Does something while there is nothing else to do; the answer takes it back as long as it was not done. */
export function atRest(go: () => void): () => void {
  if ('requestIdleCallback' in window) {
    const asked = requestIdleCallback(go, { timeout: 2000 });
    return () => cancelIdleCallback(asked);
  }
  const timer = setTimeout(go, 50);
  return () => clearTimeout(timer);
}

/** Lets the page open without a network from now on, where the browser allows it: on this computer, or by HTTPS. */
export function keepForOffline(): void {
  // A part of a page that the server no longer has: it was brought up to date meanwhile.
  window.addEventListener('vite:preloadError', (event) => {
    // What is fetched at rest, and does not come, is wanted by nobody yet: the page with all that is typed in it stays.
    if (unasked > 0) return event.preventDefault();
    if (!mayReload()) return;
    event.preventDefault();
    window.location.reload();
  });
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  // What is kept for later is fetched after what is looked at now: a browser asks one server for a few things at a time.
  const keep = () =>
    setTimeout(() => {
      navigator.serviceWorker.register('/sw.js').catch((error: unknown) => {
        console.warn('The page cannot be kept for when there is no network; it opens with the server alone.', error);
      });
    }, LATER_MS);
  if (document.readyState === 'complete') keep();
  else window.addEventListener('load', keep, { once: true });
}

/** What is kept of the studio in this browser goes when somebody logs out. */
export async function forgetAnswers(): Promise<void> {
  if ('caches' in window) await caches.delete(ANSWERS);
}

/** Notes that the page is loaded anew now. False where that was done a short time ago, or where nothing can be noted. */
function mayReload(): boolean {
  const now = Date.now();
  try {
    if (now - Number(sessionStorage.getItem(RELOADED_AT) ?? 0) < NOT_AGAIN_MS) return false;
    sessionStorage.setItem(RELOADED_AT, String(now));
    return true;
  } catch {
    return false;
  }
}
