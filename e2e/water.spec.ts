import { readFileSync } from 'node:fs';
import { readCourseGpx } from '@upwell/core/water';
import type { Page } from '@playwright/test';
import { expect, expectAccessible, signIn, test } from './fixtures';

test('a leg is read: where to aim, how often to look, which side, and what it costs', async ({ page }) => {
  await signIn(page, 'coach@upwell.example');
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await expect(page.getByText('Quill Crossing')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: /Quill Crossing/ }).click();
  await expect(page.getByRole('heading', { name: 'Start to 1' })).toBeVisible();

  // The swimmer's own times and drift; the answer comes with the swims.
  await page.getByRole('button', { name: /^For a swimmer/ }).click();
  const found = page.waitForResponse(/search=ines/);
  await page.getByLabel('Find a swimmer').fill('ines');
  await found;
  await expect(page.getByRole('button', { name: 'Corwin Stroud-Amari' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Ines Okoro-Vale' }).click();
  await expect(page.getByRole('button', { name: 'For Ines Okoro-Vale' })).toBeVisible();
  await expect(page.getByText(/From \d+ to \d+ it costs under half a per cent more/)).toBeVisible();
  await expect(page.getByText('Aim at the notch in the ridge', { exact: false })).toBeVisible();
  await expectAccessible(page);

  // Two fingers drawn apart: the map comes nearer, the scale bar stands for less.
  const map = page.getByRole('group', { name: /^Map of/ });
  await map.scrollIntoViewIfNeeded();
  const bar = map.locator('text', { hasText: /^[\d.]+ k?m$/ }).last();
  const metres = async () => {
    const [, number, kilo] = /([\d.]+) (k?)m/.exec((await bar.textContent())!)!;
    return Number(number) * (kilo ? 1000 : 1);
  };
  const far = await metres();
  const box = (await map.boundingBox())!;
  const middle = { x: box.x + box.width / 2, y: box.y + 120 };
  const cdp = await page.context().newCDPSession(page);
  const fingers = (type: 'touchStart' | 'touchMove', apart: number) =>
    cdp.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: [-apart, apart].map((dx, id) => ({ x: middle.x + dx, y: middle.y, id })),
    });
  await fingers('touchStart', 20);
  for (let apart = 20; apart <= 80; apart += 10) await fingers('touchMove', apart);
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect.poll(metres).toBeLessThan(far);

  // Drag the interval by keyboard: the clock follows.
  const slider = page.getByRole('slider', { name: 'Strokes between looks' });
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  const best = Number(await slider.getAttribute('aria-valuenow'));
  const clock = () =>
    page
      .getByText(/^\d+:\d\d$/)
      .first()
      .textContent();
  const before = await clock();
  await slider.focus();
  await page.keyboard.press('Home');
  await expect(page.getByText('Look every 2 strokes')).toBeVisible();
  expect(await clock()).not.toBe(before);
  // Another leg begins with its own best again.
  await page.getByRole('button', { name: 'The leg after' }).click();
  await expect(page.getByRole('heading', { name: '1 to 2' })).toBeVisible();
  await page.getByRole('button', { name: 'The leg before' }).click();

  // Waves and a current: looks come closer, the heading turns up-current, breathing turns away from the chop.
  await page.getByRole('button', { name: /10:30/ }).click();
  for (let i = 0; i < 5; i++) await page.getByLabel('More m waves').click();
  for (let i = 0; i < 2; i++) await page.getByLabel('More m/s current').click();
  await page
    .getByRole('group', { name: 'The waves come from' })
    .getByRole('button', { name: 'W', exact: true })
    .click();
  await expect(page.getByText('The waves come from the left: breathe away from them.')).toBeVisible();
  await expect(page.getByText(/up-current/)).toBeVisible();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect.poll(async () => Number(await slider.getAttribute('aria-valuenow'))).toBeLessThanOrEqual(best);

  // A current as fast as the swimmer is said, not computed.
  const current = page.getByRole('textbox', { name: 'm/s current' });
  await current.fill('1.5');
  await current.press('Enter');
  await expect(page.getByText(/this leg cannot be swum/)).toBeVisible();
  // It was only tried: what was read is one tap away.
  await page.getByRole('button', { name: 'Back to what was read' }).click();
  await expect(page.getByText(/this leg cannot be swum/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: /waves 0\.7 m from NW \(read \d\d:\d\d\)/ })).toBeVisible();
});

test('a course is drawn, saved, taken away as GPX and brought in again', async ({ page }, info) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  await page.getByRole('button', { name: 'Draw a course' }).click();
  await page.getByRole('button', { name: '+ Mark' }).click();
  const map = page.getByRole('group', { name: /^Map of/ });
  const box = (await map.boundingBox())!;
  // It opens at a useful scale; the buttons zoom with a mouse and a finger, and drop no mark under themselves.
  const scale = map.locator('svg').getByText(/^\d+ k?m$/);
  await expect(scale).toHaveText(/^[125]00 m$/);
  const opened = (await scale.textContent())!;
  const nearer = page.getByRole('button', { name: 'Nearer' });
  for (let i = 0; i < 2; i++) await nearer.click();
  await expect(scale).not.toHaveText(opened);
  const farther = page.getByRole('button', { name: 'Farther' });
  for (let i = 0; i < 2; i++) await (info.project.name === 'phone' ? farther.tap() : farther.click());
  await expect(scale).toHaveText(opened);
  await expect(page.getByText(/m · 0 marks/)).toBeVisible();
  await page.mouse.click(box.x + box.width * 0.35, box.y + 40);
  await page.mouse.click(box.x + box.width * 0.7, box.y + 60);
  await expect(page.getByText(/m · 2 marks/)).toBeVisible();

  // What cannot be swum is said and cannot be saved; undo takes it back.
  await page.getByRole('button', { name: '+ Forbidden' }).click();
  await page.mouse.click(box.x + box.width * 0.52, box.y + 50);
  await expect(page.getByText(/goes through/).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Give it a name to save it' })).toBeDisabled();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/goes through/)).toHaveCount(0);

  // The start is dragged: the ground stays, and it lies where the finger let go.
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await page.getByRole('button', { name: 'Show everything' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const ring = map.locator('circle[r="14"]');
  const from = (await ring.boundingBox())!;
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y - 30, { steps: 12 });
  await page.mouse.up();
  const to = (await ring.boundingBox())!;
  expect(Math.abs(to.x + to.width / 2 - (x + 60))).toBeLessThan(3);
  expect(Math.abs(to.y + to.height / 2 - (y - 30))).toBeLessThan(3);
  await page.getByRole('button', { name: 'Undo' }).click();

  // By numbers: 300 m due east of the start, by its position, and where the phone stands; each is one step back.
  await page.getByRole('button', { name: '+ Mark' }).click();
  await page.getByRole('button', { name: 'Place the next mark by numbers' }).click();
  await page.getByRole('group', { name: 'Measured from' }).getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByLabel('Bearing, degrees').fill('90');
  await page.getByLabel('Distance, metres').fill('a long way');
  await page.getByRole('button', { name: 'Place it there' }).click();
  await expect(page.getByText('Distance: A number, please.')).toBeVisible();
  await page.getByLabel('Distance, metres').fill('300');
  await page.getByRole('button', { name: 'Place it there' }).click();
  await expect(page.getByText(/m · 3 marks/)).toBeVisible();
  await page.getByLabel('Position of it').fill('N 31° 24.2′ W 41° 12.1′');
  await page.getByRole('button', { name: 'Place it at this position' }).click();
  await expect(page.getByText(/m · 4 marks/)).toBeVisible();
  await page.context().grantPermissions(['geolocation']);
  await page.context().setGeolocation({ latitude: 31.4041, longitude: -41.2012, accuracy: 40 });
  await page.getByRole('button', { name: 'Place it where I stand' }).click();
  await expect(page.getByText(/^Placed where this device is, within 40 m\. Wait in the open/)).toBeVisible();
  await expect(page.getByText(/m · 5 marks/)).toBeVisible();
  await expectAccessible(page);
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Move', exact: true }).click();

  // By keyboard: a mark is chosen and moved with buttons; the map itself moves with arrows.
  await page.getByRole('button', { name: 'Mark 2', exact: true }).click();
  const metres = () => page.getByText(/m · 2 marks/).textContent();
  const before = await metres();
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: '5 m north' }).click();
  expect(await metres()).not.toBe(before);
  await expectAccessible(page);

  // A closed tab loses nothing.
  const name = `Heron Loop ${info.project.name}`;
  await page.getByLabel('Name of the course').fill(name);
  await page.reload();
  await expect(page.getByLabel('Name of the course')).toHaveValue(name);
  await page.getByRole('button', { name: 'Save the course' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  await expect(page.getByText(/From \d+ to \d+ it costs/)).toBeVisible();

  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'GPX' }).click();
  const file = info.outputPath('heron.gpx');
  await (await downloading).saveAs(file);
  const { read, problems } = readCourseGpx(readFileSync(file, 'utf8'));
  expect(problems).toEqual([]);
  expect(read!.course.marks).toHaveLength(2);

  await page.goto('/water');
  let choosing = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a course' }).click();
  await (await choosing).setFiles(file);
  // Shown before anything is kept.
  await expect(page.getByRole('heading', { name: 'What was understood' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it to the map' }).click();
  await expect(page.getByLabel('Name of the course')).toHaveValue(name);
  await expect(page.getByText(/m · 2 marks/)).toBeVisible();

  await page.goto('/water');
  choosing = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a course' }).click();
  await (
    await choosing
  ).setFiles({ name: 'x.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from('<gpx><wpt></gpx>') });
  await expect(page.getByText(/this is not valid XML/)).toBeVisible();
});

test('a course from elsewhere shows what was understood, is assigned, and keeps its names @wide', async ({
  page,
}, info) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  const spot = (name: string, lon: number, lat: number) =>
    `<Placemark><name>${name}</name><Point><coordinates>${lon},${lat}</coordinates></Point></Placemark>`;
  const weir = '-41.204,31.401 -41.203,31.401 -41.203,31.402 -41.204,31.401';
  const kml = `<?xml version="1.0"?><kml xmlns="http://www.opengis.net/kml/2.2"><Document><name>Tern ${info.project.name}</name>
    ${spot('Slip', -41.2, 31.4)}${spot('Orange', -41.2, 31.404)}${spot('Green buoy', -41.196, 31.404)}
    ${spot('Old chapel', -41.2, 31.42)}${spot('Lost', -41.2, 131)}
    <Placemark><name>Weir</name><Polygon><outerBoundaryIs><LinearRing><coordinates>${weir}</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark>
    </Document></kml>`;
  const choosing = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a course' }).click();
  await (await choosing).setFiles({ name: 'tern.kml', mimeType: 'application/xml', buffer: Buffer.from(kml) });
  const places = page.getByRole('list', { name: 'Places in the file' });
  await expect(places.getByRole('listitem')).toHaveCount(5);
  for (const said of [
    /^Slip .*Start/,
    /^Green buoy .*Mark/,
    /^Old chapel .*Landmark/,
    /^Weir .*Forbidden/,
    /^Orange .*Left out/,
  ])
    await expect(places.getByRole('button', { name: said })).toBeVisible();
  await expect(page.getByText(/Point 5 \(Lost\) has no valid position/)).toBeVisible();
  await expect(page.getByText('m high (guessed)')).toBeVisible();
  await expectAccessible(page);

  // The coach says what the orange thing is, and how high the chapel; a closed tab loses neither.
  await places.getByRole('button', { name: /^Orange .*Left out/ }).click();
  await page.getByRole('group', { name: 'Orange is' }).getByRole('button', { name: 'Mark', exact: true }).click();
  await page.getByLabel('More m high (guessed)').click();
  await page.reload();
  await expect(places.getByRole('button', { name: /^Orange .*Mark/ })).toBeVisible();
  await expect(page.getByText('m high', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Take it to the map' }).click();
  await expect(page.getByLabel('Name of the course')).toHaveValue(`Tern ${info.project.name}`);
  await expect(page.getByText(/m · 2 marks/)).toBeVisible();
  for (const name of ['Mark Orange', 'Mark Green buoy'])
    await expect(page.getByRole('button', { name, exact: true })).toBeVisible();

  // What cannot be read is said where the file was chosen.
  await page.goto('/water');
  const again = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a course' }).click();
  await (await again).setFiles({ name: 'x.kml', mimeType: 'application/xml', buffer: Buffer.from(kml.slice(0, 300)) });
  await expect(page.getByText(/^This is not valid XML/)).toBeVisible();
});

/** Types a number that was read. */
async function readNumber(page: Page, label: string, value: string): Promise<void> {
  const box = page.getByRole('textbox', { name: new RegExp(`^${label}`) });
  await box.fill(value);
  await box.press('Enter');
  await expect(box).toHaveAccessibleName(/\(read \d\d:\d\d\)$/);
}

/** Reads everything as fine, one tap each where only eyes can tell. */
async function readAsFine(page: Page): Promise<void> {
  for (const label of ['Lightning or thunder?', 'Sewage warning?', 'Bloom, floating matter?', 'Seals, nesting birds?'])
    await page.getByRole('group', { name: label }).getByRole('button', { name: 'No' }).click();
  await page.getByRole('group', { name: 'Entry and exits walked?' }).getByRole('button', { name: 'Yes' }).click();
  await page.getByRole('group', { name: 'Visibility' }).getByRole('button', { name: 'Far' }).click();
  await page.getByRole('group', { name: 'Boats?' }).getByRole('button', { name: 'None' }).click();
  await page
    .getByRole('group', { name: /^Wind comes from/ })
    .getByRole('button', { name: 'N', exact: true })
    .click();
  for (const [label, value] of [
    ['°C water', '19'],
    ['°C air', '18'],
    ['m/s wind', '2'],
    ['m waves', '0.1'],
    ['m/s current', '0,1'],
    ['mm rain', '0'],
  ] as const)
    await readNumber(page, label, value);
  await page.getByLabel('More lifeguards and watchers').click();
  for (const name of ['Safety craft', 'Bright caps, floats', 'Stop signal agreed', 'Warm shelter at the exit'])
    await page.getByRole('button', { name, exact: true }).click();
  await page.getByLabel('Who calls for help').fill('Maren');
  await expect(page.getByText('Every check is answered and clear.')).toBeVisible();
}

/** Holds the button that signs until it has signed. */
async function holdToSign(page: Page, what: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^Hold to sign: ${what}`) }).hover();
  await page.mouse.down();
  await expect(page.getByText('Signed and on record.')).toBeVisible();
  await page.mouse.up();
}

/** So much rain in three days that it is a stop. */
async function rainHeavily(page: Page): Promise<void> {
  await readNumber(page, 'mm rain', '22');
}

/** Another hour on each size: what one reads is there for the other. */
async function ownHour(page: Page, size: string): Promise<void> {
  for (let i = 0; i < (size === 'wide' ? 8 : 4); i++) await page.getByRole('button', { name: 'More start' }).click();
}

test('whether to go is decided from what is read, signed, and kept with its reasons @phone', async ({ page }, info) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  await page.getByRole('link', { name: /Lantern Mile/ }).click();
  await page.getByRole('button', { name: 'Go or not?' }).click();
  await ownHour(page, info.project.name);
  const answer = page
    .getByRole('status')
    .filter({ hasText: /Go|Change the plan|Do not go/ })
    .first();
  await expect(answer).toContainText('Do not go');
  await expect(answer).toContainText('No qualified lifeguard is watching.');
  await expect(answer).toContainText('lightning or thunder');
  await expectAccessible(page);

  await readAsFine(page);

  // Nobody overrules fog; a coach alone overrules nothing.
  const sees = page.getByRole('group', { name: 'Visibility' });
  await sees.getByRole('button', { name: 'Fog' }).click();
  await expect(page.getByText(/This stop cannot be overruled/)).toBeVisible();
  await sees.getByRole('button', { name: 'Far' }).click();
  await rainHeavily(page);
  await expect(page.getByText(/Only the head coach overrules a stop/)).toBeVisible();
  await holdToSign(page, 'do not go');

  // The head coach does, in whole words; with a child in the group nobody does. A reload keeps what was entered.
  const address = page.url();
  await page.context().clearCookies();
  await signIn(page, 'head@upwell.example');
  await page.goto(address);
  // What the coach read is there for the head coach too; who goes in is not.
  await ownHour(page, info.project.name);
  await expect(page.getByText(/^mm rain, 72 h \(read/)).toBeVisible();
  await readAsFine(page);
  await rainHeavily(page);
  const reason = page.getByLabel(/^Overruled: which local rule/);
  await page.getByLabel('More under 16').click();
  await expect(reason).toBeHidden();
  await page.getByLabel('Fewer under 16').click();
  await reason.fill('....................');
  await expect(page.getByText(/Write the reason in full/)).toBeVisible();
  await reason.fill('The water office tested this morning and allows it.');
  await page.reload();
  await holdToSign(page, 'go, overruled');
  await expect(page.getByText(/Do not go, overruled: “The water office/).first()).toBeVisible();
});

test('what is read at the water is on the leg, on the card, in the plan and on the other device, without a network too @phone', async ({
  browser,
  page,
  server,
  quiet,
}, info) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  await page.getByRole('link', { name: /Lantern Mile/ }).click();
  await expect(page.getByRole('button', { name: /^10:30 .*\(forecast\)/ })).toBeVisible();
  const course = new URL(page.url()).pathname;
  // An hour for each size: what one reads is there for the other.
  const hour = info.project.name === 'wide' ? 16 : 15;
  const toHour = async (on: Page, name: string) => {
    for (let i = 0; i < (hour - 10) * 4 - 2; i++) await on.getByRole('button', { name }).click();
  };
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.goto(`${course}/card`);
  await expect(page.getByRole('listitem')).toHaveCount(4);
  await page.goto(`${course}/day`);
  await toHour(page, 'More start');

  // The network goes away; the readings are made all the same.
  quiet.networkErrors = true;
  await page.context().setOffline(true);
  await readNumber(page, 'm waves', '0.9');
  await page
    .getByRole('group', { name: /^Waves come from/ })
    .getByRole('button', { name: 'E', exact: true })
    .click();
  await readNumber(page, 'm/s wind', '0');
  await expect(page.getByText(/^Waves of 0\.9 m and no wind/)).toBeVisible();
  await readNumber(page, 'm/s wind', '7');
  await page.goto(course);
  const said = new RegExp(`^${hour}:00 .*waves 0\\.9 m from E \\(read \\d\\d:\\d\\d\\)`);
  await expect(page.getByRole('button', { name: said })).toBeVisible();
  await expect(page.getByText(/Higher recovery/)).toBeVisible();
  await page.goto(`${course}/card`);
  await expect(page.getByText(/waves 0\.9 m from E \(read \d\d:\d\d\)/)).toBeVisible();
  await expect(page.getByText(/Shorter and quicker/)).toBeVisible();
  await expectAccessible(page);
  await page.context().setOffline(false);

  // The head coach's device has it as soon as it has arrived.
  const context = await browser.newContext({ baseURL: server.url });
  const other = await context.newPage();
  await signIn(other, 'head@upwell.example');
  await other.goto(course);
  await other.getByRole('button', { name: /^10:30/ }).click();
  await toHour(other, 'More o’clock');
  await expect
    .poll(
      async () => {
        const shown = await other.getByRole('button', { name: said }).count();
        if (shown === 0) await other.reload();
        return shown;
      },
      { timeout: 60_000, intervals: [3000] },
    )
    .toBe(1);
  await context.close();
});

test('a swum track is laid over the course, kept with its swimmer, and tells how often to look @wide', async ({
  page,
}) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  await page.getByRole('link', { name: /Quill Crossing/ }).click();
  await page.getByRole('button', { name: 'Swum here' }).click();

  // Another place, and no track at all.
  const bring = async (name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Import a track' }).click();
    await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  const elsewhere = Array.from({ length: 60 }, (_, i) => `${1_780_000_000 + i},41.5000${i % 10},-41.2`).join('\n');
  await bring('there.csv', `time,lat,lon\n${elsewhere}`);
  await expect(page.getByText(/stays \d+ km from the course: it was swum somewhere else/)).toBeVisible();
  await bring('words.csv', 'a,b\n1,2');
  await expect(page.getByText(/neither GPX, TCX nor a CSV/)).toBeVisible();
  // Several tracks in one file: which of them is asked, each with its moment and its length.
  const track = (name: string, north: number) =>
    `<trk><name>${name}</name><trkseg>${Array.from({ length: 60 }, (_, i) => `<trkpt lat="${41.5 + north + i / 1e5}" lon="-41.2"><time>2026-06-0${north + 1}T10:${String(i).padStart(2, '0')}:00Z</time></trkpt>`).join('')}</trkseg></trk>`;
  await bring('two.gpx', `<gpx version="1.1">${track('Early', 1)}${track('Late', 2)}</gpx>`);
  await expect(page.getByText('2 tracks in this file: which one was swum here?')).toBeVisible();
  await page.getByRole('button', { name: /^Late · .* m$/ }).click();
  await expect(page.getByText(/stays \d[\d,]* km from the course: it was swum somewhere else/)).toBeVisible();

  await page.getByRole('button', { name: 'A simulated swim' }).click();
  await expect(page.getByText(/m swum for 28\d\d m of course/)).toBeVisible();
  await expect(page.getByText(/Turns \d\.\d° a stroke to the right/)).toBeVisible();
  await expectAccessible(page);
  // It was swum with looks every 14; told so, both the drift and the advice are worked out again.
  const drift = page.getByText(/a stroke to the right/);
  const before = await drift.textContent();
  const more = page.getByLabel('More strokes between looks');
  for (let i = 0; i < 6; i++) await more.click();
  await expect(drift).toHaveText(/^Turns 1\.6° a stroke .* Looking every 14 suits it\.$/);
  await expect(drift).not.toHaveText(before!);
  for (let i = 0; i < 6; i++) await more.click();
  await expect(drift).toHaveText(/Looking every \d+ instead of 20 would have saved about \d+ s/);
  for (let i = 0; i < 6; i++) await page.getByLabel('Fewer strokes between looks').click();
  await expect(drift).toHaveText(/Looking every 14 suits it/);

  await page.getByRole('button', { name: 'Who swam it?' }).click();
  await page.getByLabel('Find a swimmer').fill('ines');
  await page.getByRole('button', { name: 'Ines Okoro-Vale', exact: true }).click();
  await page.getByRole('button', { name: 'Keep it for Ines Okoro-Vale' }).click();
  await page
    .getByRole('listitem')
    .getByRole('button', { name: /Ines Okoro-Vale/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: /Ines Okoro-Vale,/ })).toBeVisible();
  await expectAccessible(page);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as GPX' }).click();
  const gpx = readFileSync(await (await saving).path(), 'utf8');
  expect(gpx).toContain('<name>Quill Crossing, ');
  expect(gpx.match(/<trkpt /g)!.length).toBeGreaterThan(500);

  // Her sheet uses this drift from now on: nothing is guessed of it.
  await page.goBack();
  await page.getByRole('button', { name: /^For / }).click();
  await page.getByLabel('Find a swimmer').fill('ines');
  await page.getByRole('button', { name: 'Ines Okoro-Vale' }).click();
  await expect(page.getByRole('button', { name: 'For Ines Okoro-Vale' })).toBeVisible();
  await expect(page.getByText(/drift: usual for the level/)).toHaveCount(0);
});

test('the race card is read on the phone and printed on A6 @phone', async ({ page, quiet }) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  await page.getByRole('link', { name: /Lantern Mile/ }).click();
  await page.getByRole('button', { name: 'Race card' }).click();
  const legs = page.getByRole('listitem');
  await expect(legs).toHaveCount(4);
  await expect(legs.first()).toContainText('Aim: the notch in the ridge');
  await expect(legs.first()).toContainText(/every \d+/);
  await expect(page.getByText('If I do not see the mark in three looks:')).toBeVisible();
  await expectAccessible(page);

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print, A6' }).click();
  const file = readFileSync(await (await download).path(), 'latin1');
  expect(file.slice(0, 5)).toBe('%PDF-');
  // 105 by 148 millimetres in points.
  expect(file).toMatch(/MediaBox \[0 0 297\.64 419\.53\]/);

  // Without a network the card is still there; only the paper needs the server.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  quiet.networkErrors = true;
  await page.context().setOffline(true);
  await page.reload();
  await expect(legs).toHaveCount(4);
  await page.getByRole('button', { name: 'Print, A6' }).click();
  await expect(page.getByText(/printing needs it/)).toBeVisible();
  await page.context().setOffline(false);
});

test('with the stream: the last way out is named, somebody picks up, and the turn is told without a buoy @wide', async ({
  page,
}, info) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/water');
  await page.getByRole('link', { name: /Ebb Run/ }).click();
  await expect(page.getByText(/No buoy: turn with the three poplars at right angles/)).toBeVisible();
  await page.getByRole('button', { name: 'Race card' }).click();
  await expect(page.getByRole('listitem')).toHaveCount(2);
  await expect(page.getByText(/^the reed steps after .* min: the last one\. In doubt, out here\.$/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print, A6' }).click();
  expect(readFileSync(await (await download).path(), 'latin1').slice(0, 5)).toBe('%PDF-');
  await page.goBack();
  await page.getByRole('button', { name: 'Go or not?' }).click();
  await ownHour(page, info.project.name);
  const answer = page
    .getByRole('status')
    .filter({ hasText: /Do not go/ })
    .first();
  await expect(answer).toContainText('With the stream a craft goes along with the swimmers.');
  await expect(answer).toContainText('Nobody is named who picks up');
  await page.getByLabel('Who picks up at the finish and at the exits').fill('Oda Brisk');
  await expect(answer).not.toContainText('Nobody is named who picks up');
  await expectAccessible(page);
});

test('a swim-out is planned on the course, decided on, and its heads are counted without a network', async ({
  page,
  quiet,
}) => {
  await signIn(page, 'head@upwell.example');
  await page.goto('/water');
  await page.getByRole('link', { name: /Lantern Mile/ }).click();
  await page.getByRole('button', { name: 'Plan a swim-out' }).click();
  await expect(page.getByRole('button', { name: 'Lantern Mile, 1631 m' })).toBeVisible();
  // The quicker course gives another loop; back to this one.
  await page.getByRole('button', { name: /^Quill Crossing, / }).click();
  await page.getByRole('button', { name: 'Lantern Mile, 1631 m' }).click();
  await page
    .getByRole('group', { name: 'Squads' })
    .getByRole('button', { name: /^Crossing Crew/ })
    .click();
  // A whole loop of a mile takes the slowest level that long.
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'More minutes' }).click();
  await page.getByRole('button', { name: /^(Store|Keep|Save)/ }).click();

  await page.getByRole('button', { name: 'Go or not?' }).click();
  await expect(page.getByText(/loops? and skills, ≈ \d+ m, \d+ min in the water/).first()).toBeVisible();
  const take = page.getByRole('button', { name: /^Take its (\d+) swimmers and (\d+) minutes/ });
  const [, swimmers, minutes] = /(\d+) swimmers and (\d+) minutes/.exec((await take.textContent())!)!;
  await take.click();
  await expect(page.getByRole('group', { name: 'swimmers', exact: true })).toContainText(swimmers!);
  await expect(page.getByRole('group', { name: 'minutes', exact: true })).toContainText(minutes!);

  // Too little water at the entry stops the plan; enough of it is shown as a window.
  await page.getByRole('button', { name: 'Depth at the entry matters here' }).click();
  await expect(page.getByText(/1\.0 m or more from \d\d:\d\d to \d\d:\d\d/)).toBeVisible();
  for (let i = 0; i < 12; i++) await page.getByLabel('Fewer m at mean tide').click();
  await expect(page.getByRole('status').filter({ hasText: 'Do not go' })).toContainText(/m at the entry: wait/);
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Head count' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForTimeout(1000);
  quiet.networkErrors = true;
  await page.context().setOffline(true);
  await page.reload();
  await page.getByRole('tab', { name: 'Heads' }).click();
  await page.getByRole('button', { name: 'Everyone else in' }).click();
  await expect(page.getByText(swimmers!, { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'All out' }).click();
  await page.context().setOffline(false);
});

test('an evening session two zones away is told by the clock of its course @phone', async ({
  browser,
  page,
  server,
}) => {
  // At home in the club's zone: a session in the pool is told plainly, one in the camp with whose clock it is.
  await signIn(page, 'coach@upwell.example');
  await page.getByRole('link', { name: 'Sessions', exact: true }).click();
  await expect(page.getByRole('link', { name: /19:00 (?!UTC)/ }).first()).toBeVisible();
  const camp = page.getByRole('link', { name: /Camp: evening loop/ });
  await expect(camp).toContainText('18:30 UTC−1');
  await camp.click();
  await expect(page.getByText(/18:30 UTC−1 · /)).toBeVisible();
  await expectAccessible(page);

  // There, the same evening: the clock on the wall and on the phone agree, so nobody is told of it.
  const context = await browser.newContext({ baseURL: server.url, timezoneId: 'Etc/GMT+1', locale: 'en-GB' });
  const there = await context.newPage();
  await signIn(there, 'coach@upwell.example');
  await there.goto(new URL(page.url()).pathname);
  await expect(there.getByText(/18:30 · /)).toBeVisible();

  // Whether to go is asked for its hour there, and the decision is kept and printed by that clock.
  await there.getByRole('link', { name: 'Water', exact: true }).click();
  await there.getByRole('link', { name: /Sable Point Camp/ }).click();
  await expect(there).toHaveURL(/\/water\/[0-9a-f-]+$/);
  await there.goto(`${there.url()}/day`);
  await expect(there.getByText(/Sable Point Camp · .*, 10:30$/)).toBeVisible();
  await page.goto(new URL(there.url()).pathname);
  await expect(page.getByText(/Sable Point Camp · .*, 10:30 UTC−1$/)).toBeVisible();
  const sunset = async (on: Page) => /sunset (\d\d:\d\d)/.exec((await on.getByText(/sunset/).textContent())!)![1];
  expect(await sunset(page)).toBe(await sunset(there));

  // In every calendar it is one moment: half past six by a clock that the file itself describes, an hour behind Greenwich.
  const { id } = ((await (await page.request.get('/api/v1/sessions?search=Camp')).json()) as { id: string }[])[0]!;
  const file = await (await page.request.get(`/api/v1/sessions/${id}/export/ics`)).text();
  expect(file).toMatch(/DTSTART;TZID=Etc\/GMT\+1:\d{8}T183000\r\n/);
  expect(file).toMatch(/TZID:Etc\/GMT\+1\r\n[\s\S]*TZOFFSETTO:-0100\r\n/);
  await context.close();
});
