import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { CourseView } from '@upwell/contract/water';
import { bearingTo, checkCourse, legsOf, placeAt, type Course } from '@upwell/core/water';
import fc from 'fast-check';
import { barLength, fitted, moved, toGround, toScreen, zoomed } from '@/water/mapFrame';
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
} from '@/water/courseDraft';
import { compassWord, firstConditions, waterAt, waterWords } from '@/water/conditions';
import { dayOn, newDayDraft } from '@/water/dayDraft';
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

  it('has a scale bar of a round length that fits', () => {
    for (const scale of [0.01, 0.13, 0.3, 1, 7]) {
      const bar = barLength(scale, 110);
      expect(bar * scale).toBeLessThanOrEqual(110);
      expect(bar * scale).toBeGreaterThan(110 / 2.6);
      expect([1, 2, 5]).toContain(Number(String(bar).replace(/[0.]/g, '')[0]));
    }
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

describe('the water of a day', () => {
  it('is told in words', () => {
    const c = {
      ...firstConditions('2026-11-24'),
      currentMps: 0.2,
      currentToDeg: 92,
      waveHeightM: 0.3,
      waveFromDeg: 268,
      feet: true,
    };
    expect(waterWords(c)).toBe('10:30 · waves 0.3 m from W · current 0.20 m/s to E · drafting');
    expect(waterWords(c, 'Athens time')).toMatch(/^10:30 Athens time · waves/);
    // By the clock of the course, wherever the coach plans it.
    expect(waterAt(c, 'Etc/GMT+3').at.toISOString()).toBe('2026-11-24T13:30:00.000Z');
    expect(waterAt(c, 'Pacific/Auckland').at.toISOString()).toBe('2026-11-23T21:30:00.000Z');
    expect([0, 359, 44, 180, -90].map(compassWord)).toEqual(['N', 'N', 'NE', 'S', 'W']);
  });

  it('takes what was read over what is forecast, and leaves open what nobody can predict', () => {
    const at = new Date('2027-06-21T10:30:00Z');
    const draft = newDayDraft();
    const { readings, forecast } = dayOn(course, at, { ...draft, read: { waterC: 11 } });
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

  it('do not go while nobody watches, and ask for what is not known', async () => {
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      [`GET /courses/${ID}`]: () => ({ body: VIEW }),
      [`GET /courses/${ID}/days`]: () => ({ body: [] }),
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
