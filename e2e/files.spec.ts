import { readFileSync } from 'node:fs';
import type { Download, Page } from '@playwright/test';
import { expect, expectAccessible, signIn, test } from './fixtures';
import { pdfText } from './pdfText';

async function saved(page: Page, name: string): Promise<{ readonly name: string; readonly bytes: Buffer }> {
  const [download]: [Download, void] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name }).click(),
  ]);
  return { name: download.suggestedFilename(), bytes: readFileSync((await download.path())!) };
}

test('results go to a meeting on paper and in a workbook, which brings nothing in twice @wide', async ({ page }) => {
  await signIn(page, 'head@upwell.example');
  await page.goto('/swimmers/results');
  const paper = await saved(page, 'PDF: Results');
  expect(paper.name).toMatch(/^results .+\.pdf$/);
  const [first] = await pdfText(paper.bytes);
  expect(first).toContain('Results, newest first');
  const book = await saved(page, 'Spreadsheet: Results');
  expect(book.name).toMatch(/^results .+\.xlsx$/);

  await page.goto('/swimmers/import');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a file' }).click(),
  ]);
  await chooser.setFiles({ name: book.name, mimeType: 'application/octet-stream', buffer: book.bytes });
  await expect(page.getByText('Sheet “Results, newest first” is read.')).toBeVisible();
  await expect(page.getByText(/^Read as English, with decimals like 1\.5\.$/)).toBeVisible();
  // Every row is read, and every one of them is here already.
  const { total } = await (await page.request.get('/api/v1/results')).json();
  const store = page.getByRole('button', { name: `Store ${total} results` });
  await expect(store).toBeEnabled();
  await store.click();
  await expect(page.getByRole('heading', { name: /^(\d+) of \1 results are already here$/ })).toBeVisible();
  await expectAccessible(page);
});

test('progress is one picture to give away @phone', async ({ page }) => {
  await signIn(page, 'head@upwell.example');
  const { items } = await (await page.request.get('/api/v1/swimmers?search=castellane')).json();
  await page.goto(`/swimmers/${items[0].id}/records`);
  await expect(page.getByRole('img', { name: /^400 m: .* s faster\./ })).toBeVisible();
  const picture = await saved(page, 'Picture (PNG)');
  expect(picture.name).toBe('Bo Castellane progress.png');
  expect(picture.bytes.subarray(1, 4).toString()).toBe('PNG');
  expect(picture.bytes.length).toBeGreaterThan(5000);
  const drawing = await saved(page, 'Drawing (SVG)');
  expect(drawing.bytes.toString()).toContain('Dropped elbow: now');
  await page.getByRole('tab', { name: 'Swims' }).click();
  await expect(page.getByText(/s faster than before/).first()).toBeVisible();
  await expectAccessible(page);
});

test('a course is taken out of the list, and put back @phone', async ({ page }) => {
  await signIn(page, 'head@upwell.example');
  const courses = await (await page.request.get('/api/v1/courses')).json();
  const { id, name } = courses.find((c: { name: string }) => c.name === 'Ebb Run');
  await page.goto(`/water/${id}`);
  // By the keyboard: the numbers above it still move while they are worked out.
  await page.getByRole('button', { name: `Take out ${name}` }).press('Enter');
  await expect(page.getByText(`“${name}” is taken out of the list.`, { exact: false })).toBeVisible();
  expect(JSON.stringify(await (await page.request.get('/api/v1/courses')).json())).not.toContain(id);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('button', { name: `Take out ${name}` })).toBeVisible();
  expect(JSON.stringify(await (await page.request.get('/api/v1/courses')).json())).toContain(id);
});

test('the tests of a squad are one line on the deck, and one page @wide', async ({ page }) => {
  await signIn(page, 'head@upwell.example');
  await page.goto('/deck');
  await page
    .getByRole('link', { name: /swimmers.*Test all/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Critical speed' })).toBeVisible();
  const start = page.getByRole('button', { name: 'Start the 400 m' });
  await page.getByRole('button', { name: 'all at once' }).click();
  await start.click();
  const touch = page.getByRole('button', { name: / touches$/ });
  const swimmers = await touch.count();
  expect(swimmers).toBeGreaterThan(1);
  await touch.first().click();
  await expect(touch).toHaveCount(swimmers - 1);
  // Goes on over a reload, with what was tapped.
  await page.reload();
  await expect(page.getByRole('button', { name: 'End the 400 m' })).toBeVisible();
  await expect(touch).toHaveCount(swimmers - 1);
  await page.getByRole('button', { name: 'End the 400 m' }).click();
  await expectAccessible(page);
  // Nothing is left behind for others who open it.
  await page.getByRole('button', { name: 'Begin again with those who are due' }).click();
  await expect(page.getByRole('button', { name: 'Store 0 tests' })).toBeVisible();
});

test('a meet is written down in one go, stands beside the standards, and is undone @phone', async ({ page }, info) => {
  await signIn(page, 'head@upwell.example');
  // Both sizes may share one club: a meet of its own each.
  const meet = `Night Gala ${info.project.name}`;
  const { items } = await (await page.request.get('/api/v1/swimmers?search=castellane')).json();
  const swimmer = items[0];
  const name = `${swimmer.givenName} ${swimmer.familyName}`;
  await page.goto('/swimmers/results');
  await page.getByRole('button', { name: 'A meet' }).click();
  await expect(page).toHaveURL(/\/swimmers\/meet$/);
  await page.getByLabel('Name of the meet').fill(meet);
  await page.getByRole('button', { name: swimmer.squadName, exact: true }).click();
  await page.getByRole('button', { name: '400', exact: true }).click();
  await page.getByLabel(`Time of ${name}`).fill('5:00');
  await page.getByLabel(`Splits of ${name}`).fill('1:13 1:15 1:16 1:16');
  await expect(
    page.getByText(/^a best by .* s · .*by 100 m: 1:13\.0, 1:15\.0, 1:16\.0, 1:16\.0; second half 4\.0 s slower$/),
  ).toBeVisible();
  await expectAccessible(page);
  // A closed tab loses nothing of it.
  await page.reload();
  await expect(page.getByLabel(`Time of ${name}`)).toHaveValue('5:00');
  await page.getByRole('button', { name: 'Store 1 result' }).click();
  await expect(page.getByText('1 result is stored.')).toBeVisible();

  await page.goto(`/swimmers/${swimmer.id}/records?pane=swims`);
  await expect(page.getByRole('heading', { name: 'Standards' })).toBeVisible();
  await expect(page.getByText(/400 m in a pool of 25 m: reached: 5:00\.0/)).toBeVisible();
  await expect(page.getByText(new RegExp(`^${meet} · .* s faster than before`))).toBeVisible();
  await expectAccessible(page);
  await page.goto(`/swimmers/results?search=${encodeURIComponent(meet)}`);
  await expect(page.getByText('1 result', { exact: true })).toBeVisible();

  // Taken back whole.
  await page.goto('/swimmers/meet');
  const undo = page.getByRole('button', { name: `Hold to undo ${meet}` });
  await undo.click({ delay: 1500 });
  await expect(undo).toBeHidden();
  const left = await (await page.request.get(`/api/v1/results?search=${encodeURIComponent(meet)}`)).json();
  expect(left.total).toBe(0);
});
