// From one main page to the next on a phone four times slower, with what was loaded before: from the click to the paint with the
// title of the other page, and to the paint with what stands under it, beside a change of one word.
import { at, ms } from './measure';
import { openApp } from './browser';

const PAGES = ['Swimmers', 'Sessions', 'Water', 'Library', 'Deck'] as const;
const ROUNDS = 6;

/** Milliseconds from the click on a link to the paint with the title of its page, and to the one with its content. */
const changed = (name: string) =>
  new Promise<readonly [number, number]>((resolve, reject) => {
    const link = [...document.querySelectorAll('a')].find((a) => a.textContent?.trim() === name);
    if (!link) return reject(new Error(`no link to ${name}`));
    const before = document.querySelector('h1');
    const begun = performance.now();
    const painted = (then: () => void) => requestAnimationFrame(() => setTimeout(then, 0));
    let titledMs: number | null = null;
    const look = () => {
      const now = document.querySelector('h1');
      const titled = now !== null && now !== before && location.pathname === link.pathname;
      if (titled && titledMs === null) painted(() => (titledMs ??= performance.now() - begun));
      // The empty pages of the frame hold fewer than this.
      const filled = titled && document.querySelectorAll('main *').length > 40;
      if (filled) painted(() => resolve([titledMs ?? performance.now() - begun, performance.now() - begun]));
      else requestAnimationFrame(look);
    };
    link.click();
    look();
  });

/** The same for a page that is there already. */
const bareClick = () =>
  new Promise<number>((resolve) => {
    const word = document.body.appendChild(document.createElement('span'));
    const begun = performance.now();
    word.textContent = 'changed';
    requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begun), 0));
  });

const { page, cdp, close } = await openApp();
// What runs tsx marks inner functions with their names.
await page.addInitScript('globalThis.__name = (named) => named');
await page.goto('/deck');
await page.getByRole('heading', { level: 1 }).waitFor();
for (const name of PAGES) {
  await page.evaluate(changed, name);
  await page.waitForLoadState('networkidle');
}
await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
const titled = new Map<string, number[]>(PAGES.map((name) => [name, []]));
const filled = new Map<string, number[]>(PAGES.map((name) => [name, []]));
const bare: number[] = [];
for (let round = 0; round < ROUNDS; round++)
  for (const name of PAGES) {
    const [title, content] = await page.evaluate(changed, name);
    titled.get(name)!.push(title);
    filled.get(name)!.push(content);
    // What is asked for again comes before the next click.
    await page.waitForLoadState('networkidle');
    bare.push(await page.evaluate(bareClick));
  }
const line = (name: string, titles: readonly number[], contents: readonly number[]) =>
  `  ${name.padEnd(12)} title median ${ms(at(titles, 0.5))}  worst ${ms(at(titles, 1))}; content median ${ms(at(contents, 0.5))}`;
for (const name of PAGES) console.log(line(`to ${name}`, titled.get(name)!, filled.get(name)!));
console.log(line('all of them', [...titled.values()].flat(), [...filled.values()].flat()));
console.log(`  wanted 150 for the title; a word changed ${ms(at(bare, 0.5))}`);
await close();
