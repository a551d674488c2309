import { expect, expectAccessible, signIn, test } from './fixtures';

test('the whole club is saved as one file, and what was lost is brought back from it', async ({
  page,
  quiet,
}, info) => {
  await signIn(page);
  await page.goto('/account');
  await expect(page.getByText('Everything in one file')).toBeVisible();
  await expectAccessible(page);
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the club' }).click();
  const file = info.outputPath('club.json');
  await (await downloading).saveAs(file);

  // A session is taken out for good, by mistake; asking for it is then a 404, and the bad file below a 400.
  quiet.networkErrors = true;
  const listed = await page.request.get('/api/v1/sessions?limit=5');
  const [{ id, title }] = (await listed.json()) as [{ id: string; title: string }];
  expect((await page.request.delete(`/api/v1/sessions/${id}`)).ok()).toBe(true);
  await page.goto(`/sessions/${id}`);
  await expect(page.getByText('This is not here, or not yours to see.')).toBeVisible();

  await page.goto('/account');
  let chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Bring a club in' }).click();
  await (await chosen).setFiles(file);
  await expect(page.getByText(/^Added: .*1 session/)).toBeVisible();
  await expect(page.getByText('What was here has not been changed.', { exact: false })).toBeVisible();
  await page.goto(`/sessions/${id}`);
  await expect(page.getByRole('heading', { name: title })).toBeVisible();

  // A file that is none is refused with a sentence.
  await page.goto('/account');
  chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Bring a club in' }).click();
  await (await chosen).setFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(page.getByText('This is not an archive of a club.', { exact: false })).toBeVisible();
});
