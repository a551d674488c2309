import { act, fireEvent, screen } from '@testing-library/react-native';
import { bearingTo, found, placeAt, type Course } from '@upwell/core/water';
import { courseKey, newCourseDraft, withCourse, withMark, type CourseDraft } from '@/water/courseDraft';
import { importKey } from '@/water/importDraft';
import { CourseEditScreen } from '@/water/screens/CourseEditScreen';
import { CourseImportScreen } from '@/water/screens/CourseImportScreen';
import { keepDraft } from '@/state/drafts';
import { fakeServer, ID, ME, showAt } from './fakeServer';

const START = { lat: 31.4, lon: -41.2 };
const at = (deg: number, metres: number) => placeAt(START, deg, metres);
const FOUND = found(
  'Tern round',
  1,
  [
    { shape: 'point', places: [START], name: 'Slip' },
    { shape: 'point', places: [at(0, 400)], name: 'Orange' },
    { shape: 'point', places: [at(45, 500)], name: 'Green buoy' },
    { shape: 'point', places: [at(0, 2000)], name: 'Old chapel' },
  ],
  ['Lost has no place on the map and was left out.'],
);
const routes = {
  'water/[id]/import': CourseImportScreen,
  'water/[id]/edit': CourseEditScreen,
  'water/index': () => <></>,
};

describe('a course that is brought in', () => {
  const show = async () => {
    fakeServer({ 'GET /account/me': () => ({ body: ME }) });
    const store = showAt(routes, `/water/${ID}/import`);
    await screen.findByText('Nothing is being imported');
    act(() => void store.dispatch(keepDraft({ key: importKey(ID), value: { file: 'tern.kml', found: FOUND } })));
    return store;
  };
  const drafted = (store: Awaited<ReturnType<typeof show>>, key: string) => store.getState().drafts[key];

  it('is shown with what was left out, and what is taken for what, before anything is kept', async () => {
    const store = await show();
    expect(await screen.findByText('tern.kml · 4 places')).toBeTruthy();
    expect(screen.getByText(/Lost has no place on the map/)).toBeTruthy();
    expect(screen.getByText(/Old chapel has no size: 10 m is used/)).toBeTruthy();
    expect(screen.getAllByText('by its name')).toHaveLength(3);
    expect(screen.getByText('not said')).toBeTruthy();
    expect(drafted(store, courseKey(ID))).toBeUndefined();
  });

  it('is assigned, and goes to the map with the names it had', async () => {
    const store = await show();
    fireEvent.press(await screen.findByText('Orange'));
    fireEvent.press(screen.getAllByText('Mark').at(0)!);
    fireEvent.press(screen.getByLabelText('More m high (guessed)'));
    fireEvent.press(screen.getByText('Take it to the map'));
    const { name, course } = drafted(store, courseKey(ID)) as CourseDraft;
    expect(name).toBe('Tern round');
    expect(course.marks.map((m) => m.name)).toEqual(['Orange', 'Green buoy']);
    expect(course.landmarks).toMatchObject([{ name: 'Old chapel', heightM: 11 }]);
    expect(drafted(store, importKey(ID))).toBeUndefined();
  });

  it('can be left, and is gone', async () => {
    const store = await show();
    fireEvent.press(await screen.findByText('Leave it'));
    expect(drafted(store, importKey(ID))).toBeUndefined();
    expect(drafted(store, courseKey(ID))).toBeUndefined();
  });
});

describe('something placed by numbers', () => {
  const show = async () => {
    fakeServer({ 'GET /account/me': () => ({ body: ME }) });
    const store = showAt(routes, `/water/${ID}/edit?new=1`);
    const empty = newCourseDraft(START);
    act(
      () =>
        void store.dispatch(
          keepDraft({ key: courseKey(ID), value: withCourse(empty, withMark(empty.course, at(0, 300))) }),
        ),
    );
    fireEvent.press(await screen.findByText('+ Mark'));
    fireEvent.press(screen.getByText('Place the next mark by numbers'));
    const course = () => (store.getState().drafts[courseKey(ID)] as CourseDraft).course as Course;
    return course;
  };
  const write = (label: string, text: string) => fireEvent.changeText(screen.getByLabelText(label), text);

  it('stands where bearing and distance lead from the last mark, or from another', async () => {
    const course = await show();
    write('Bearing, degrees', '90');
    write('Distance, metres', '250,5');
    fireEvent.press(screen.getByText('Place it there'));
    const [first, second] = course().marks;
    expect(bearingTo(first!, second!)).toMatchObject({
      distanceM: expect.closeTo(250.5, 3),
      bearingDeg: expect.closeTo(90, 3),
    });
  });

  it.each([
    ['361', '100', 'Bearing: From 0 to 360.'],
    ['north', '100', 'Bearing: A number, please.'],
    ['90', '0', 'Distance: From 1 to 50,000.'],
  ])('says what is wrong with %s and %s', async (bearing, metres, words) => {
    const course = await show();
    write('Bearing, degrees', bearing);
    write('Distance, metres', metres);
    fireEvent.press(screen.getByText('Place it there'));
    expect(screen.getByText(words)).toBeTruthy();
    expect(course().marks).toHaveLength(1);
  });

  it('stands at its position, and no word is one', async () => {
    const course = await show();
    write('Position of it', 'behind the slip');
    fireEvent.press(screen.getByText('Place it at this position'));
    expect(screen.getByText(/^A position like/)).toBeTruthy();
    write('Position of it', 'N 31° 24.2′ W 41° 12.0′');
    fireEvent.press(screen.getByText('Place it at this position'));
    expect(course().marks[1]!.lat).toBeCloseTo(31 + 24.2 / 60, 9);
    expect(screen.queryByText(/^A position like/)).toBeNull();
  });

  it('stands where the phone is, which says how sure it is, or why it cannot', async () => {
    const course = await show();
    type Answer = (position: { coords: { latitude: number; longitude: number; accuracy: number } }) => void;
    const ask = jest.fn();
    Object.defineProperty(global, 'navigator', {
      configurable: true,
      value: { geolocation: { getCurrentPosition: ask } },
    });
    fireEvent.press(screen.getByText('Place it where I stand'));
    const [found1, failed] = ask.mock.calls[0] as [Answer, (error: { code: number }) => void];
    act(() => failed({ code: 1 }));
    expect(screen.getByText(/may not say where it is/)).toBeTruthy();
    act(() => found1({ coords: { latitude: 31.402, longitude: -41.2, accuracy: 6 } }));
    expect(screen.getByText('Placed where this device is, within 6 m.')).toBeTruthy();
    expect(course().marks[1]).toMatchObject({ lat: 31.402, lon: -41.2 });
  });
});
