/** The club's own library: a drill from its card to the deck and the hand-out, words of its own, another club's file. */
import { expect, expectAccessible, idOf, PASSWORD, signIn, test } from './fixtures';

test('a drill of the club goes from its card into a session, onto the deck, into a review and onto the hand-out @phone', async ({
  page,
}, info) => {
  // One for each width: they share the club.
  const name = info.project.name === 'phone' ? 'Mitten swim' : 'Closed umbrella';
  const slug = name.toLowerCase().replace(' ', '-');
  await signIn(page);
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('tab', { name: 'Drills' }).click();
  await page.getByRole('button', { name: 'Write a drill of your own' }).click();
  await expect(page.getByText('Still missing: a name, why it helps, a step, a cue.')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Why it helps').fill('A small hand lets the forearm feel the water.');
  await page.getByLabel('Find a fault that it answers').fill('flat hand');
  await page.getByRole('group', { name: 'It answers' }).getByRole('button').first().click();
  await page.getByLabel('Steps, one on each line').fill('Roll the fingers in.\nSwim 15 m under water.');
  await page.getByLabel('Cue, as it is said at the wall').fill('Forearm first.');
  await page.getByRole('button', { name: 'in standing depth' }).click();

  // An unsafe card cannot be saved, and says why.
  await expect(
    page.getByText('What is done in standing depth is counted in tries or seconds, never in metres.').first(),
  ).toBeVisible();
  await expect(
    page.getByText('No distance under water: fit people faint there without a warning.').first(),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await expectAccessible(page);

  // What was written survives a reload.
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name);
  await page.getByLabel('Steps, one on each line').fill('Roll the fingers in.\nSwim easy, breathe as usual.');
  await page.getByRole('button', { name: 'in standing depth' }).click();
  await page.getByRole('button', { name: 'in the pool' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(`“${name}” is saved, and used from now on.`)).toBeVisible();
  await expect(page.getByRole('button', { name: new RegExp(`^${name}.*ours`) })).toBeVisible();
  await expectAccessible(page);

  // Read in a text and planned by the builder at once.
  const swimmer = await idOf(page, info.project.name === 'phone' ? 'otis' : 'sunniva');
  const text = `# Own drill\npool: 25 m\n\n== Hold\nlevel: hold\nwho: 6 swimmers in 1 lane\nDrills\n  4 x 25 drill ${slug}, rest 20\nMain\n  2 x 100 crawl 75%, rest 20\n`;
  const read = await page.request.post('/api/v1/compute/session-text', { data: { text } });
  const { session, problems } = (await read.json()) as { session: { plan: object }; problems: object[] };
  expect(problems).toEqual([]);
  const squads = (await (await page.request.get('/api/v1/squads')).json()) as { id: string; name: string }[];
  const id = crypto.randomUUID();
  const date = info.project.name === 'phone' ? '2032-05-01' : '2032-05-02';
  const saved = await page.request.put(`/api/v1/sessions/${id}`, {
    data: {
      ...{ title: `With ${name}`, date, startTime: '19:00', version: 0, writeId: crypto.randomUUID() },
      ...{ squadIds: squads.filter((s) => s.name === 'Evening Lanes').map((s) => s.id), plan: session.plan },
    },
  });
  expect(saved.status()).toBe(200);
  await page.goto(`/deck/${id}`);
  await expect(page.getByText(name).first()).toBeVisible();
  await expect(page.getByText('Forearm first.', { exact: false }).first()).toBeVisible();
  await expectAccessible(page);

  // The review proposes it for the fault that it answers; the hand-out carries it.
  await page.goto(`/swimmers/${swimmer}/review`);
  await page.getByText('Entry', { exact: true }).click();
  await page.getByRole('button', { name: 'Signs at the front arm' }).first().click();
  await page.getByRole('button', { name: 'the hand is laid on the surface: often' }).first().click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByLabel('First, what is good?').fill('Calm');
  await page.getByRole('button', { name }).click();
  await page.getByRole('button', { name: /^Make it the focus/ }).click();
  await expect(page.getByRole('heading', { name: 'The one focus' })).toBeVisible();
  await page.goto(`/swimmers/${swimmer}/handout`);
  await expect(page.getByText(name).first()).toBeVisible();
  await expect(page.getByText('Roll the fingers in.', { exact: false })).toBeVisible();
  await expectAccessible(page);

  // It stands somewhere now: it can be hidden and used again, and its card stays.
  await page.goto(`/library?show=drills&open=own-${slug}`);
  await page.getByRole('button', { name: 'Hide', exact: true }).click();
  await expect(page.getByRole('button', { name: new RegExp(`^${name}.*ours, hidden`) })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(`“${name}” is as it was before.`)).toBeVisible();
});

test('two clubs share what they wrote: a file with clashes is settled line by line @phone', async ({ page }) => {
  await signIn(page);
  const shared = (await (await page.request.get('/api/v1/library/file')).json()) as {
    entries: { kind: string; key: string; body: Record<string, unknown> }[];
  };
  const drill = shared.entries.find(({ key }) => key === 'own-deep-rungs')!;
  const { card } = drill.body as { card: object };
  const file = {
    ...{ format: 'upwell-library', formatVersion: 1, club: 'Kestrel Bay', savedAt: '2026-11-20T10:00:00Z' },
    entries: [
      { ...drill, body: { ...drill.body, card: { ...card, cue: 'Deep, then long.' } } },
      { kind: 'signs', key: 'gasps', body: { seen: 'gasps for air' } },
      {
        kind: 'drills',
        key: 'own-tunnel',
        body: { answers: ['spins'], card: { ...card, name: 'Tunnel', steps: ['25 m under water.'] } },
      },
    ],
  };
  await page.goto('/library/ours');
  await expect(page.getByText('Drill: Deep rungs')).toBeVisible();
  await expectAccessible(page);
  const open = async (content: string) => {
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Open another club’s' }).click();
    await (
      await choosing
    ).setFiles({ name: 'library.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  };
  await open('{"format":"upwell-session"}');
  await expect(page.getByText('This is not the library of a club.', { exact: false })).toBeVisible();
  await open(JSON.stringify(file));
  await expect(page.getByText('2 new, 0 the same as yours, 1 clash.')).toBeVisible();
  await expect(page.getByText('1 clash to settle first.')).toBeVisible();
  await page.getByRole('button', { name: 'keep both' }).click();
  await expect(page.getByText('Drill: Tunnel: No distance under water', { exact: false })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await page.getByRole('button', { name: 'Take in 2 entries' }).click();
  await expect(page.getByText('2 entries of Kestrel Bay came in, and count from now on.')).toBeVisible();
  await expect(page.getByText('Drill: Deep rungs (Kestrel Bay)')).toBeVisible();

  // Another coach reads it and cannot change it.
  const coach = await (await page.context().browser()!.newContext({ locale: 'en-GB' })).newPage();
  await coach.goto(`${new URL(page.url()).origin}/`);
  await coach.getByLabel('E-mail').fill('coach@upwell.example');
  await coach.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await coach.getByRole('button', { name: 'Sign in' }).click();
  await expect(coach).toHaveURL(/\/deck/);
  await coach.goto(`${new URL(page.url()).origin}/library?show=drills`);
  await expect(coach.getByRole('button', { name: /^Deep rungs \(Kestrel Bay\)/ })).toBeVisible();
  await expect(coach.getByRole('button', { name: 'Write a drill of your own' })).toBeHidden();
  await coach.close();
});

test('the words, strengths, limits and levels of the club are changed where they stand @wide', async ({ page }) => {
  await signIn(page);
  await page.goto('/library?show=signs&open=belly-hangs');
  await page.getByRole('button', { name: 'Change the words' }).click();
  await page.getByLabel('What the eye sees').fill('the belly sags like a hammock');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('button', { name: /^The belly sags like a hammock.*changed by us/ })).toBeVisible();

  await page.goto('/library?show=causes&open=soft-core');
  await expect(page.getByText('the belly sags like a hammock', { exact: false }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Change the cue' }).click();
  await page.getByLabel('Cue, as it is said at the wall').fill('No breath until the wall.');
  await expect(page.getByText('No held breath: say when to breathe.', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await page.getByLabel('Cue, as it is said at the wall').fill('Zip up the belly.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Cue: “Zip up the belly.”', { exact: false })).toBeVisible();
  await expectAccessible(page);

  await page.goto('/library?show=ladders&open=race');
  await page.getByRole('button', { name: 'Change name and metres' }).click();
  await page.getByLabel('What your club calls it').fill('Hold');
  await expect(page.getByText('Another level is called “Hold”.')).toBeVisible();
  await page.getByLabel('What your club calls it').fill('Pike');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Pike.*changed by us/ })).toBeVisible();
  await page.goto('/swimmers');
  await expect(page.getByRole('button', { name: 'Pike', exact: true })).toBeVisible();
  // Back to the built-in, for the journeys that follow.
  await page.goto('/library?show=ladders&open=race');
  await page.getByRole('button', { name: 'Back to the built-in' }).click();
  await expect(page.getByRole('button', { name: /^Race/ })).toBeVisible();
  await page.goto('/library?show=signs&open=belly-hangs');
  await page.getByRole('button', { name: 'Back to the built-in' }).click();
  await expect(page.getByRole('button', { name: /^The middle sags/ })).toBeVisible();
});
