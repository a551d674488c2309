import { clubToday, expect, expectAccessible, idOf, signIn, test } from './fixtures';
import type { Page } from '@playwright/test';

/** A swimmer of its own for each size, since both share one club. */
const who = (project: string, phone: string, wide: string) => (project === 'phone' ? phone : wide);
const missing = (page: Page) => page.getByText(/^Today \d/).first();

test('the gap is split into seconds, asked "what if", kept, and found again', async ({ page, quiet }, info) => {
  await signIn(page);
  const id = await idOf(page, who(info.project.name, 'otis', 'pia'));
  await page.goto(`/swimmers/${id}`);
  // The swimmer's page says it in one line.
  await expect(page.getByText(/to find\. .*, chance \d+ %/)).toBeVisible();
  await page.getByRole('button', { name: 'Toward the race' }).click();
  await expect(page.getByRole('heading', { name: 'Quill Crossing' })).toBeVisible();
  await expect(page.getByText('Where the seconds are')).toBeVisible();
  await expectAccessible(page);

  const slider = page.getByRole('slider', { name: 'Extra distance on race day' });
  const before = await slider.inputValue();
  // Keyboard alone: straighter by one percent, and back by undo.
  await slider.press('ArrowLeft');
  await slider.press('ArrowLeft');
  await expect(slider).toHaveValue(String(Number(before) - 1));
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(slider).toHaveValue(before);
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.getByRole('button', { name: 'Check and change' }).click();
  const today = await missing(page).textContent();
  await page.getByRole('button', { name: 'More seconds lost today' }).click();
  await expect(missing(page)).not.toHaveText(today!);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeHidden();
  // Reloaded while it was being saved or not: it arrives, also when a busy server says "in a moment" first.
  quiet.networkErrors = true;
  await page.reload();
  await expect(slider).toHaveValue(String(Number(before) - 1));
  const stored = async () => {
    const answer = await page.request.get(`/api/v1/swimmers/${id}/race-plan`);
    return ((await answer.json()) as { choices: { extraThen?: number } }).choices.extraThen;
  };
  await expect.poll(stored).toBeCloseTo((Number(before) - 1) / 100, 9);
});

test('weeks are locked, given up for illness, and replanned around it, with no network @phone', async ({
  page,
  quiet,
}, info) => {
  await signIn(page);
  const id = await idOf(page, who(info.project.name, 'sol', 'jun'));
  await page.goto(`/swimmers/${id}/race?view=weeks`);
  await expect(page.getByText(/of work, .* lighter, .* of taper/)).toBeVisible();
  await expectAccessible(page);
  const week = (n: number) =>
    page.getByRole('button', { name: /^\d+ \w+ (Learn|Build up|Sharpen|Lighter|Taper) \d+/ }).nth(n);
  const loadOf = async (n: number) =>
    Number(
      (await week(n)
        .getByText(/^[\d,]+$/)
        .textContent())!.replace(',', ''),
    );
  const third = await loadOf(2);

  (quiet as { networkErrors: boolean }).networkErrors = true;
  await page.context().setOffline(true);
  await week(1).click();
  await page.getByRole('button', { name: 'ill', exact: true }).click();
  await expect(page.getByText('Ill: no swimming, and nothing is made up later.')).toBeVisible();
  expect(await loadOf(1)).toBe(0);
  expect(await loadOf(2)).toBeLessThan(third);
  await week(3).click();
  await page.getByRole('button', { name: 'More metres × effort' }).click();
  await expect(week(3).getByText('locked', { exact: true })).toBeVisible();
  const held = await loadOf(3);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('link', { name: /Offline · 1 waits/ })).toBeVisible();
  await page.context().setOffline(false);
  await expect
    .poll(async () => {
      const season = await page.request.get(`/api/v1/season?from=${clubToday()}`);
      const { rows } = (await season.json()) as { rows: { id: string; weeks: { load: number }[] }[] };
      const mine = rows.find((row) => row.id === id)!;
      return [mine.weeks[1]!.load, mine.weeks[3]!.load];
    })
    .toEqual([0, held]);
});

test('the list before a race is ticked, and the deck says what is missing first @phone', async ({ page }, info) => {
  await signIn(page);
  const name = who(info.project.name, 'Otis Marlingspike', 'Runa Silverlock');
  const id = await idOf(page, name.split(' ')[0]!.toLowerCase());
  await page.goto('/deck');
  await expect(page.getByRole('heading', { name: 'Before a race' })).toBeVisible();
  await expectAccessible(page);
  await page.goto(`/swimmers/${id}/race?view=ready`);
  await expect(page.getByText(/^\d of \d$/)).toBeVisible();
  await expectAccessible(page);
  const count = await page.getByText(/^\d of \d$/).textContent();
  const line = page.getByRole('listitem').filter({ hasText: 'Know the race card by heart' });
  await line.getByRole('button', { name: 'yes' }).click();
  await expect(page.getByText(/^\d of \d$/)).not.toHaveText(count!);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeHidden();
  await page.reload();
  await expect(line.getByText('there', { exact: true })).toBeVisible();
});

test('a session is proposed from the plans of those who come, with who it helps @wide', async ({ page }) => {
  await signIn(page);
  await page.goto('/sessions/new');
  await expect(page.getByRole('heading', { name: 'Who this helps' })).toBeVisible();
  await expect(page.getByText(/^[1-9]\d* of \d+$/).first()).toBeVisible();
  // A lighter week for all, while the plans say work.
  await page.getByRole('button', { name: 'taper', exact: true }).click();
  await expect(page.getByText(/have a normal week in their plan/)).toBeVisible();
});

test('a long race says what the weeks reach, and asks for long swims before it; a goal without a clock is in metres @wide', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`/swimmers/${await idOf(page, 'jun')}/race?view=weeks`);
  await expect(
    page.getByText(/^These weeks make ready for about .* of 5 km: .*the longest swim .* of 4\.1 km/),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'Ready?' }).click();
  const long = page.getByRole('listitem').filter({ hasText: 'or more twice in water like that of the race' });
  await long.getByRole('button', { name: 'yes' }).click();
  await expect(long.getByText('there')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(long.getByText(/^not known yet/)).toBeVisible();

  await page.goto(`/swimmers/${await idOf(page, 'emrys')}/race`);
  await expect(page.getByText('Without a stop today')).toBeVisible();
  await expect(page.getByText('In time')).toBeVisible();
  await page.getByRole('button', { name: 'Fewer m without a stop' }).click();
  await expect(page.getByText('from your entry').or(page.getByText('your entry'))).toBeVisible();
  await expectAccessible(page);
});

test('the season shows races, phases and water, and replans everyone in the background', async ({ page }) => {
  await signIn(page);
  await page.goto('/sessions/season');
  await expect(page.getByRole('list', { name: 'Races' }).getByText('Quill Crossing')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Sunniva Brack .*Lantern Mile/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Replan everyone' }).click();
  await expect(page.getByText('All weeks are worked out')).toBeVisible();
  await page.getByRole('button', { name: 'Crossing Crew', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Sunniva Brack/ })).toBeHidden();
  // Who races rests while the others work: one tap from that week to its sessions.
  await page.getByRole('button', { name: 'All weeks of Crossing Crew' }).click();
  const weeks = page.getByRole('list', { name: 'Weeks of Crossing Crew' }).getByRole('link');
  await expect(weeks.filter({ hasText: /Quill Crossing/ })).toHaveCount(1);
  await weeks.filter({ hasText: /Quill Crossing/ }).click();
  await expect(page.getByRole('tab', { name: 'Week' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('heading', { name: /^Week of / })).toBeVisible();
  await page.goBack();
  await page.getByRole('link', { name: /^Bo Castellane/ }).click();
  await expect(page.getByRole('tab', { name: 'The weeks' })).toHaveAttribute('aria-selected', 'true');
});

test('a swimmer sees their own week, says how it felt without a network, and has a calendar @phone', async ({
  page,
  quiet,
}, info) => {
  await signIn(page, 'swimmer@upwell.example');
  await expect(page.getByRole('heading', { name: 'My week' })).toBeVisible();
  await expect(page.getByText('“Two rails.”').first()).toBeVisible();
  await expectAccessible(page);
  const felt = who(info.project.name, 'hard', 'fair');
  const session = page.getByRole('listitem').filter({ hasText: 'Hum until you turn' }).first();
  (quiet as { networkErrors: boolean }).networkErrors = true;
  await page.context().setOffline(true);
  await session.getByRole('button', { name: felt, exact: true }).click();
  await expect(session.getByRole('button', { name: felt, exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.context().setOffline(false);
  await expect
    .poll(async () => {
      const week = (await (await page.request.get('/api/v1/my-week')).json()) as {
        sessions: { title: string; rating: number | null }[];
      };
      return week.sessions.some((s) => s.title === 'Hum until you turn' && s.rating === (felt === 'hard' ? 6 : 4));
    })
    .toBe(true);

  await page.getByRole('button', { name: 'Calendar address' }).click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('The address, shown only once').inputValue();
  const feed = await (await page.request.get(address)).text();
  expect(feed).toContain('SUMMARY:Quill Crossing');
  expect(feed).toContain('BEGIN:VEVENT');
  await page
    .getByRole('button', { name: /^Revoke the address/ })
    .first()
    .click();
  await expect.poll(async () => (await page.request.get(address)).status()).toBe(404);
  // The plan is to be looked at, not to be changed.
  await page.getByRole('button', { name: 'The plan' }).click();
  await expect(page.getByText('Where the seconds are')).toBeVisible();
  await expect(page.getByRole('slider')).toHaveCount(0);
});

test('nobody without a goal is left without a word @wide', async ({ page }) => {
  await signIn(page);
  await page.goto(`/swimmers/${await idOf(page, 'bea')}/race`);
  await expect(page.getByText('No goal yet')).toBeVisible();
  await page.getByRole('button', { name: 'Set a goal' }).click();
  await expect(page).toHaveURL(/\/edit$/);
});
