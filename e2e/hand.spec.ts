// A session put together by hand: from the tray, by keyboard, several sets at once.
import type { Locator, Page } from '@playwright/test';
import { expect, expectAccessible, signIn, test } from './fixtures';

const BEGUN = `# By hand
when: 2032-03-02 19:00
pool: 25 m
minutes: 60

== Hold
Land 6 min
Warm-up
Drills
Main
  4 x 100 crawl 80%, rest 15
Swim-down
`;

async function begin(page: Page): Promise<void> {
  await page.goto('/sessions/write');
  await page.getByLabel('The session as text').fill(BEGUN);
  await expect(page.getByText('Everything was read')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page).toHaveURL(/\/sessions\/[0-9a-f-]{36}$/);
}

const block = (page: Page, name: string): Locator => page.getByRole('group', { name, exact: true });

test('a level of eight sets takes far fewer than 45 taps', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await begin(page);
  let taps = 0;
  const tap = async (target: Locator) => {
    taps++;
    await target.click();
  };
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  await tap(button('Levels: name, add, remove'));
  await tap(page.getByRole('checkbox', { name: 'With the sets of Hold' }));
  await tap(button('Add a level: Race'));
  await expect(page.getByText('Race is added.')).toBeVisible();
  await tap(button('Levels: name, add, remove'));

  const fromTray = async (into: string, sets: readonly RegExp[]) => {
    await tap(button(`Add a set to ${into}`));
    for (const set of sets) await tap(block(page, into).getByRole('button', { name: set }).first());
    await tap(button(`Close the tray of ${into}`));
  };
  await fromTray('Warm-up', [/^Add 300 choice/, /^Add \d+ × 50 kick/]);
  await tap(button('Add a set to Drills'));
  for (const [words, drill] of [
    ['doggy', /^Add .*doggy paddle/i],
    ['catch', /^Add .*catch-up/i],
  ] as const) {
    const find = block(page, 'Drills').getByRole('textbox', { name: 'Find a drill or a theme' });
    await tap(find);
    await find.fill(words);
    await tap(block(page, 'Drills').getByRole('button', { name: drill }).first());
  }
  await tap(button('Close the tray of Drills'));
  await fromTray('Main', [/^Add \d+ × 100 crawl \d+ %/, /^Add Rest 2 min/, /^Add \d+ × 200 crawl second half/]);
  await tap(button('Add a block: Speed'));
  await tap(block(page, 'Speed').getByRole('button', { name: /^Add 6 × 25 crawl/ }));
  await tap(button('Close the tray of Speed'));
  await fromTray('Swim-down', [/^Add 200 choice/]);
  // One number typed in the place of many taps.
  await tap(button(/^\d+ × 100 crawl/));
  const reps = page.getByRole('textbox', { name: 'reps' });
  await tap(reps);
  await reps.fill('5');
  await reps.press('Enter');
  await expect(button(/^5 × 100 crawl/)).toBeVisible();
  await tap(button('Save changes'));
  await expect(button('Save changes')).toBeDisabled();
  console.log(`eight sets: ${taps} taps`);
  expect(taps).toBeLessThanOrEqual(45);

  await page.getByRole('tab', { name: 'Text' }).click();
  const written = page.getByLabel('The session as text');
  // The text is written away from the page: it comes a moment later.
  await expect(written).toHaveValue(/== Race/);
  const text = await written.inputValue();
  const race = text.slice(text.indexOf('== Race'));
  // Eight sets and a pause, in the parts where they were put.
  expect(race.match(/^ {2}\d+ x|^ {2}\d+ (?:choice|crawl|drill)/gm)).toHaveLength(8);
  expect(race).toMatch(/Main[\s\S]*5 x 100 crawl[\s\S]*rest 2 min[\s\S]*Speed[\s\S]*6 x 25[\s\S]*Swim-down/);
});

test('a set is typed, a wrong one is told, and blocks have names that come back @wide', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await begin(page);
  await page.getByRole('button', { name: 'Add a set to Main' }).click();
  const typed = page.getByRole('textbox', { name: 'Type a set' });
  await typed.fill('4x50 hovering r15');
  await typed.press('Enter');
  await expect(page.getByText('“hovering” is not known here', { exact: false })).toBeVisible();
  await typed.fill('4x50 kick r15 + 200 back easy');
  await typed.press('Enter');
  await expect(typed).toHaveValue('');
  await expect(page.getByRole('button', { name: /^4 × 50 kick/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^200 backstroke/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Change the block Main' }).click();
  await page.getByRole('textbox', { name: 'Name of the block' }).fill('Pre-set');
  await expect(page.getByRole('heading', { name: 'Pre-set' })).toBeVisible();
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByRole('button', { name: 'Save changes' })).toBeDisabled();
  await page.reload();
  await page.getByRole('tab', { name: 'Text' }).click();
  await expect(page.getByLabel('The session as text')).toHaveValue(/Main "Pre-set" = 800/);
  // Distances that do not fit are told where they are typed.
  await page.getByRole('tab', { name: 'Sets' }).click();
  await page.getByRole('button', { name: /^4 × 100 crawl/ }).click();
  const metres = page.getByRole('textbox', { name: 'metres each' });
  await metres.fill('110');
  await metres.press('Enter');
  await expect(page.getByText('Not whole lengths: 100 or 125?')).toBeVisible();
  await metres.fill('150');
  await metres.press('Enter');
  await expect(page.getByRole('button', { name: /^4 × 150 crawl/ })).toBeVisible();
});

test('several sets are moved, repeated and halved at once, all by keyboard @wide', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await begin(page);
  const press = async (target: Locator, key = 'Enter') => {
    await target.focus();
    await page.keyboard.press(key);
  };
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  await press(button('Add a set to Main'));
  await page.getByRole('textbox', { name: 'Type a set' }).focus();
  await page.keyboard.type('8x50 pull r10 + 6x100 back r20');
  await page.keyboard.press('Enter');
  await expect(button(/^6 × 100 backstroke/)).toBeVisible();
  await press(button('Close the tray of Main'));
  // X chooses the set that has the focus.
  await press(button(/^8 × 50 pull/), 'x');
  await press(button(/^6 × 100 backstroke/), 'x');
  await expect(page.getByText('2 sets chosen')).toBeVisible();
  await expectAccessible(page);
  await press(button('× ½: half'));
  await expect(button(/^4 × 50 pull/)).toBeVisible();
  await expect(button(/^3 × 100 backstroke/)).toBeVisible();
  await press(button('Repeat'));
  await expect(button(/^4 × 50 pull/)).toHaveCount(2);
  await press(button('Move to Swim-down'));
  await expect(block(page, 'Swim-down').getByText('500 m')).toBeVisible();
  await press(button('Done choosing'));
  // D repeats, Delete removes, and the focus stays in the list.
  await press(button(/^4 × 100 crawl/), 'd');
  await expect(button(/^4 × 100 crawl/)).toHaveCount(2);
  await button(/^4 × 100 crawl/)
    .first()
    .focus();
  await page.keyboard.press('Delete');
  await expect(button(/^4 × 100 crawl/)).toHaveCount(1);
  expect(await page.evaluate(() => document.activeElement?.closest('[data-row]') !== null)).toBe(true);
  // Arrows step a number that has the focus.
  await press(button(/^4 × 100 crawl/));
  await page.getByRole('textbox', { name: 'reps' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(button(/^5 × 100 crawl/)).toBeVisible();
  for (let i = 0; i < 6; i++) await press(button('Undo'));
  await expect(button(/^8 × 50 pull/)).toBeVisible();
});

test('a session is written by hand from nothing, and its text follows @phone', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/sessions/write');
  // On a day far away: it must not count among the load of this week.
  await page.getByLabel('The session as text').fill(BEGUN);
  await expect(page.getByText('Everything was read')).toBeVisible();
  await page.getByRole('tab', { name: 'By hand' }).click();
  await page.getByRole('button', { name: 'Empty it: one level without sets' }).click();
  await page.getByRole('button', { name: 'Add a set to Main' }).click();
  await page.getByRole('button', { name: /^Add \d+ × 100 crawl 80 %/ }).click();
  await page.getByRole('button', { name: 'Add a set to Warm-up' }).click();
  await page.getByRole('button', { name: /^Add 200 choice/ }).click();
  await page.getByRole('tab', { name: 'As text' }).click();
  await expect(page.getByLabel('The session as text')).toHaveValue(
    /Warm-up = 200\n {2}200 choice[\s\S]*Main = \d+\n {2}\d+ x 100 crawl 80%/,
  );
  // What was put together by hand survives a reload.
  await page.reload();
  await expect(page.getByLabel('The session as text')).toHaveValue(/Main = \d+\n {2}\d+ x 100 crawl 80%/);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page).toHaveURL(/\/sessions\/[0-9a-f-]{36}$/);
});
