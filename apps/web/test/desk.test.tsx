import { screen } from '@testing-library/react-native';
import type { DeckToday } from '@upwell/contract/deck';
import type { SentClip } from '@upwell/contract/sent';
import type { SessionRow } from '@upwell/contract/sessions';
import { addDays, dayIn, deviceZone, weekOf } from '@upwell/core/days';
import { WeekDesk } from '@/sessions/parts/WeekDesk';
import { NewSessionScreen } from '@/sessions/screens/NewSessionScreen';
import { hourOf, newWish, wishAt } from '@/sessions/wish';
import { fakeServer, FOCUS, ID, ME, PROPOSAL, SESSION_ROW, showAt, SQUAD } from './fakeServer';

const TODAY = dayIn(deviceZone(), Date.now());
const MONDAY = addDays(weekOf(TODAY), 7);
const hour = (weekday: number, startTime: string) => ({
  ...{ weekday, startTime, minutes: 75, pool: { length: 50, unit: 'm' as const, standingDepth: true }, lanes: 2 },
});
const EVENING = { ...SQUAD, name: 'Evening Lanes', swimmers: 8, poolTimes: [hour(2, '19:00'), hour(4, '19:00')] };
const TUESDAY: SessionRow = {
  ...SESSION_ROW,
  id: 'tuesday',
  date: addDays(MONDAY, 1),
  startTime: '19:00',
  squadIds: [SQUAD.id],
};
const CLIP: SentClip = {
  ...{ id: 'c1', swimmerId: ID, swimmerName: 'Ada Lindqvale', wish: 'Three lengths', view: 'side', askedBy: 'Jory' },
  ...{ askedAt: '2026-11-28T10:00:00.000Z', type: 'video/mp4', seconds: 41, bytes: 9_000_000, pieces: 9 },
  ...{ sentAt: '2026-11-29T10:00:00.000Z', answeredAt: null, words: '', voice: false },
};
const LATE: DeckToday = {
  ...{ date: TODAY, sessions: [], tests: [], ready: [] },
  relooks: [{ ...FOCUS, swimmerName: 'Ada Lindqvale' }],
  loads: [{ id: 'x', name: 'Evening, Hold', squadId: SQUAD.id, prompt: '75 % more than the average.' }],
};

const desk = (
  day: Partial<DeckToday> | null,
  rows?: readonly SessionRow[],
  clips: readonly SentClip[] = [],
  monday = MONDAY,
) => {
  const calls = fakeServer({
    'GET /squads': () => ({ body: [EVENING, { ...SQUAD, id: 'gone', name: 'Old crew', archived: true }] }),
    'GET /sent-clips': () => ({ body: clips }),
    ...(day ? { 'GET /deck/today': () => ({ body: { ...LATE, ...day } }) } : {}),
  });
  showAt({ index: () => <WeekDesk monday={monday} rows={rows} /> }, '/');
  return calls;
};

describe('the week on a coach’s desk', () => {
  it('shows each hired hour with its session, or the way to build one', async () => {
    desk({}, [TUESDAY]);
    expect(await screen.findAllByText('nothing planned yet')).toHaveLength(1);
    const hrefs = screen.getAllByRole('link').map((link) => String(link.props.href ?? link.props.to));
    expect(hrefs).toContain(`/sessions/new?date=${addDays(MONDAY, 3)}&start=19:00&squad=${SQUAD.id}`);
    expect(hrefs).toContain('/sessions/tuesday');
    expect(screen.getByText('8 swimmers')).toBeTruthy();
    expect(screen.queryByText('Old crew')).toBeNull();
  });

  it('tells of sessions at other hours', async () => {
    desk({}, [{ ...TUESDAY, title: 'Camp', startTime: '07:00' }]);
    expect(await screen.findByText(/^Besides: Tue .* 07:00 Camp\.$/)).toBeTruthy();
  });

  it('asks who needs what by the end of the week, and leaves the load of that day alone', async () => {
    const calls = desk({}, [TUESDAY], [CLIP, { ...CLIP, id: 'c2', swimmerName: 'Bo', answeredAt: CLIP.sentAt }]);
    expect(await screen.findByText('Second looks due')).toBeTruthy();
    expect(calls.map((c) => c.path)).toContain(`/deck/today?date=${addDays(MONDAY, 6)}`);
    expect(screen.queryByText(/more than the average/)).toBeNull();
    expect(await screen.findByText('1 clip sent in')).toBeTruthy();
    expect(screen.queryByText('Bo')).toBeNull();
  });

  it('says when nothing is due', async () => {
    desk({ relooks: [] }, []);
    expect(await screen.findByText(/^Nothing is due by Sun /)).toBeTruthy();
  });

  it('a week that is over has no hour to fill, and nobody to look after', async () => {
    desk({}, [], [], addDays(MONDAY, -21));
    expect((await screen.findAllByText('nothing was planned')).length).toBe(2);
    expect(screen.queryByText('Build')).toBeNull();
    expect(screen.queryByText('Second looks due')).toBeNull();
  });

  it('says so when what is due cannot be had', async () => {
    desk(null, [TUESDAY]);
    expect(await screen.findByText(/nothing at this address/)).toBeTruthy();
  });
});

describe('a session for a hired hour', () => {
  it('is asked for by day, hour and squad, and by nothing else', () => {
    const asked = { date: '2026-12-01', start: '19:00', squad: ID };
    expect(hourOf(asked)).toEqual({ date: '2026-12-01', startTime: '19:00', squadIds: [ID] });
    expect(hourOf({})).toBeNull();
    expect(hourOf({ ...asked, date: '2026-13-40' })).toBeNull();
    expect(hourOf({ ...asked, date: 'tomorrow' })).toBeNull();
    expect(hourOf({ ...asked, start: '25:00' })).toBeNull();
    expect(hourOf({ ...asked, squad: '<b>' })).toBeNull();
    expect(hourOf({ ...asked, squad: [ID, ID] })).toBeNull();
  });

  it('takes length and pool from the hour, a usual pool or any other', () => {
    expect(wishAt(hour(2, '19:00'), ['25 m', '50 m'])).toEqual({
      ...{ startTime: '19:00', minutes: 75, place: 'pool', pool: '50 m', poolFacts: { standingDepth: true } },
    });
    const odd = { ...hour(2, '19:00'), pool: { length: 33.33, unit: 'm' as const } };
    expect({ ...newWish(TODAY, 'm'), ...wishAt(odd, ['25 m', '50 m']) }).toMatchObject({
      ...{ pool: 'other', otherLength: '33.33', otherUnit: 'm', poolFacts: {} },
    });
  });

  it('opens on that day, in that pool, for that squad', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /squads': () => ({ body: [EVENING] }),
      'GET /sessions/proposal': () => ({ body: PROPOSAL }),
    });
    const day = addDays(MONDAY, 3);
    showAt({ 'sessions/new': NewSessionScreen }, `/sessions/new?date=${day}&start=19:00&squad=${SQUAD.id}`);
    expect(await screen.findByText('75')).toBeTruthy();
    expect(calls.map((c) => c.path).find((p) => p.startsWith('/sessions/proposal'))).toContain(`date=${day}`);
    expect(calls.map((c) => c.path).find((p) => p.startsWith('/sessions/proposal'))).toContain(SQUAD.id);
  });
});
