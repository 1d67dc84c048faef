import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** Nelvik opens without a network: the page as it was last loaded, over the answers that were last given. */
const offline = VitePWA({
  injectRegister: false,
  manifest: {
    name: 'Nelvik',
    short_name: 'Nelvik',
    description: 'Every numbered piece of a stained glass panel, from the drawing to the last joint.',
    start_url: '/',
    display: 'standalone',
    background_color: '#eef1f0',
    theme_color: '#262b2f',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any maskable' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,woff2,png}'],
    // The address of a place is the network's first, not the kept page's.
    directoryIndex: '',
    skipWaiting: true,
    clientsClaim: true,
    // With a server there, a reload always brings the page that belongs to it.
    navigateFallback: null,
    runtimeCaching: [
      {
        urlPattern: ({ request }) => request.mode === 'navigate',
        handler: 'NetworkFirst',
        options: { cacheName: 'nelvik-page', precacheFallback: { fallbackURL: '/index.html' } },
      },
      {
        urlPattern: ({ url, request }) =>
          request.method === 'GET' &&
          url.pathname.startsWith('/api/') &&
          !/^\/api\/(live|export|copies|opening|enter|labels)/.test(url.pathname),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'nelvik-answers',
          cacheableResponse: { statuses: [200] },
          expiration: { maxEntries: 400, purgeOnQuotaError: true },
        },
      },
    ],
  },
});

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** `--mode parts` builds the page of all parts instead, for looking and for tests; users never get it. */
export default defineConfig(({ mode }) => ({
  root: at('./web'),
  plugins: [react({ compiler: true }), tailwindcss(), ...(mode === 'parts' ? [] : [offline])],
  worker: { format: 'es' },
  build:
    mode === 'parts'
      ? { outDir: at('./dist/parts'), emptyOutDir: true, rollupOptions: { input: at('./web/parts/index.html') } }
      : { outDir: at('./dist/web'), emptyOutDir: true },
}));
