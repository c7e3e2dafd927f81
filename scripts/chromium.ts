/** How Debian's Chromium is started here: as root, with no network of its own. CHROMIUM names another one. */
export const CHROMIUM_LAUNCH = {
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
