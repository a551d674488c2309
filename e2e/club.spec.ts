import { expect, expectAccessible, signIn, test } from './fixtures';

test('the whole club is saved as one file, and what was lost is brought back from it @wide', async ({
  page,
  quiet,
}, info) => {
  await signIn(page);
  await page.goto('/account');
  await expect(page.getByText('Everything in one file')).toBeVisible();
  await expectAccessible(page);
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the club to a file' }).click();
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
  await page.getByRole('button', { name: 'Import a club' }).click();
  await (await chosen).setFiles(file);
  // Read by a thread that leaves the machine to everything else: on a busy one that takes its time.
  await expect(page.getByText(/^Added: .*1 session/)).toBeVisible({ timeout: 180_000 });
  await expect(page.getByText('What was here has not been changed.', { exact: false })).toBeVisible();
  await page.goto(`/sessions/${id}`);
  await expect(page.getByRole('heading', { name: title })).toBeVisible();

  // A file that is none is refused with a sentence.
  await page.goto('/account');
  chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a club' }).click();
  await (await chosen).setFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(page.getByText('This is not an archive of a club.', { exact: false })).toBeVisible();
});

test('two head coaches change the club’s rules at once, and neither change is lost @phone', async ({
  page,
  browser,
  server,
  quiet,
}) => {
  // The second of two saves learns that it was made on older rules, and is made again on the newer ones.
  quiet.networkErrors = true;
  const other = await (await browser.newContext({ baseURL: server.url })).newPage();
  const rules = async () =>
    (await (await page.request.get('/api/v1/account/club')).json()) as {
      kit: string[];
      water: { windMps: number; rainMm: number };
    };
  for (const one of [page, other]) {
    await signIn(one);
    await one.goto('/account');
    await expect(one.getByText('Club rules')).toBeVisible();
  }
  const before = await rules();
  // Both have the same rules on their screens; what each changes stands in the same list and the same table.
  await page.getByRole('button', { name: 'finger paddles', exact: true }).click();
  await page.getByRole('button', { name: 'Fewer m/s wind at most' }).click();
  await expect.poll(async () => (await rules()).water.windMps).toBe(before.water.windMps - 1);
  await other.getByRole('button', { name: 'centre snorkel', exact: true }).click();
  await other.getByRole('button', { name: 'Fewer mm rain in 72 h at most' }).click();
  await expect.poll(async () => (await rules()).water.rainMm).toBe(before.water.rainMm - 5);
  const now = await rules();
  const changed = (item: string) => now.kit.includes(item) !== before.kit.includes(item);
  expect(['finger-paddles', 'snorkel'].map(changed)).toEqual([true, true]);
  expect(now.water.windMps).toBe(before.water.windMps - 1);
});
