import { existsSync } from 'node:fs';

/**
 * Chromium of Debian's packages. Its shell without windows does the same pages with a third less work; told to leave
 * letters unhinted, it sets text as screens of today do, with advances that are not whole pixels.
 */
export const chromiumHere = {
  executablePath: ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find(existsSync),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--font-render-hinting=none'],
};
