import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { courseSaveSchema, type CourseView } from '@upwell/contract/water';
import { dayIn } from '@upwell/core/days';
import {
  bearingTo,
  checkCourse,
  legsOf,
  legWater,
  mergeRead,
  placeAt,
  type Course,
  type Noted,
} from '@upwell/core/water';
import fc from 'fast-check';
import { barLength, besideSigns, fitted, moved, toGround, toScreen, zoomed } from '@/water/mapFrame';
import {
  handleOf,
  heldThings,
  movedTo,
  newCourseDraft,
  redone,
  undone,
  withCorner,
  withCourse,
  withLandmark,
  withMark,
  without,
  withTurn,
  withAbeam,
  withExit,
  withLastExit,
} from '@/water/courseDraft';
import { compassWord, firstConditions, momentOf, typedNumber, waterWords } from '@/water/conditions';
import { dayOn, newDayDraft } from '@/water/dayDraft';
import { WEATHER } from '@/water/weather';
import { CourseEditScreen } from '@/water/screens/CourseEditScreen';
import { CoursesScreen } from '@/water/screens/CoursesScreen';
import { DayScreen } from '@/water/screens/DayScreen';
import { fakeServer, ID, ME, showAt } from './fakeServer';

const START = { lat: 31.4, lon: -41.2 };
const empty = newCourseDraft(START).course;
const north = (m: number) => placeAt(START, 0, m);
const course: Course = withMark(withMark(empty, north(300)), placeAt(north(300), 90, 200));
const VIEW: CourseView = {
  id: ID,
  version: 3,
  name: 'Heron Loop',
  place: 'Quill Water',
  course,
  timeZone: 'Etc/GMT+3',
};

describe('the frame of the map', () => {
  const size = { width: 390, height: 300 };
  const at = fc.record({
    x: fc.double({ min: -5000, max: 5000, noNaN: true }),
    y: fc.double({ min: -5000, max: 5000, noNaN: true }),
  });
  const view = fc.record({
    x: fc.constant(10),
    y: fc.constant(-20),
    scale: fc.double({ min: 0.01, max: 10, noNaN: true }),
  });

  it('puts a place on the screen and finds it again', () => {
    fc.assert(
      fc.property(at, view, (p, v) => {
        const back = toGround(toScreen(p, v, size), v, size);
        expect(Math.hypot(back.x - p.x, back.y - p.y)).toBeLessThan(1e-6);
      }),
    );
  });

  it('keeps what lies under the finger when it zooms', () => {
    fc.assert(
      fc.property(view, fc.double({ min: 0.5, max: 2, noNaN: true }), (v, by) => {
        const finger = { x: 100, y: 80 };
        const before = toGround(finger, v, size);
        const after = toGround(finger, zoomed(v, by, finger, size), size);
        expect(Math.hypot(after.x - before.x, after.y - before.y)).toBeLessThan(1e-6);
      }),
    );
  });

  it('shows all points, and moves with the finger', () => {
    fc.assert(
      fc.property(fc.array(at, { minLength: 1, maxLength: 9 }), (points) => {
        const v = fitted(points, size);
        for (const p of points) {
          const s = toScreen(p, v, size);
          expect(s.x).toBeGreaterThanOrEqual(0);
          expect(s.x).toBeLessThanOrEqual(size.width);
          expect(s.y).toBeGreaterThanOrEqual(0);
          expect(s.y).toBeLessThanOrEqual(size.height);
        }
        const p = toScreen(points[0]!, moved(v, 30, -20), size);
        const was = toScreen(points[0]!, v, size);
        expect(p.x - was.x).toBeCloseTo(30, 6);
        expect(p.y - was.y).toBeCloseTo(-20, 6);
      }),
    );
  });

  it('never lays the signs over what is shown, and shows it as large as it can', () => {
    const box = fc.record({ width: fc.integer({ min: 320, max: 900 }), height: fc.integer({ min: 280, max: 700 }) });
    fc.assert(
      fc.property(fc.array(at, { minLength: 2, maxLength: 5 }), box, (points, of) => {
        const { view: v, side } = besideSigns(points, of);
        for (const p of points) {
          const s = toScreen(p, v, of);
          const under = side === 'left' ? s.x <= 196 : s.x >= of.width - 44 - 196;
          expect(under && s.y < 96 - 1e-6).toBe(false);
          expect(s.y).toBeLessThanOrEqual(of.height);
        }
      }),
    );
    // On a phone: to the north-west the left corner is taken, to the north-east it is free; straight on, both are.
    const to = (x: number) => {
      const points = [
        { x: 0, y: 0 },
        { x, y: 400 },
      ];
      return besideSigns(points, { width: 348, height: 300 });
    };
    expect([to(-300).side, to(300).side]).toEqual(['right', 'left']);
    expect([to(-300), to(300)].map(({ view: v }) => v.scale)).toEqual([0.54, 0.54]);
    expect(to(0).view.scale).toBeCloseTo((300 - 96 - 42) / 400, 10);
  });

  it('has a scale bar of a round length that fits', () => {
    for (const scale of [0.01, 0.13, 0.3, 1, 7]) {
      const bar = barLength(scale, 110);
      expect(bar * scale).toBeLessThanOrEqual(110);
      expect(bar * scale).toBeGreaterThan(110 / 2.6);
      expect([1, 2, 5]).toContain(Number(String(bar).replace(/[0.]/g, '')[0]));
    }
  });
});

describe('a course of another kind', () => {
  it('has ways out, one of them the last, and loses a turn with its landmark', () => {
    const two = withExit(withExit(course, north(100)), north(200));
    expect(two.exits!.map((e) => [e.id, e.name, e.last])).toEqual([
      ['e1', 'Exit 1', true],
      ['e2', 'Exit 2', false],
    ]);
    expect(withLastExit(two, 'e2', true).exits!.map((e) => e.last)).toEqual([false, true]);
    expect(withLastExit(two, 'e1', false).exits!.map((e) => e.last)).toEqual([false, false]);
    expect(without(two, { kind: 'exit', id: 'e1' }).exits!.map((e) => e.id)).toEqual(['e2']);
    expect(movedTo(two, { kind: 'exit', id: 'e2' }, START).exits![1]).toMatchObject(START);
    expect(heldThings(two).filter(({ held }) => held.kind === 'exit')).toHaveLength(2);
    const told = withAbeam(withLandmark(course, north(300)), 'm1', 'l1');
    expect(told.marks[0]!.abeam).toBe('l1');
    expect(withAbeam(told, 'm1', null).marks[0]).not.toHaveProperty('abeam');
    expect(without(told, { kind: 'landmark', id: 'l1' }).marks[0]).not.toHaveProperty('abeam');
  });
});

describe('a course that is drawn', () => {
  it('takes marks in their order, turned at as the line bends', () => {
    expect(course.marks.map((m) => [m.name, m.turn])).toEqual([
      ['1', 'right'],
      ['2', 'right'],
    ]);
    expect(checkCourse(course).filter((p) => p.weight === 'stop')).toEqual([]);
    expect(withTurn(course, 'm1', 'left').marks[0]!.turn).toBe('left');
  });

  it('moves and takes out everything that is on it, and undoes it', () => {
    const { course: withArea } = withCorner(withLandmark(course, north(900)), 'land', north(-200), null);
    const things = heldThings(withArea);
    expect(new Set(things.map((t) => handleOf(t.held))).size).toBe(things.length);
    for (const { held, place } of things) {
      const to = placeAt(place, 45, 25);
      const now = heldThings(movedTo(withArea, held, to)).find((t) => handleOf(t.held) === handleOf(held))!;
      expect(bearingTo(place, now.place).distanceM).toBeCloseTo(25, 3);
      if (held.kind !== 'start' && held.kind !== 'finish')
        expect(heldThings(without(withArea, held)).length).toBeLessThan(things.length);
    }
    const draft = withCourse(withCourse(newCourseDraft(START), course), withArea);
    expect(undone(draft).course).toBe(course);
    expect(redone(undone(draft)).course).toBe(withArea);
    expect(undone(undone(undone(draft))).course).toEqual(empty);
  });

  it('adds corners to the area that is being drawn', () => {
    const one = withCorner(empty, 'forbidden', north(100), null);
    const two = withCorner(one.course, 'forbidden', north(160), one.id);
    expect(two.course.areas).toHaveLength(1);
    expect(two.course.areas[0]!.points).toHaveLength(4);
    expect(withCorner(two.course, 'safe', north(10), two.id).course.areas).toHaveLength(2);
  });
});

describe('a number that was typed', () => {
  it.each([
    ['0.9', 0.9],
    ['0,9', 0.9],
    ['-1', -1],
    ['3', 3],
    ['4', 'From -1 to 3.'],
    ['-2', 'From -1 to 3.'],
    ['calm', 'A number, please.'],
    ['1e3', 'A number, please.'],
    ['', 'A number, please.'],
  ])('%p is %p', (text, is) => {
    const typed = typedNumber(text, -1, 3);
    expect(typeof typed === 'string' ? typed.replace('−', '-') : typed).toBe(is);
  });
});

describe('the water of a day', () => {
  it('is told in words', () => {
    const c = { ...firstConditions('2026-11-24'), feet: true };
    const noted: Noted = {
      waveHeightM: { value: 0.3, atMs: Date.parse('2026-11-24T12:40:00Z') },
      visibility: { value: 'hazy', atMs: Date.parse('2026-11-24T12:41:00Z') },
    };
    const forecast = { waveHeightM: 0.1, windFromDeg: 268, currentMps: 0.1, currentToDeg: 92 };
    const water = legWater(noted, forecast, { currentMps: 0.2 });
    // The moment of a reading by the clock of the course, three hours behind.
    expect(waterWords(c, water, 'Etc/GMT+3')).toBe(
      '10:30 · waves 0.3 m from W (read 09:40) · current 0.20 m/s to E (tried by hand) · haze (read 09:41) · drafting',
    );
    expect(
      waterWords(
        { ...c, feet: false },
        legWater({}, { ...forecast, waveHeightM: 0, currentMps: 0 }),
        'UTC',
        'local time',
      ),
    ).toBe('10:30 local time · flat (forecast) · no current (forecast)');
    // By the clock of the course, wherever the coach plans it.
    expect(momentOf(c, 'Etc/GMT+3').toISOString()).toBe('2026-11-24T13:30:00.000Z');
    expect(momentOf(c, 'Pacific/Auckland').toISOString()).toBe('2026-11-23T21:30:00.000Z');
    expect([0, 359, 44, 180, -90].map(compassWord)).toEqual(['N', 'N', 'NE', 'S', 'W']);
  });

  it('takes what was read over what is forecast, and leaves open what nobody can predict', () => {
    const at = new Date('2027-06-21T10:30:00Z');
    const draft = newDayDraft();
    const forecast = WEATHER(course.start, at);
    const readings = dayOn(course, at, { forecast, read: { waterC: 11, cloudy: true } }, draft);
    // Clouds matter to the legs, not to the decision.
    expect(readings).not.toHaveProperty('cloudy');
    expect(readings).toMatchObject({ waterC: 11, windMps: forecast.windMps, lightning: null, walked: null });
    expect(readings.offshoreDeg).toBeCloseTo(0, 3);
  });
});

const routes = {
  'water/index': CoursesScreen,
  'water/[id]/index': () => <></>,
  'water/[id]/edit': CourseEditScreen,
  'water/[id]/day': DayScreen,
};

describe('the screens of the water', () => {
  it('list the courses, and say how to begin without one', async () => {
    fakeServer({ 'GET /account/me': () => ({ body: ME }), 'GET /courses': () => ({ body: [] }) });
    showAt(routes, '/water');
    expect(await screen.findByText('No course yet')).toBeTruthy();
    expect(screen.getByText('Draw a course')).toBeTruthy();
  });

  it('say what went wrong and try again', async () => {
    let down = true;
    const row = { id: ID, name: 'Heron Loop', place: 'Quill Water', lengthM: 812.4, marks: 2, laps: 1 };
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /courses': () => (down ? { status: 500, body: {} } : { body: [row] }),
    });
    showAt(routes, '/water');
    fireEvent.press(await screen.findByText('Try again').then((node) => ((down = false), node)));
    expect(await screen.findByText('812 m')).toBeTruthy();
  });

  it('change a course and save it on the version it was opened with', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: VIEW }),
      [`PUT /courses/${ID}`]: ({ body }) => ({ body: { ...VIEW, ...body, version: 4 } }),
    });
    showAt(routes, `/water/${ID}/edit`);
    fireEvent.press(await screen.findByText('Mark 2'));
    fireEvent.press(screen.getByLabelText('5 m east'));
    fireEvent.press(screen.getByText('left shoulder'));
    fireEvent.press(screen.getByText('Save the course'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const { body } = calls.find((c) => c.method === 'PUT')!;
    expect(body.version).toBe(3);
    expect(body.course.marks[1].turn).toBe('left');
    const [, before] = legsOf(course);
    const [, after] = legsOf(body.course);
    expect(after!.lengthM - before!.lengthM).toBeCloseTo(5, 2);
  });

  it('draw a swim with the stream: the last way out is named, and a turn is told without a buoy', async () => {
    const exits = [
      { id: 'e1', name: 'Exit 1', last: true, ...course.finish },
      { id: 'e2', name: 'Exit 2', last: false, ...course.start },
    ];
    const church = { id: 'l1', name: 'Old church', widthM: 10, heightM: 20, fixed: true, ...course.start };
    const drawn = { ...course, laps: 1, exits, landmarks: [church] };
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: { ...VIEW, course: drawn } }),
      [`PUT /courses/${ID}`]: ({ body }) => ({ body: { ...VIEW, ...body, version: 4 } }),
    });
    showAt(routes, `/water/${ID}/edit`);
    fireEvent.press(await screen.findByText('Exit 2'));
    fireEvent.changeText(screen.getByLabelText('What the way out is called'), 'Ferry slip');
    fireEvent.press(screen.getByText('The last one before the danger'));
    fireEvent.press(screen.getByText('Exit 1'));
    fireEvent.press(screen.getByText('Take it out'));
    fireEvent.press(screen.getByText('With the stream: nobody swims back'));
    fireEvent.press(screen.getByText('Mark 1'));
    fireEvent.press(screen.getByText('Abeam of Old church'));
    fireEvent.press(screen.getByText('Save the course'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const { body } = calls.find((c) => c.method === 'PUT')!;
    expect(body.course).toMatchObject({ withStream: true, exits: [{ id: 'e2', name: 'Ferry slip', last: true }] });
    expect(body.course.exits).toHaveLength(1);
    expect(body.course.marks[0].abeam).toBe('l1');
    expect(courseSaveSchema.validate(body).error).toBeUndefined();
  });

  it('change an area by the keyboard alone: its name, its kind, each corner, and all of it', async () => {
    const at = [north(50), placeAt(north(50), 90, 60), placeAt(north(110), 90, 60)];
    const areas = [{ id: 'a1', kind: 'safe', name: '', points: at }] as const;
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: { ...VIEW, course: { ...course, areas } } }),
      [`PUT /courses/${ID}`]: ({ body }) => ({ body: { ...VIEW, ...body, version: 4 } }),
    });
    showAt(routes, `/water/${ID}/edit`);
    fireEvent.press(await screen.findByText('Safe area 1'));
    fireEvent.changeText(screen.getByLabelText('What the area is called'), 'the reeds');
    fireEvent.press(screen.getByText('Land'));
    fireEvent.press(within(screen.getByLabelText('Corner to move')).getByText('2'));
    await screen.findByText('the reeds, corner 2');
    fireEvent.press(screen.getByLabelText('5 m north'));
    fireEvent.press(screen.getByText('Save the course'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const [area] = calls.find((c) => c.method === 'PUT')!.body.course.areas;
    expect(area).toMatchObject({ id: 'a1', kind: 'land', name: 'the reeds' });
    expect(area.points[1].lat).toBeGreaterThan(at[1]!.lat);
    expect([area.points[0], area.points[2]]).toEqual([at[0], at[2]]);
    screen.unmount();
    showAt(routes, `/water/${ID}/edit`);
    fireEvent.press(await screen.findByText('Safe area 1'));
    fireEvent.press(screen.getByText('Take the whole area out'));
    await waitFor(() => expect(screen.queryByText('Shore and areas')).toBeNull());
  });

  it('let nobody go with the stream before a craft goes along and somebody picks up', async () => {
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: { ...VIEW, course: { ...course, laps: 1, withStream: true } } }),
      [`GET /courses/${ID}/days`]: () => ({ body: [] }),
      [`GET /courses/${ID}/readings`]: () => ({ body: [] }),
      'GET /squads': () => ({ body: [] }),
    });
    showAt(routes, `/water/${ID}/day`);
    expect(await screen.findByText('✕ With the stream a craft goes along with the swimmers.')).toBeTruthy();
    expect(screen.getByText(/^✕ With the stream, and no way out is drawn along it/)).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Who picks up at the finish and at the exits'), 'Jory');
    await waitFor(() => expect(screen.queryByText(/^✕ Nobody is named who picks up/)).toBeNull());
  });

  it('note what is read for the hour, show it with its moment, and tell the server once for many taps', async () => {
    let kept: { date: string; hour: number; read: Noted }[] = [];
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: VIEW }),
      [`GET /courses/${ID}/days`]: () => ({ body: [] }),
      [`GET /courses/${ID}/readings`]: () => ({ body: kept }),
      [`PUT /courses/${ID}/readings`]: ({ body, path }) => {
        const [date, hour] = path.split('/').slice(-2) as [string, string];
        kept = [{ date, hour: Number(hour), read: mergeRead(kept[0]?.read ?? {}, body.read) }];
        return { body: kept[0] };
      },
      'GET /squads': () => ({ body: [] }),
    });
    showAt(routes, `/water/${ID}/day`);
    expect(await screen.findByText('°C water (forecast)')).toBeTruthy();
    fireEvent.press(screen.getByLabelText(/^More °C water/));
    fireEvent.press(screen.getByLabelText(/^More °C water/));
    fireEvent.press(screen.getByText('Thick cloud'));
    expect(await screen.findByText(/^°C water \(read \d\d:\d\d\)$/)).toBeTruthy();
    await waitFor(() => expect(kept).toHaveLength(1));
    const sent = calls.filter((c) => c.method === 'PUT');
    expect(sent).toHaveLength(1);
    expect(Object.keys(sent[0]!.body.read).sort()).toEqual(['cloudy', 'waterC']);
    expect(kept[0]).toMatchObject({ hour: 10, read: { cloudy: { value: true } } });
  });

  it('offer what was read for another hour of the day', async () => {
    const date = dayIn(VIEW.timeZone, Date.now());
    const read: Noted = { waveHeightM: { value: 0.9, atMs: 1 }, lightning: { value: false, atMs: 1 } };
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: VIEW }),
      [`GET /courses/${ID}/days`]: () => ({ body: [] }),
      [`GET /courses/${ID}/readings`]: () => ({ body: [{ date, hour: 8, read }] }),
      [`PUT /courses/${ID}/readings`]: ({ body }) => ({ body: { date, hour: 10, read: body.read } }),
      'GET /squads': () => ({ body: [] }),
    });
    showAt(routes, `/water/${ID}/day`);
    expect(await screen.findByText(/For 08:00 there is a reading: waves 0.9 m\./)).toBeTruthy();
    fireEvent.press(screen.getByText('Nothing changed: take it over'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const put = calls.find((c) => c.method === 'PUT')!;
    expect(put.path).toContain(`/readings/${date}/10`);
    // As it was read then, not as if it had been read now; lightning is looked for again.
    expect(put.body.read).toEqual({ waveHeightM: { value: 0.9, atMs: 1 } });
  });

  it('do not go while nobody watches, and ask for what is not known', async () => {
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: VIEW }),
      [`GET /courses/${ID}/days`]: () => ({ body: [] }),
      [`GET /courses/${ID}/readings`]: () => ({ body: [] }),
      'GET /squads': () => ({ body: [] }),
    });
    showAt(routes, `/water/${ID}/day`);
    expect(await screen.findByText('✕ Do not go')).toBeTruthy();
    expect(screen.getByText('✕ No qualified lifeguard is watching.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('More lifeguards and watchers'));
    await waitFor(() => expect(screen.queryByText('✕ No qualified lifeguard is watching.')).toBeNull());
    expect(screen.getByText(/^✕ Find out first: .*sewage warnings/)).toBeTruthy();
  });
});
