/** A swimmer with many faults: the right first thing in few taps, overruled, and closed when it is gone. */
import type { Locator } from '@playwright/test';
import { expect, expectAccessible, idOf, newSession, signIn, test } from './fixtures';

test('from the deck to an accepted focus with five signs takes at most ten taps', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await expect(page.getByRole('heading', { name: 'Second looks due' })).toBeVisible();
  let taps = 0;
  const tap = async (on: Locator) => {
    taps++;
    await on.first().click();
  };
  await tap(page.getByRole('link', { name: /Look$/ }).or(page.getByRole('button', { name: /^Look/ })));
  await expect(page.getByRole('heading', { name: 'What do you see?' })).toBeVisible();
  const often = (sign: string) => page.getByRole('button', { name: `${sign}: often` });
  await tap(
    page
      .getByRole('button', { name: 'Signs at the front arm' })
      .or(page.getByRole('button', { name: 'Signs at the recovering arm' })),
  );
  const before = await page.getByRole('button', { name: /^Take back: / }).count();
  for (let i = 0; i < 3; i++) {
    taps++;
    await page
      .getByRole('button', { name: /: often$/, pressed: false })
      .nth(i)
      .click();
  }
  await tap(page.getByRole('button', { name: 'Signs at the body' }));
  for (const sign of ['hips low although the eyes look down', 'the middle sags']) await tap(often(sign));
  await expect(page.getByRole('button', { name: /^Take back: / })).toHaveCount(before + 5);
  await page.getByLabel('First, what is good?').fill('Steady');
  await tap(page.getByRole('button', { name: /^(Make it the focus|Close as solved)/ }));
  await expect(page.getByRole('heading', { name: 'The one focus' })).toBeVisible();
  expect(taps).toBeLessThanOrEqual(10);
});

test('eight faults give one thing first; the coach may choose another, and closes it when it is gone @wide', async ({
  page,
}) => {
  await signIn(page, 'coach@upwell.example');
  const id = await idOf(page, 'jun');
  await page.goto(`/swimmers/${id}/review`);
  const see = async (asked: string, sign: string) => {
    await page.getByLabel('Find what you saw').fill(asked);
    await page
      .getByRole('button', { name: `${sign}: often` })
      .first()
      .click();
  };
  await see('past the line', 'the hand enters past the line of the nose');
  await see('crosses under', 'the hand crosses under the body');
  await see('laid', 'the hand is laid on the surface');
  await see('long in the air', 'the arm stays long in the air');
  await see('looks short', 'the body looks short');
  await see('hooked', 'the feet are hooked');
  await see('blowing', 'still blowing when the mouth clears');
  await see('tummy', 'the middle sags');
  // The answer stays in sight while the list is open.
  await expect(page.getByRole('button', { name: 'Make it the focus: Crossing over' })).toBeInViewport();
  await expect(page.getByText('0 against', { exact: false }).first()).toBeVisible();
  await expectAccessible(page);

  // Overruled: found by an everyday word.
  await page.getByRole('button', { name: 'Choose another cause' }).click();
  await page.getByLabel('Find a cause of this stroke').fill('ankle');
  await page.getByRole('button', { name: /^Stiff ankles/ }).click();
  await page.getByLabel('First, what is good?').fill('Calm');
  await page.getByLabel('What else you saw').fill('Stops when overtaken');
  await page.getByRole('button', { name: 'Make it the focus: Stiff ankles' }).click();
  await expect(page.getByRole('heading', { name: 'The one focus' })).toBeVisible();
  await expect(page.getByText('Noted: Stops when overtaken').first()).toBeVisible();

  // The cue is the coach's.
  await page.goto(`/swimmers/${id}/focus`);
  await page.getByRole('button', { name: 'Change the cue' }).click();
  await page.getByLabel('Cue, said at the wall').fill('Floppy feet.');
  await page.getByRole('button', { name: 'Keep this cue' }).click();
  await expect(page.getByText('“Floppy feet.”')).toBeVisible();
  await expectAccessible(page);

  // The second look: gone. One tap closes it, and nothing new is asked for.
  await page.getByRole('button', { name: 'Second look' }).click();
  await page.getByRole('button', { name: 'the feet are hooked: not there' }).first().click();
  await expect(page.getByRole('button', { name: 'Outcome: Solved' })).toHaveAttribute('aria-pressed', 'true');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close as solved: Stiff ankles' }).click();
  await expect(page.getByText('Stiff ankles: solved').first()).toBeVisible();
  await expectAccessible(page);
});

test('what second looks teach is counted, shown on the card of the fault, reset and taken back @phone', async ({
  page,
}) => {
  await signIn(page);
  const id = await idOf(page, 'freya');
  const closings = async () => {
    await page.goto('/library/ours');
    const line = page.getByText(/^\d+ closed focuses, \d+ of them helped$/).first();
    await expect(line).toBeVisible();
    return Number((await line.textContent())!.split(' ')[0]);
  };
  const before = await closings();
  await expect(page.getByText('Reviews count with it', { exact: false })).toBeVisible();

  // A focus is given and looked at again: the sign is gone.
  await page.goto(`/swimmers/${id}/review`);
  await page.getByLabel('Find what you saw').fill('hooked');
  await page.getByRole('button', { name: 'the feet are hooked: often' }).first().click();
  await page.getByLabel('First, what is good?').fill('Calm');
  await expect(page.getByText('With our club’s experience of', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Make it the focus: Stiff ankles' }).click();
  await expect(page.getByRole('heading', { name: 'The one focus' })).toBeVisible();
  await page.goto(`/swimmers/${id}/focus`);
  await page.getByRole('button', { name: 'Second look' }).click();
  await page.getByRole('button', { name: 'the feet are hooked: not there' }).first().click();
  await page.getByRole('button', { name: 'Close as solved: Stiff ankles' }).click();
  await expect(page.getByText('Stiff ankles: solved').first()).toBeVisible();
  await page.goto('/library?show=causes&open=stiff-ankles');
  await expect(page.getByText(/^seen in \d+ of \d+$/).first()).toBeVisible();
  await expect(page.getByText(/^counts \d+ %$/).first()).toBeVisible();
  await expectAccessible(page);

  expect(await closings()).toBe(before + 1);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Reset our experience' }).click();
  await expect(page.getByRole('heading', { name: 'Our club’s experience' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(`${before + 1} closed focuses, `, { exact: false })).toBeVisible();
  expect(await closings()).toBe(before + 1);
});

test('a ladder is climbed on the swimmer’s page, and taken back @wide', async ({ page }) => {
  await signIn(page, 'second@upwell.example');
  const id = await idOf(page, 'bea');
  await page.goto(`/swimmers/${id}`);
  const ladder = page.getByRole('group', { name: 'Water confidence' });
  const tries = ladder.getByText(/of 5 tries/);
  const before = await tries.textContent();
  await ladder.getByRole('button', { name: 'Good try: Water confidence' }).click();
  await expect(tries).not.toHaveText(before!);
  await ladder.getByRole('button', { name: 'Undo: Water confidence' }).click();
  await expect(tries).toHaveText(before!);
  const step = await ladder.getByText(/^step \d+ of \d+$/).textContent();
  await ladder.getByRole('button', { name: 'Passed: Water confidence' }).click();
  await expect(ladder.getByText(step!, { exact: true })).toBeHidden();
  await ladder.getByRole('button', { name: 'Undo: Water confidence' }).click();
  await expect(ladder.getByText(step!, { exact: true })).toBeVisible();
  await expectAccessible(page);
});

test('a ladder is begun on deck, from the swimmer who was tapped @phone', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  const kasper = await idOf(page, 'kasper');
  const session = await newSession(page);
  await page.goto(`/deck/${session}/run?swimmer=${kasper}`);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('button', { name: 'Begin another ladder' }).click();
  await page.getByRole('button', { name: 'Tumble turn' }).click();
  await page.getByRole('button', { name: 'Good try: Tumble turn' }).click();
  await expect(page.getByText('1 of 6 tries, 1 good')).toBeVisible();
  await expectAccessible(page);
});
