import { expect, expectAccessible, idOf, signIn, test } from './fixtures';

/** Seconds at which each hand of the shipped clip goes in: a cycle of 1.6 s, the right hand half a cycle later. */
const ENTRIES = [
  [1.6, 'left'],
  [2.4, 'right'],
  [3.2, 'left'],
  [4.0, 'right'],
  [4.8, 'left'],
] as const;

test('a clip is measured and its measures lead to the focus', async ({ page }, info) => {
  await signIn(page, 'coach@upwell.example');
  const search = info.project.name === 'phone' ? 'halina' : 'wanda';
  await page.goto(`/swimmers/${await idOf(page, search)}/clip`);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Low legs, side' }).click();
  await expect(page.getByRole('button', { name: 'One frame forward' })).toBeEnabled();

  // Stepping moves by one frame of this clip, 25 a second.
  const now = () => page.evaluate(() => document.querySelector('video')!.currentTime);
  await page.getByRole('button', { name: 'One frame forward' }).click();
  await expect.poll(now).toBeCloseTo(0.06, 2);
  for (const [timeS, side] of ENTRIES) {
    await page.evaluate((t) => (document.querySelector('video')!.currentTime = t), timeS);
    await expect.poll(now).toBeCloseTo(timeS, 3);
    if (info.project.name === 'phone') await page.getByRole('button', { name: `${side} hand in`, exact: true }).click();
    else await page.keyboard.press(side === 'left' ? 'f' : 'j');
  }
  await expect(page.getByText('75.0', { exact: true })).toBeVisible();

  // A line from shoulder to hip, drawn twice: the angle with its reading error.
  await page.getByRole('button', { name: 'Lines', exact: true }).click();
  const frame = (await page.locator('video').boundingBox())!;
  const click = (x: number, y: number) => page.mouse.click(frame.x + frame.width * x, frame.y + frame.height * y);
  for (const dy of [0, 0.01]) {
    await click(0.33, 0.47);
    await click(0.55, 0.6 + dy);
  }
  await expect(page.getByText(/^1\d° ± \d\.\d \(2\)$/)).toBeVisible();
  await expectAccessible(page);

  // Notes out as WebVTT.
  await page.getByRole('button', { name: 'Notes', exact: true }).click();
  await page.getByLabel('Note at this moment').fill('legs hang');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export WebVTT' }).click();
  const stream = await (await download).createReadStream();
  const text = Buffer.concat(await stream.toArray()).toString();
  expect(text).toMatch(/^WEBVTT\n\n00:00:04\.\d{3} --> 00:00:06\.\d{3}\nlegs hang\n$/);

  // A reload in the middle loses no tap.
  await page.reload();
  await expect(page.getByText('Your taps are still here.', { exact: false })).toBeVisible();
  await expect(page.getByText('75.0', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: /^Take \d measures in the review$/ }).click();
  await expect(page.getByRole('heading', { name: 'Measured' })).toBeVisible();
  await expect(page.getByText('75/min')).toBeVisible();
  await expect(page.getByText('the rate is above the band', { exact: false }).first()).toBeVisible();
  await expectAccessible(page);
});

test('hand entries are found in the pixels of a clip, and counted once they are taken @wide', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto(`/swimmers/${await idOf(page, 'castellane')}/clip`);
  await page.getByRole('button', { name: 'Steady, side' }).click();
  await page.getByRole('button', { name: 'Look for hand entries' }).click();
  // One hand a second goes in.
  await expect(page.getByText(/^(59|60|61)\.\d strokes a minute, give or take \d\.\d$/)).toBeVisible({
    timeout: 90_000,
  });
  const entries = page.getByRole('list', { name: 'Proposed entries' }).getByRole('button');
  expect(await entries.count()).toBeGreaterThanOrEqual(6);
  await expect(page.getByText('Tap at least three hand entries.')).toBeVisible();
  await expectAccessible(page);
  await entries.nth(2).click();
  await page.getByRole('button', { name: /^Take \d entries as taps$/ }).click();
  await expect(page.getByText(/^(59|60|61)\.\d$/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Tap at least three hand entries.')).toBeVisible();

  // From another side it is none, and says so.
  await page.getByRole('button', { name: 'from the front' }).click();
  await page.getByRole('button', { name: 'Look for hand entries' }).click();
  await expect(page.getByText(/^Cannot see the strokes: /)).toBeVisible({ timeout: 90_000 });
  await expectAccessible(page);
});

test('a video that cannot be played says so and keeps the table open @phone', async ({ page, quiet }) => {
  quiet.networkErrors = true;
  await signIn(page);
  await page.goto(`/swimmers/${await idOf(page, 'mirela')}/clip`);
  const choose = async (buffer: Buffer) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a video on this device' }).click();
    await (await chooser).setFiles({ name: 'clip.mp4', mimeType: 'video/mp4', buffer });
  };
  await choose(Buffer.alloc(0));
  await expect(page.getByText('This file is empty', { exact: false })).toBeVisible();
  await choose(Buffer.from('this is no video'));
  await expect(page.getByText('This video cannot be played here.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Choose another' }).click();
  await expect(page.getByRole('button', { name: 'Choose a video on this device' })).toBeVisible();

  // A child whose guardian was not asked: no clip at all.
  await page.goto(`/swimmers/${await idOf(page, 'nessa')}/clip`);
  await expect(page.getByText('the guardian has not agreed to clips', { exact: false })).toBeVisible();
});

test('tries on deck lead to the second look, and the drill earns its record @phone', async ({ page }, info) => {
  await signIn(page, 'coach@upwell.example');
  const name = info.project.name === 'phone' ? 'Kasper' : 'Sunniva';
  const id = await idOf(page, name.toLowerCase());
  await page.goto(`/swimmers/${id}/focus`);
  await page.getByRole('button', { name: 'Worse', exact: true }).click();
  await expect(page.getByText(/^Worse with float-board side breathing/)).toBeVisible();
  await page.getByRole('button', { name: /^Use / }).click();
  await expect(page.getByRole('heading', { name: 'Breath-height swim' })).toBeVisible();
  await page.getByLabel('Says the cue back').fill('sip to the side');
  await page.getByRole('button', { name: 'Keep the words' }).click();
  await expect(page.getByRole('button', { name: 'Keep the words' })).toBeDisabled();
  await expectAccessible(page);

  // The second look: the old signs side by side with what is seen now.
  await page.getByRole('button', { name: 'Second look' }).click();
  await expect(page.getByRole('heading', { name: 'Then and now' })).toBeVisible();
  await page.getByRole('button', { name: 'the face turns past the side up and back: not there' }).first().click();
  await expect(page.getByRole('button', { name: 'Outcome: Better' })).toHaveAttribute('aria-pressed', 'true');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Signs at the legs' }).click();
  await page.getByRole('button', { name: 'the feet are hooked: often' }).first().click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByLabel('First, what is good?').fill('Quiet breath');
  await page.getByRole('button', { name: /^Make it the focus/ }).click();
  await expect(page.getByText('Turning too far for air: better').first()).toBeVisible();
  await expectAccessible(page);
});

test('the eye is trained on simulated swimmers, and the hand-out is shared until it is taken back @wide', async ({
  page,
  context,
  quiet,
}) => {
  await signIn(page, 'coach@upwell.example');
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('button', { name: 'Train the eye' }).click();
  await page.getByRole('checkbox').first().click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'I see 1 of these' }).click();
  await expect(page.getByText(/^\d found, \d missed, \d false alarms?$/)).toBeVisible();
  await expect(page.getByText(/^kappa −?-?\d\.\d\d over \d$/)).toBeVisible();
  await expectAccessible(page);

  await page.goto(`/swimmers/${await idOf(page, 'mirela')}/handout`);
  await page.getByRole('button', { name: 'Make a link' }).click();
  const address = await page.getByLabel('The link, shown only once').inputValue();
  await expectAccessible(page);
  const guest = await (await context.browser()!.newContext({ locale: 'en-GB' })).newPage();
  await guest.goto(address);
  await expect(guest.getByRole('heading', { name: 'For Mirela' })).toBeVisible();
  await expectAccessible(guest);
  const pdf = await guest.request.get(`${address.replace('/h/', '/api/v1/handouts/')}/page.pdf`);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  quiet.networkErrors = true;
  await page
    .getByRole('button', { name: /^Revoke the link/ })
    .first()
    .click();
  await expect(page.getByText(/, revoked$/).first()).toBeVisible();
  await guest.reload();
  await expect(guest.getByText('This page is no longer shared.', { exact: false })).toBeVisible();
  await guest.close();
});

test('a swimmer is edited: the model’s consequences show, a goal is set, the consent for clips is noted', async ({
  page,
}, info) => {
  await signIn(page);
  // Not the child whose clips another journey expects to stay shut.
  const name = info.project.name === 'phone' ? 'yara' : 'tamsin';
  await page.goto(`/swimmers/${await idOf(page, name)}/edit`);
  await page.getByRole('checkbox', { name: 'The guardian agreed to clips' }).click();
  await page.getByRole('button', { name: /^Quick rhythm/ }).click();
  await expect(page.getByText('• Catch-up at shoulder width now goes against the model.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Long line/ }).click();
  // One of the two has a goal already: it is dropped first.
  if (info.project.name === 'phone') await page.getByRole('button', { name: 'No goal' }).click();
  await page.getByRole('button', { name: 'Set a goal' }).click();
  await page.getByLabel('Event').fill('Lantern Mile');
  await page.getByLabel('Date', { exact: true }).fill('20/06/2027');
  await page.getByLabel('Distance, metres').fill('1600');
  await page.getByRole('button', { name: 'Save swimmer' }).click();
  await expect(page.getByRole('heading', { name: 'Lantern Mile' })).toBeVisible();
  await page.getByRole('button', { name: 'Look at a clip' }).click();
  await expect(page.getByRole('heading', { name: 'Clip table' }).or(page.getByText('has not agreed'))).toBeVisible();
});

test('lines and signs by the keyboard alone @wide', async ({ page }) => {
  await signIn(page);
  const id = await idOf(page, 'otis');
  await page.goto(`/swimmers/${id}/clip`);
  await page.getByRole('button', { name: 'Steady, side' }).press('Enter');
  await expect(page.getByRole('button', { name: 'One frame forward' })).toBeEnabled();
  await page.getByRole('button', { name: 'Lines', exact: true }).press('Enter');
  const cross = page.getByRole('button', { name: /^Draw on the frame/ });
  await cross.press('ArrowUp');
  await cross.press('Enter');
  await expect(page.getByText('Now click the second place.')).toBeVisible();
  for (let i = 0; i < 10; i++) await cross.press('ArrowRight');
  await cross.press('Enter');
  await expect(page.getByText('0°, one reading')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(page.getByText('0°, one reading')).toBeHidden();

  await page.goto(`/swimmers/${id}/review`);
  await page.getByRole('button', { name: 'Signs at the legs' }).press('Enter');
  const hooked = page.getByRole('button', { name: 'the feet are hooked: often' }).first();
  await hooked.press('Space');
  await expect(hooked).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(hooked).toHaveAttribute('aria-pressed', 'false');
});

test('tries on deck wait on the device while the network is gone @phone', async ({ page, context, quiet }) => {
  await signIn(page);
  await page.goto(`/swimmers/${await idOf(page, 'teo')}/focus`);
  await expect(page.getByText('Better twice in a row: good enough for today.')).toBeVisible();
  quiet.networkErrors = true;
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Same', exact: true }).click();
  await expect(page.getByText('Offline · 1 waits')).toBeVisible();
  await page.getByRole('button', { name: 'Same', exact: true }).click();
  await expect(page.getByText(/^The same twice with/)).toBeVisible();
  await expectAccessible(page);
  await context.setOffline(false);
  // Sent by itself as soon as the network is back.
  await expect(page.getByText('2 wait', { exact: false })).toBeHidden({ timeout: 60_000 });
  // Stored once each, in their order; the last one can still be taken back.
  await page.reload();
  await expect(page.getByText('same · better · better · same · same', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last try' }).click();
  await expect(page.getByText('same · better · better · same', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last try' }).click();
  await expect(page.getByText('same · better · better', { exact: true })).toBeVisible();
});

test('a change that the server fails on is set aside, blocks nothing, and is sent when it can be @wide', async ({
  page,
  quiet,
}) => {
  await signIn(page);
  const [pia, teo] = [await idOf(page, 'pia'), await idOf(page, 'teo')];
  quiet.networkErrors = true;
  const plans = '**/race-plan*';
  await page.route(plans, (route) =>
    route.request().method() === 'PUT'
      ? route.fulfill({ status: 500, contentType: 'application/problem+json', body: '{"detail":"It broke here."}' })
      : route.continue(),
  );
  await page.goto(`/swimmers/${pia}/race`);
  const slider = page.getByRole('slider', { name: 'Extra distance on race day' });
  const before = Number(await slider.inputValue());
  await slider.press('ArrowLeft');
  await page.getByRole('button', { name: 'Keep it' }).click();
  // It is not the network, and the screen does not say so.
  await expect(page.getByText('The server is having trouble · 1 waits')).toBeVisible();

  // Another change behind it goes through.
  await page.goto(`/swimmers/${teo}/focus`);
  const stored = page.waitForResponse((r) => r.url().includes('/tries/') && r.request().method() === 'PUT' && r.ok());
  await page.getByRole('button', { name: 'Same', exact: true }).click();
  await stored;
  await expect(page.getByText('same · better · better · same', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last try' }).click();
  await expect(page.getByText('same · better · better', { exact: true })).toBeVisible();

  await page.goto('/waiting');
  await expect(page.getByText(/Sending this failed 3 times, so it is set aside/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByText('The reason: It broke here.', { exact: false })).toBeVisible();
  await expect(page.getByText('1 change needs your decision')).toBeVisible();
  await expectAccessible(page);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save to a file' }).click();
  expect((await saved).suggestedFilename()).toMatch(/\.json$/);

  await page.unroute(plans);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('Nothing waits')).toBeVisible();
  await page.goto(`/swimmers/${pia}/race`);
  await expect(slider).not.toHaveValue(String(before));
});
