import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { placeAt } from '@upwell/core/water';
import { RaceScreen } from '@/race/screens/RaceScreen';
import { EditSwimmerScreen } from '@/swimmers/screens/SwimmerFormScreen';
import { courseKey, newCourseDraft, withCourse, withMark } from '@/water/courseDraft';
import { CourseEditScreen } from '@/water/screens/CourseEditScreen';
import { SaveProblem } from '@/ui/SaveProblem';
import { keepDraft } from '@/state/drafts';
import { fakeServer, ID, ME, showAt, SQUAD, SWIMMER } from './fakeServer';
import { RACE_VIEW } from './raceFacts';

const START = { lat: 31.4, lon: -41.2 };
const course = withMark(newCourseDraft(START).course, placeAt(START, 0, 300));
const COURSE = { id: ID, version: 3, name: 'Heron Loop', place: 'Quill Water', course };

/** A server on which somebody else saved version 7 meanwhile. */
function changedElsewhere(get: string, put: string, mine: object, theirs: object) {
  return fakeServer({
    'GET /account/me': () => ({ body: ME }),
    'GET /squads': () => ({ body: [SQUAD] }),
    'GET /courses': () => ({ body: [] }),
    [`GET ${get}`]: () => ({ body: mine }),
    [`PUT ${put}`]: ({ body }) =>
      body.version === 7
        ? { body: { ...theirs, ...body, version: 8 } }
        : { status: 409, body: { detail: 'Changed elsewhere.', current: { ...theirs, version: 7 } } },
  });
}
const versionsSent = (calls: ReturnType<typeof fakeServer>) =>
  calls.filter((c) => c.method === 'PUT').map((c) => c.body.version);

describe('somebody else saved first', () => {
  it('a course: mine is stored over it with one press', async () => {
    const calls = changedElsewhere(`/courses/${ID}`, `/courses/${ID}`, COURSE, { ...COURSE, name: 'Their Loop' });
    showAt({ 'water/[id]/edit': CourseEditScreen, 'water/[id]': () => <></> }, `/water/${ID}/edit`);
    fireEvent.press(await screen.findByText('Mark 1'));
    fireEvent.press(screen.getByLabelText('5 m east'));
    fireEvent.press(screen.getByText('Save the course'));
    await screen.findByText('Somebody saved “Their Loop” in the meantime. Which version do you want to keep?');
    fireEvent.press(screen.getByText('Keep mine'));
    await waitFor(() => expect(versionsSent(calls)).toEqual([3, 7]));
  });

  it('a course: theirs takes the place of mine, and nothing is sent', async () => {
    const calls = changedElsewhere(`/courses/${ID}`, `/courses/${ID}`, COURSE, { ...COURSE, name: 'Their Loop' });
    showAt({ 'water/[id]/edit': CourseEditScreen }, `/water/${ID}/edit`).dispatch(
      keepDraft({
        key: courseKey(ID),
        value: withCourse({ ...newCourseDraft(START), name: 'My Loop', version: 3 }, course),
      }),
    );
    fireEvent.press(await screen.findByText('Save the course'));
    fireEvent.press(await screen.findByText('Use theirs'));
    await screen.findByText('Their Loop');
    expect(screen.queryByText('My Loop')).toBeNull();
    expect(versionsSent(calls)).toEqual([3]);
  });

  it('a race plan: both are offered, and what was decided here stays until one is taken', async () => {
    const path = `/swimmers/${ID}/race-plan`;
    const calls = changedElsewhere(path, path, RACE_VIEW, RACE_VIEW);
    showAt({ 'swimmers/[id]/race': RaceScreen }, `/swimmers/${ID}/race`);
    fireEvent(await screen.findByLabelText('Seconds lost on race day'), 'change', { target: { value: '3' } });
    fireEvent.press(screen.getByText('Keep it'));
    await screen.findByText(/^Somebody saved the race plan of Ada Lindqvale in the meantime/);
    expect(screen.getByText(/today, 3 s on the day/)).toBeTruthy();
    fireEvent.press(screen.getByText('Keep mine'));
    await waitFor(() => expect(versionsSent(calls)).toEqual([0, 7]));
  });

  it('a swimmer: theirs fills the form, and the next save is of their version', async () => {
    const calls = changedElsewhere(`/swimmers/${ID}`, `/swimmers/${ID}`, SWIMMER, { ...SWIMMER, givenName: 'Adana' });
    showAt({ 'swimmers/[id]/edit': EditSwimmerScreen, 'swimmers/[id]': () => <></> }, `/swimmers/${ID}/edit`);
    fireEvent.changeText(await screen.findByLabelText('Given name'), 'Aida');
    fireEvent.press(screen.getByText('Save swimmer'));
    await screen.findByText(/^Somebody saved Adana Lindqvale \(level Hold, \d+ best times\) in the meantime/);
    fireEvent.press(screen.getByText('Use theirs'));
    await waitFor(() => expect(screen.getByLabelText('Given name').props.value).toBe('Adana'));
    fireEvent.press(screen.getByText('Save swimmer'));
    await waitFor(() => expect(versionsSent(calls)).toEqual([3, 7]));
  });
});

describe('something was not stored', () => {
  const shown = (error: Parameters<typeof SaveProblem>[0]['error'], retry?: () => void) => {
    const nothing = () => undefined;
    const more = retry ? { retry } : {};
    showAt(
      { x: () => <SaveProblem error={error} name={() => 'it'} keepMine={nothing} takeTheirs={nothing} {...more} /> },
      '/x',
    );
  };

  it('says nothing when there is nothing to say', () => {
    shown(undefined);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('says it in the words of the server, with another try where there is one', () => {
    const retry = jest.fn();
    shown({ status: 400, data: { detail: 'A rep has at least one length.' } }, retry);
    expect(screen.getByText('A rep has at least one length.')).toBeTruthy();
    expect(screen.queryByText('Keep mine')).toBeNull();
    fireEvent.press(screen.getByText('Try again'));
    expect(retry).toHaveBeenCalledTimes(1);
  });

  it('offers no choice when the server does not show what it has', () => {
    shown({ status: 409, data: { detail: 'This was changed elsewhere.' } });
    expect(screen.getByText('This was changed elsewhere.')).toBeTruthy();
    expect(screen.queryByText('Use theirs')).toBeNull();
  });
});
