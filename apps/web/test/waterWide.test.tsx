// The list of courses where there is room: the map and the legs of the one that is pointed at, beside it.
import { fireEvent, screen, within } from '@testing-library/react-native';
import type { CourseView } from '@upwell/contract/water';
import { placeAt } from '@upwell/core/water';
import { newCourseDraft, withMark } from '@/water/courseDraft';
import { CoursesScreen } from '@/water/screens/CoursesScreen';
import { fakeServer, ID, ME, showAt } from './fakeServer';

jest.mock('@/ui/useRoomy', () => ({ useRoomy: () => true }));

const OTHER = `${ID.slice(0, -1)}6`;
const START = { lat: 31.4, lon: -41.2 };
const empty = newCourseDraft(START).course;
// From the start 300 m to the north, then 200 m to the east.
const [north, east] = [placeAt(empty.start, 0, 300), placeAt(placeAt(empty.start, 0, 300), 90, 200)];
const course = withMark(withMark(empty, north), east);
const row = (id: string, name: string) => ({ id, name, place: 'Quill Water', lengthM: 812.4, marks: 1, laps: 2 });
const viewOf = (id: string, name: string) =>
  ({
    ...{ id, name, place: 'Quill Water', timeZone: 'Etc/UTC', course, version: 3, archived: false },
  }) as unknown as CourseView;

function open(answers: Record<string, () => { status?: number; body: unknown }> = {}, role = 'coach') {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: { ...ME, role } }),
    [`GET /courses/${ID}`]: () => ({ body: viewOf(ID, 'Heron Loop') }),
    [`GET /courses/${OTHER}`]: () => ({ body: viewOf(OTHER, 'Sable Run') }),
    'GET /courses': () => ({ body: [row(ID, 'Heron Loop'), row(OTHER, 'Sable Run')] }),
    ...answers,
  } as never);
  showAt({ 'water/index': CoursesScreen, 'water/[id]/index': () => <></>, 'water/[id]/day': () => <></> }, '/water');
  return calls;
}
const pane = async (name: string) => within(await screen.findByLabelText(`Course ${name}`));

describe('a course beside the list', () => {
  it('is the first one, with its map and every leg’s bearing and metres', async () => {
    open();
    const heron = await pane('Heron Loop');
    // By hand: north to the first mark, then east.
    expect(await heron.findByText('0°')).toBeTruthy();
    expect(heron.getByText('90°')).toBeTruthy();
    expect(['300 m', '200 m'].map((m) => heron.getAllByText(m).length)).toEqual([1, 1]);
    expect(heron.getByText('Go or not?')).toBeTruthy();
    expect(screen.getAllByText('Quill Water · 1 mark · 2 laps')).toHaveLength(2);
  });

  it('is the one that is pointed at', async () => {
    open();
    await pane('Heron Loop');
    fireEvent(screen.getByRole('link', { name: /^Sable Run/ }), 'focus');
    expect(await (await pane('Sable Run')).findByText('200 m')).toBeTruthy();
    expect(screen.queryByLabelText('Course Heron Loop')).toBeNull();
  });

  it('says what went wrong and tries again, without the list', async () => {
    let down = true;
    open({ [`GET /courses/${ID}`]: () => (down ? { status: 500, body: {} } : { body: viewOf(ID, 'Heron Loop') }) });
    const heron = await pane('Heron Loop');
    const again = await heron.findByText('Try again');
    down = false;
    fireEvent.press(again);
    expect(await heron.findByText('300 m')).toBeTruthy();
  });

  it('offers a swimmer no decision', async () => {
    open({}, 'swimmer');
    const heron = await pane('Heron Loop');
    expect(await heron.findByText('Open the course')).toBeTruthy();
    expect(heron.queryByText('Go or not?')).toBeNull();
  });

  it('is none without a course', async () => {
    open({ 'GET /courses': () => ({ body: [] }) });
    expect(await screen.findByText('No course yet')).toBeTruthy();
    expect(screen.queryByRole('region')).toBeNull();
  });
});
