import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { test as base, expect, type Page } from '@playwright/test';
import type { SessionView } from '@upwell/contract/sessions';
import { freePort, Server } from './server';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface AxeResult {
  readonly violations: readonly {
    readonly id: string;
    readonly impact: string | null;
    readonly nodes: readonly { readonly html: string }[];
  }[];
}

export { freePort };

interface Fixtures {
  /** Lets a test that cuts the network say so: failed requests are then expected on the console. */
  readonly quiet: { networkErrors: boolean };
  /** Pages on other devices are gone when a journey ends, and ask nothing while the next one is made. */
  readonly alone: void;
}

/** What a browser says of a request without a network, and of a look for a newer app that the loss of it interrupted. */
const NETWORK_ERROR = /^(Failed to load resource|An unknown error occurred when fetching the script)/;

export const test = base.extend<Fixtures, { server: Server }>({
  server: [
    async ({}, use) => {
      const server = new Server(await freePort());
      await server.start();
      await use(server);
      await server.stop();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ server }, use) => use(server.url),
  quiet: async ({}, use) => use({ networkErrors: false }),
  alone: [
    async ({ browser }, use) => {
      await use();
      for (const context of browser.contexts()) await context.close();
    },
    { auto: true },
  ],
  page: async ({ page, server, quiet }, use) => {
    const troubles: string[] = [];
    page.on('console', (message) => {
      const networkError = NETWORK_ERROR.test(message.text());
      if (message.type() === 'error' && !(quiet.networkErrors && networkError))
        troubles.push(`console: ${message.text()} ${message.location().url}`);
    });
    page.on('pageerror', (error) => troubles.push(`page: ${error.message}`));
    page.on('request', (request) => {
      const { protocol, host } = new URL(request.url());
      if (protocol.startsWith('http') && host !== new URL(server.url).host)
        troubles.push(`request to another host: ${request.url()}`);
    });
    await use(page);
    expect(troubles).toEqual([]);
  },
});

export { expect };

/** Fails on any serious or worse accessibility violation of the page as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  // Injected as the page's own evaluation, which its content security policy does not touch.
  await page.evaluate(AXE);
  const { violations } = await page.evaluate(() =>
    (globalThis as unknown as { axe: { run(options: object): Promise<AxeResult> } }).axe.run({
      // Only what is wrong is told in full.
      resultTypes: ['violations'],
      preload: false,
    }),
  );
  const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)).toEqual([]);
}

export const PASSWORD = 'quiet-water-demo';

/** Signs in and opens the first page. Nine journeys of ten begin with it, so it does without the form. */
export async function signIn(page: Page, email = 'head@upwell.example'): Promise<void> {
  const answer = await page.request.post('/api/v1/account/sign-in', { data: { email, password: PASSWORD } });
  expect(answer.status()).toBe(200);
  await page.goto('/');
  await expect(page).toHaveURL(/\/(deck|swimmers|my-week)/);
}

/** Signs in as people do. */
export async function signInByForm(page: Page, email = 'head@upwell.example'): Promise<void> {
  await page.goto('/');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/\/(deck|swimmers|my-week)/);
}

/** The id of the first swimmer found by a name. */
export async function idOf(page: Page, search: string): Promise<string> {
  const found = await page.request.get(`/api/v1/swimmers?search=${search}`);
  const { items } = (await found.json()) as { items: { id: string }[] };
  return items[0]!.id;
}

/** A day far away, so that every journey has its own session. */
let day = 1;

/** A short session of three levels that is there for this journey only; answers its id. */
export async function newSession(page: Page): Promise<string> {
  const date = `2032-03-${String(day++).padStart(2, '0')}`;
  const squads = (await (await page.request.get('/api/v1/squads')).json()) as { id: string }[];
  const set = (metres: number) => `Main\n  2 x ${metres} crawl 75%, rest 20\n  100 crawl easy\n`;
  const text = `# On deck\nwhen: ${date} 19:00\npool: 25 m\n\n== Build\nwho: 6 swimmers in 1 lane\n${set(50)}\n== Hold\nwho: 6 swimmers in 1 lane\n${set(100)}\n== Race\nwho: 5 swimmers in 1 lane\n${set(12.5)}`;
  const read = await page.request.post('/api/v1/compute/session-text', { data: { text } });
  const { session } = (await read.json()) as { session: { plan: SessionView['plan'] } };
  const id = crypto.randomUUID();
  const saved = await page.request.put(`/api/v1/sessions/${id}`, {
    data: {
      title: `On deck ${date}`,
      date,
      startTime: '19:00',
      squadIds: squads.slice(0, 3).map((s) => s.id),
      plan: session.plan,
      version: 0,
      writeId: crypto.randomUUID(),
    },
  });
  expect(saved.status()).toBe(200);
  return id;
}

/** Today where the demo club is; Sweden writes days as they are sent. */
export const clubToday = (): string => new Intl.DateTimeFormat('sv-SE', { timeZone: 'Etc/GMT+3' }).format();
