import { expect, expectAccessible, signIn, test } from './fixtures';

const FEW = (breaths: string) => `# Quick breaths of ours
pool: 25 m
minutes: 30

== Race
level: race
pace: 1.25 m/s, 1.1 m a stroke
lifeguard: "Sela Quill", rules told
Main
  4 x 50 crawl strong, breaths ${breaths} a rep, rest 60
`;

test('few breaths are refused, offered with more air, kept, and asked of each person at the pool side @phone', async ({
  page,
}) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/sessions/write');
  const text = page.getByLabel('The session as text');
  await text.fill(FEW('4..1'));
  await expect(page.getByText(/26\.\d m without air|2[56](\.\d)? m without air/).first()).toBeVisible();
  await expect(page.getByText(/5, 4, 3, 2 breaths a rep would do/).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await text.fill(FEW('5..2'));
  await page.getByRole('button', { name: 'Crossing Crew' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();

  // Who swims it: grown-ups one by one; the young by name, with the reason.
  const who = page.getByRole('group', { name: 'Who swims it with few breaths' });
  await expect(who.getByText('Teo Ashgrave: under 16, or of unknown age')).toBeVisible();
  await who.getByRole('checkbox', { name: 'Runa Silverlock' }).click();
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByRole('button', { name: 'Save changes' })).toBeDisabled();
  await expectAccessible(page);

  // On the card, and at the pool side, where it is asked again.
  await page.getByRole('button', { name: 'Take to deck' }).click();
  await expect(page.getByText(/a fit swimmer can faint under water/)).toBeVisible();
  await expect(page.getByText('Lifeguard: Sela Quill.')).toBeVisible();
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(page.getByText(/Until this is ticked, everyone breathes freely in these sets/)).toBeVisible();
  await page.getByRole('checkbox', { name: /^Sela Quill is watching now/ }).click();
  await expect(page.getByRole('checkbox', { name: 'Runa Silverlock' })).not.toBeChecked();
  await page.getByRole('button', { name: 'Begin' }).click();
  const tile = (name: string) => page.getByTestId('tile').filter({ hasText: name });
  for (const name of ['Teo', 'Yara', 'Runa']) await expect(tile(name).first()).toContainText('breathes freely');
  await expect(tile('Bo').first()).not.toContainText('breathes freely');
});

test('beginners are planned tries where one can stand, by the clock, with what is to be done on the card @wide', async ({
  page,
}) => {
  await signIn(page, 'second@upwell.example');
  await page.goto('/sessions/new');
  await page.getByRole('button', { name: /^First Lengths/ }).click();
  await expect(page.getByText('by the clock', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Settle: check first that this pool has standing depth/)).toBeVisible();
  // Without standing depth there is no way round it.
  await page.getByRole('group', { name: 'Standing depth' }).getByRole('button', { name: 'nowhere' }).click();
  await expect(page.getByText(/beginners need standing depth, and this pool has none/)).toBeVisible();
  await page.getByRole('group', { name: 'Standing depth' }).getByRole('button', { name: 'somewhere' }).click();
  await expect(page.getByText('by the clock', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Take to deck' }).click();
  await expect(page.getByText(/Two hands on the wall, feet down, bubbles for five seconds/).first()).toBeVisible();
  await expect(page.getByText('Standing depth only, one instructor close by.').first()).toBeVisible();
  await expectAccessible(page);
});
