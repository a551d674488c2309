// A session of a series is changed: the others follow when the coach says so.
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { Text } from 'react-native';
import { FilesPane } from '@/sessions/parts/FilesPane';
import { SeriesOffer, seriesWords } from '@/sessions/parts/SeriesOffer';
import { fakeServer, ID, SESSION, showAt, type Call } from './fakeServer';

const AFTER = { ...SESSION, startTime: '19:30' };

describe('what became of the others', () => {
  it.each([
    [{ changed: 1, keptSets: 0, swum: 0 }, '1 other session changed as well.'],
    [
      { changed: 5, keptSets: 2, swum: 1 },
      '5 other sessions changed as well. 2 of them keep the sets that were changed by hand. 1 was swum already and stays.',
    ],
    [{ changed: 0, keptSets: 0, swum: 3 }, 'No other session to change. 3 were swum already and stay.'],
  ])('%j', (changed, words) => expect(seriesWords(changed)).toBe(words));
});

describe('a change of one', () => {
  const sent: Call[] = [];
  const offer = (status = 200) => {
    sent.length = 0;
    fakeServer({
      [`POST /sessions/${ID}/series`]: (call) => {
        sent.push(call);
        return status === 200
          ? { body: { changed: 2, keptSets: 0, swum: 0 } }
          : { status, body: { detail: 'One of these squads is not yours.' } };
      },
    });
    const done = jest.fn();
    showAt({ deck: () => <SeriesOffer id={ID} before={SESSION} after={AFTER} onDone={done} /> }, '/deck');
    return done;
  };

  it.each([
    ['This and later ones', 'later'],
    ['The whole series', 'all'],
  ])('%s', async (button, scope) => {
    const done = offer();
    fireEvent.press(await screen.findByText(button));
    expect(await screen.findByText('2 other sessions changed as well.')).toBeTruthy();
    expect(sent[0]!.body).toMatchObject({ scope, before: { startTime: '19:00' }, after: { startTime: '19:30' } });
    // Only what a series has in common: no notes, no version, no clock.
    expect(Object.keys((sent[0]!.body as { after: object }).after).sort()).toEqual([
      'courseId',
      'date',
      'plan',
      'squadIds',
      'startTime',
      'title',
    ]);
    fireEvent.press(screen.getByText('Undo for the others'));
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent[1]!.body).toMatchObject({ scope, before: { startTime: '19:30' }, after: { startTime: '19:00' } });
    const ids = sent.map((call) => (call.body as { writeId: string }).writeId);
    expect(new Set(ids).size).toBe(2);
  });

  it('stays with this one', async () => {
    const done = offer();
    fireEvent.press(await screen.findByText('Only this one'));
    expect([done.mock.calls.length, sent.length]).toEqual([1, 0]);
  });

  it('that is refused says why, and is the same change when it is sent again', async () => {
    offer(422);
    fireEvent.press(await screen.findByText('The whole series'));
    expect(await screen.findByText('One of these squads is not yours.')).toBeTruthy();
    fireEvent.press(screen.getByText('The whole series'));
    await waitFor(() => expect(sent).toHaveLength(2));
    const [first, second] = sent.map((call) => (call.body as { writeId: string }).writeId);
    expect(first).toBe(second);
  });
});

describe('taking it out', () => {
  it.each([
    ['Yes, delete it', ''],
    ['It and later ones', '?series=later'],
    ['The whole series', '?series=all'],
  ])('%s', async (button, query) => {
    const gone: string[] = [];
    fakeServer({
      [`DELETE /sessions/${ID}`]: ({ path }) => {
        gone.push(path.replace(/\?$/, ''));
        return { body: { removed: true } };
      },
    });
    const Pane = () => <FilesPane stored={{ ...SESSION, seriesId: ID }} changed={false} />;
    showAt({ deck: Pane, sessions: () => <Text>The list</Text> }, '/deck');
    fireEvent.press(await screen.findByText('Delete from the calendar'));
    expect(screen.getByText(/Of its series, what was swum stays/)).toBeTruthy();
    fireEvent.press(screen.getByText(button));
    expect(await screen.findByText('The list')).toBeTruthy();
    expect(gone).toEqual([`/sessions/${ID}${query}`]);
  });
});

describe('making one', () => {
  it('takes the session itself into it, and makes no week twice', async () => {
    const saved: { path: string; seriesId: string; date: string; version: number }[] = [];
    const answer = ({ path, body }: Call) => {
      saved.push({ path, ...body });
      return { body: { ...SESSION, ...body } };
    };
    fakeServer({ 'PUT /sessions/': answer });
    showAt({ deck: () => <FilesPane stored={SESSION} changed={false} /> }, '/deck');
    fireEvent.press(await screen.findByText('Every week'));
    expect(await screen.findByText('4 more, to Tue 22 Dec.')).toBeTruthy();
    expect(saved.map((s) => s.date)).toEqual(['2026-11-24', '2026-12-01', '2026-12-08', '2026-12-15', '2026-12-22']);
    expect(saved[0]).toMatchObject({ path: `/sessions/${ID}`, version: 2 });
    expect(new Set(saved.map((s) => s.seriesId)).size).toBe(1);
    expect(saved[0]!.seriesId).toBeTruthy();
    fireEvent.press(screen.getByText('Every week'));
    expect(saved).toHaveLength(5);
  });
});
