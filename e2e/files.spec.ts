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

test('results go to a meeting on paper and in a workbook, which brings nothing in twice', async ({ page }) => {
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

test('progress is one picture to give away', async ({ page }) => {
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

test('a course is taken out of the list, and put back', async ({ page }) => {
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

test('the tests of a squad are one line on the deck, and one page', async ({ page }) => {
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
