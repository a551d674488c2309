import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test';
import { freePort, Server } from '../e2e/server';

export const PHONE = { width: 390, height: 844 };
const ARGS =
  '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --enable-precise-memory-info';

export interface Open {
  readonly page: Page;
  readonly cdp: CDPSession;
  readonly server: Server;
  readonly close: () => Promise<void>;
}

/**
 * The real app on a server of its own, signed in, in a browser of phone size.
 *
 * @param more how else the browser is started
 */
export async function openApp(more: readonly string[] = []): Promise<Open> {
  const server = new Server(await freePort());
  await server.start();
  const browser: Browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [...ARGS.split(' '), ...more],
  });
  const context = await browser.newContext({ viewport: PHONE, baseURL: server.url, locale: 'en-GB' });
  const page = await context.newPage();
  await page.request.post('/api/v1/account/sign-in', {
    data: { email: 'head@upwell.example', password: 'quiet-water-demo' },
  });
  const cdp = await context.newCDPSession(page);
  return {
    page,
    cdp,
    server,
    close: async () => {
      await browser.close();
      await server.stop();
    },
  };
}
