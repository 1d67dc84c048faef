import { existsSync } from 'node:fs';

/** Debian's packages of it, the lighter one first: it draws pages alone, and no window round them. */
export const PACKAGES = ['chromium-headless-shell', 'chromium'];
const places = PACKAGES.map((name) => `/usr/bin/${name}`);

/** Where it is on this machine; null where it is not. */
export const chromiumHere = () => [process.env.CHROMIUM_PATH, ...places].find((at) => at && existsSync(at)) ?? null;

/** How a browser without a screen is started here: nothing is fetched from anywhere but this machine. */
export const CHROMIUM = {
  executablePath: chromiumHere() ?? places[0],
  args: [
    '--no-sandbox',
    '--enable-unsafe-swiftshader',
    '--disable-quic',
    '--no-first-run',
    // As one with a window has them.
    '--accept-lang=en-US,en',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // A name of the studio's network, for what browsers allow on this very computer alone.
    '--host-resolver-rules=MAP bench.example 127.0.0.1 , MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
  ],
};
