/** How a browser without a screen is started here: nothing is fetched from anywhere but this machine. */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--enable-unsafe-swiftshader',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // A name of the studio's network, for what browsers allow on this very computer alone.
    '--host-resolver-rules=MAP bench.example 127.0.0.1 , MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
  ],
};
