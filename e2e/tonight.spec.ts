/** Tonight by hand: one is away, a guest swims along, lanes are changed by keys and by tapping; the deck runs it so. */
import { expect, expectAccessible, newSession, signIn, test } from './fixtures';

test('lanes are changed by hand while one is away, and the deck runs them so', async ({ page }) => {
  await signIn(page);
  const id = await newSession(page);
  // Evening Lanes only: the other squads are guests here.
  const squads = (await (await page.request.get('/api/v1/squads')).json()) as { id: string; name: string }[];
  const stored = (await (await page.request.get(`/api/v1/sessions/${id}`)).json()) as Record<string, unknown>;
  const { id: _, timeZone: _zone, ...fields } = stored;
  const squadIds = squads.filter((s) => s.name === 'Evening Lanes').map((s) => s.id);
  await page.request.put(`/api/v1/sessions/${id}`, {
    data: { ...fields, squadIds, writeId: crypto.randomUUID() },
  });
  const people = async () =>
    (await (await page.request.get(`/api/v1/sessions/${id}/people`)).json()) as {
      id: string;
      name: string;
      level: string;
      v400Mps: number;
    }[];
  const hold = (await people()).filter((p) => p.level === 'hold').sort((a, b) => b.v400Mps - a.v400Mps);
  const [first, second, third] = hold as unknown as readonly [{ name: string }, { name: string }, { name: string }];
  await page.goto(`/sessions/${id}?pane=lanes`);
  await page.getByRole('button', { name: /^Hold\s?[\d,]+ m$/ }).click();
  await page.getByRole('button', { name: 'More lanes' }).click();
  await expect(page.getByText('Lane 2', { exact: true }).first()).toBeVisible();
  // A short session: everybody is out in time, lane by lane.
  await expect(page.getByText('Lanes tonight: all out in time')).toBeVisible();
  await expect(page.getByText(/^out at 19:\d\d$/).first()).toBeVisible();
  await expectAccessible(page);

  // One is away: nobody of the pane has them, and they can be brought back.
  await page.getByRole('button', { name: `Tonight: ${second.name}` }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Away tonight' }).click();
  await expect(page.getByText('1 away', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: `Tonight: ${second.name}` })).toBeHidden();
  await expect(page.getByRole('button', { name: `${second.name} is here` })).toBeVisible();

  // The fastest goes to the second lane by tapping; somebody of it comes to the first by keys.
  await page.getByRole('button', { name: `Tonight: ${first.name}` }).click();
  await page.getByRole('group', { name: 'Hold: lane' }).getByRole('button', { name: '2' }).click();
  await expect(page.getByText(/, 1 by hand,/)).toBeVisible();
  await page.getByRole('button', { name: `Close: ${first.name}` }).click();
  const grip = page.getByRole('button', { name: `Move ${third.name}` });
  await grip.focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await expect(page.getByText(/put in by hand/)).toBeVisible();

  // A guest of another squad.
  await page.getByLabel('Find a swimmer of another squad').first().fill('emrys');
  await page.getByRole('button', { name: /^Emrys .* swims along$/ }).click();
  await expect(page.getByText(/1 guest/)).toBeVisible();

  // Undo takes the last step back, and saving keeps the rest.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/1 guest/)).toBeHidden();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByText('Unsaved changes are kept on this device.')).toBeHidden();
  await page.reload();
  await expect(page.getByText('1 away', { exact: false })).toBeVisible();
  expect((await people()).map((p) => p.name)).not.toContain(second.name);

  await page.goto(`/deck/${id}/run`);
  await expect(page.getByText(first.name.split(' ')[0]!, { exact: false }).first()).toBeVisible();
  await expect(page.getByText(second.name, { exact: false })).toBeHidden();

  // All as usual again.
  await page.goto(`/sessions/${id}?pane=lanes`);
  await page.getByRole('button', { name: 'All as usual' }).click();
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByText('Unsaved changes are kept on this device.')).toBeHidden();
  expect((await people()).map((p) => p.name)).toContain(second.name);
});
