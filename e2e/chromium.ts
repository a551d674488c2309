import { existsSync } from 'node:fs';

/** The same browser without a window: journeys take two thirds of the time in it. */
const [SHELL, WHOLE] = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** How Chromium is started for the journeys. */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? (existsSync(SHELL) ? SHELL : WHOLE),
  args: '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'.split(
    ' ',
  ),
};

/** The same for journeys before a camera or a microphone, which only a browser with a window asks for. */
export const WITH_CAMERA = { ...CHROMIUM, executablePath: process.env.CHROMIUM ?? WHOLE };
