import { expect, expectAccessible, idOf, signIn, test } from './fixtures';
import { swimmerOnCamera, withCamera } from './fakeCamera';

test.use({
  launchOptions: withCamera(
    swimmerOnCamera('swimmer', { seed: 5, view: 'side', strokesPerMin: 60, seconds: 20, fps: 25, noise: 2, drift: -15 }),
  ),
  permissions: ['camera'],
});

test('a swimmer is filmed, the strokes are found in the film, and taken in the review', async ({ page }, info) => {
  await signIn(page);
  const name = info.project.name === 'phone' ? 'otis' : 'pia';
  const id = await idOf(page, name);
  await page.goto(`/swimmers/film?swimmer=${id}`);
  await page.getByRole('button', { name: 'Open the camera' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Film (Otis|Pia)/ }).click();
  await expect(page.getByRole('timer')).toHaveText('12 s', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop and keep it' }).click();
  await expect(page.getByText(/: 1[234] s are kept\./)).toBeVisible();
  await expect(page.getByText('0 of 1 looked at')).toBeVisible();
  // What was filmed waits on the device, whatever becomes of the tab.
  await page.reload();
  await page.getByRole('button', { name: 'Look at the first one' }).click();
  await expect(page.getByText('Film 1 of 1')).toBeVisible();
  await expect(page.getByRole('button', { name: 'One frame forward' })).toBeEnabled();
  await page.getByRole('button', { name: 'Look for hand entries' }).click();
  await expect(page.getByText(/^(59|60|61)\.\d strokes a minute, give or take/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: /^Take \d+ entries as taps$/ }).click();
  await page.getByRole('button', { name: /^Take \d measures? in the review$/ }).click();
  await expect(page.getByText(/60\.?\d? |59\.\d |61\.\d /).first()).toBeVisible();
});
