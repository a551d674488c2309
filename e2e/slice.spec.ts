import { expect, expectAccessible, signIn, test } from './fixtures';

test('from what is seen in the stroke to the card on the deck, through a reload and a restart', async ({
  page,
  server,
  quiet,
}, info) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Upwell' })).toBeVisible();
  await expectAccessible(page);
  await signIn(page, 'coach@upwell.example');
  await expect(page.getByRole('heading', { name: 'Second looks due' })).toBeVisible();
  await expectAccessible(page);

  // Pick a swimmer without a focus on the phone, another on the wide screen.
  const [search, name] = info.project.name === 'phone' ? ['ines', 'Ines Okoro-Vale'] : ['freya', 'Freya Ulldale'];
  await page.getByRole('link', { name: 'Swimmers', exact: true }).click();
  await page.getByRole('searchbox').or(page.getByLabel('Find a swimmer by name')).first().fill(search);
  await expectAccessible(page);
  await page.getByRole('link', { name }).click();
  await page.getByRole('button', { name: 'Review the stroke' }).click();

  // Note what is seen; the cause follows at each tap.
  await page.getByRole('button', { name: 'Signs at the head' }).click();
  await page.getByRole('button', { name: 'the face turns past the side up and back: often' }).first().click();
  await page.getByRole('button', { name: 'the mouth hardly finds air: at times' }).first().click();
  await page.getByRole('button', { name: 'no bubbles between breaths: not there' }).first().click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByText('seeks air too low').first()).toBeVisible();
  await page.getByRole('button', { name: 'Show the reasons' }).click();
  await expect(page.getByText('To tell it apart', { exact: false })).toBeVisible();
  await expectAccessible(page);

  // A reload in the middle loses nothing.
  await page.getByLabel('First, what is good?').fill('Calm face, long line');
  await page.reload();
  await expect(page.getByLabel('First, what is good?')).toHaveValue('Calm face, long line');
  await page.getByRole('button', { name: 'Make it the focus: seeks air too low' }).click();
  await expect(page.getByRole('heading', { name: 'The one focus' })).toBeVisible();
  await expect(page.getByText('“Head a touch higher, sip to the side.”')).toBeVisible();
  await expectAccessible(page);

  // Tonight's session for three levels around that theme.
  await page.getByRole('link', { name: 'Sessions', exact: true }).click();
  await page.getByRole('button', { name: 'Build a session' }).click();
  for (const level of ['Build', 'Hold', 'Race'])
    await expect(page.getByRole('button', { name: new RegExp(`^${level}\\s?[\\d,]+ m$`) })).toBeVisible();
  await expect(page.getByText(/^All out at (19:59|20:00)$/)).toBeVisible();
  await expectAccessible(page);
  const heldColumn = page.getByRole('button', { name: /^Hold\s?[\d,]+ m$/ });
  const total = Number(/([\d,]+) m/.exec((await heldColumn.textContent())!)![1]!.replace(',', ''));
  const holding = (metres: number) =>
    page.getByRole('button', { name: new RegExp(`^Hold\\s?${metres.toLocaleString('en-GB')} m$`) });
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page).toHaveURL(/\/sessions\/[0-9a-f-]{36}$/);
  await expect(holding(total)).toBeVisible();

  // Change one set: the total follows at once; undo takes it back; then keep a change.
  await holding(total).click();
  await page
    .getByRole('button', { name: /^\d+ choice/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'More metres each' }).click();
  await expect(holding(total + 25)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(holding(total)).toBeVisible();
  await page.getByRole('button', { name: 'More metres each' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByText('Unsaved changes are kept on this device.')).toBeHidden();

  // Killed without warning, started again: everything is there, and the sign-in still holds.
  quiet.networkErrors = true;
  await server.kill();
  await server.start();
  quiet.networkErrors = false;
  await page.reload();
  await expect(holding(total + 25)).toBeVisible();

  await page.getByRole('button', { name: 'Take to deck' }).click();
  await page.getByRole('tab', { name: 'Hold' }).click();
  await expect(page.getByText(`${total + 25} m`, { exact: true })).toBeVisible();
  await expect(page.getByText('Bring', { exact: false })).toBeVisible();
  await expectAccessible(page);
});

test('a lost network while saving loses nothing and doubles nothing', async ({ page, context, quiet }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Swimmers', exact: true }).click();
  await page.getByRole('button', { name: 'Add swimmer' }).click();
  await page.getByRole('button', { name: 'Save swimmer' }).click();
  await expect(page.getByText('Please fill this in.').first()).toBeVisible();
  await expectAccessible(page);
  const family = `Quarrel${Date.now()}`;
  await page.getByLabel('Given name').fill('Otto');
  await page.getByLabel('Family name').fill(family);
  await page.getByLabel('Birth year').fill('1');
  await page.getByRole('button', { name: 'Evening Lanes' }).click();
  await page.getByRole('button', { name: 'Save swimmer' }).click();
  await expect(page.getByText('At least 1910.')).toBeVisible();
  await page.getByLabel('Birth year').fill('1990');

  quiet.networkErrors = true;
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Save swimmer' }).click();
  await expect(page.getByText('No connection to the server.', { exact: false })).toBeVisible();
  await context.setOffline(false);

  // The server stores it, but the answer never arrives: the coach presses again.
  await page.route('**/api/v1/swimmers/*', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue();
    await route.fetch();
    await route.abort();
    await page.unroute('**/api/v1/swimmers/*');
  });
  await page.getByRole('button', { name: 'Save swimmer' }).click();
  await expect(page.getByText('No connection to the server.', { exact: false })).toBeVisible();
  await expect(page.getByLabel('Family name')).toHaveValue(family);
  await page.getByRole('button', { name: 'Save swimmer' }).click();
  await expect(page.getByRole('heading', { name: `Otto ${family}` })).toBeVisible();
  const found = await page.request.get(`/api/v1/swimmers?search=${family}`);
  expect(((await found.json()) as { items: unknown[] }).items).toHaveLength(1);
});

test('a sign-in that ran out brings the coach back to where the work was', async ({ page, context, quiet }) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/swimmers');
  await page.getByRole('link', { name: 'Kasper Lindqvale' }).click();
  await page.getByRole('button', { name: 'Look again' }).click();
  await page.getByRole('button', { name: 'Signs at the legs' }).click();
  await page.getByRole('button', { name: 'the feet are hooked: often' }).first().click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  // Without anything good said it is not sent, and says so at the field.
  await page.getByRole('button', { name: 'Make it the focus: stiff ankles' }).click();
  await expect(page.getByText('Say one thing that is good first.')).toBeVisible();
  await page.getByLabel('First, what is good?').fill('Strong finish');
  quiet.networkErrors = true;
  await context.clearCookies();
  await page.getByRole('button', { name: /^Make it the focus/ }).click();
  await page.getByLabel('E-mail').fill('coach@upwell.example');
  await page.getByLabel('Password', { exact: true }).fill('quiet-water-demo');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/review$/);
  await expect(page.getByLabel('First, what is good?')).toHaveValue('Strong finish');
});

test('a swimmer finds their own page and nothing of others', async ({ page }) => {
  await signIn(page, 'swimmer@upwell.example');
  await expect(page.getByRole('heading', { name: 'Ines Okoro-Vale' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Edit' })).toBeHidden();
  await page.getByRole('link', { name: 'Swimmers', exact: true }).click();
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await expectAccessible(page);
});

test('the night theme is as readable, and the library holds its causes', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await signIn(page);
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('button', { name: 'seeks air too low' }).click();
  await expect(page.getByText('To tell it apart', { exact: false })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Sessions', exact: true }).click();
  await page
    .getByRole('link', { name: /Hum until you turn/ })
    .first()
    .click();
  await expect(page.getByText(/^All out at/)).toBeVisible();
  await expectAccessible(page);
});
