import type { MyWeek, RacePlanView, SeasonPage } from '@upwell/contract/race';
import { racePlan, type RaceFacts } from '@upwell/core/race';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { DeckScreen } from '@/deck/screens/DeckScreen';
import { MyWeekScreen } from '@/race/screens/MyWeekScreen';
import { RaceScreen } from '@/race/screens/RaceScreen';
import { SeasonScreen } from '@/race/screens/SeasonScreen';
import { chosen, draftOf, freedWeek, lockedWeek, redone, undone } from '@/race/raceDraft';
import { signedTime } from '@/race/words';
import { differences } from '@/offline/differences';
import { counted } from '@/state/offline';
import { beginsMonth } from '@/race/parts/SeasonGrid';
import { addDays, dayIn, deviceZone, weekOf } from '@upwell/core/days';
import { fakeServer, FOCUS, ID, ME, SESSION_ROW, showAt, SQUAD } from './fakeServer';
import { FACTS, RACE_VIEW } from './raceFacts';

const TODAY = dayIn(deviceZone(), Date.now());
const view = (change: Partial<RacePlanView> = {}, facts: Partial<RaceFacts> = {}): RacePlanView => ({
  ...RACE_VIEW,
  facts: { ...FACTS, ...facts },
  ...change,
});
const me = () => ({ body: ME });
const race = (answer: RacePlanView, at = '') => {
  const calls = fakeServer({
    'GET /account/me': me,
    [`GET /swimmers/${ID}/race-plan`]: () => ({ body: answer }),
    [`PUT /swimmers/${ID}/race-plan`]: ({ body }) => ({ body: { ...answer, choices: body.choices, version: 1 } }),
    'GET /courses': () => ({ body: [] }),
    'GET /calendar-links': () => ({ body: [] }),
  });
  const store = showAt({ 'swimmers/[id]/race': RaceScreen }, `/swimmers/${ID}/race${at}`);
  return { calls, store };
};
const find = (text: string | RegExp) => screen.findByText(text);
const press = (name: string | RegExp) => fireEvent.press(screen.getByRole('button', { name }));

describe('what a coach decides about a race', () => {
  const draft = draftOf(view());
  it('is one step back for a slider that was dragged, and one for each other change', () => {
    const dragged = [0.05, 0.04, 0.03].reduce((now, extraThen) => chosen(now, { extraThen }, true), draft);
    expect(dragged.past).toHaveLength(1);
    const wet = chosen(dragged, { wetsuit: true });
    expect(undone(undone(wet)).choices).toEqual({});
    expect(redone(undone(wet)).choices).toEqual({ extraThen: 0.03, wetsuit: true });
    // Taken back by itself, it is known from records again.
    expect(chosen(wet, { extraThen: undefined }).choices).toEqual({ wetsuit: true });
    expect(undone(draft)).toBe(draft);
    expect(redone(draft)).toBe(draft);
  });
  it('holds a week fast piece by piece, and lets it go whole', () => {
    const once = lockedWeek(draft, '2027-01-04', { load: 2000 });
    const twice = lockedWeek(once, '2027-01-04', { theme: 'spins' });
    expect(twice.choices.locks).toEqual({ '2027-01-04': { load: 2000, theme: 'spins' } });
    expect(lockedWeek(once, '2027-01-04', { load: undefined }).choices.locks).toEqual({});
    expect(freedWeek(twice, '2027-01-04').choices).toEqual({ locks: {}, away: {} });
  });
  it('differs in words where two coaches decided', () => {
    const mine = { choices: { wetsuit: true, waterC: 16 } };
    const theirs = { choices: { waterC: 18, rideFollows: true } };
    expect(differences(mine, theirs)).toEqual([
      { what: 'wetsuit', mine: 'yes', theirs: 'nothing' },
      { what: 'water c', mine: '16', theirs: '18' },
      { what: 'ride follows', mine: 'nothing', theirs: 'yes' },
    ]);
  });
  it('signs its seconds', () => {
    expect([signedTime(-65), signedTime(12), signedTime(0.2)]).toEqual(['−1:05', '+12 s', '0 s']);
  });
});

describe('the gap', () => {
  it('is shown in parts, follows the slider, and is kept with one save', async () => {
    const { calls } = race(view());
    await find('Where the seconds are');
    const before = screen.getByText(/^Today .*target 1:00:00/);
    expect(before).toBeTruthy();
    const slider = screen.getByLabelText('Extra distance on race day');
    fireEvent(slider, 'change', { target: { value: '1' } });
    await find(/8.0 % extra distance today, 1.0 % on the day/);
    press('Check and change');
    press('Wetsuit');
    await find('4.0');
    press('Keep it');
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(1));
    const [put] = calls.filter((c) => c.method === 'PUT');
    expect(put!.body).toMatchObject({ choices: { extraThen: 0.01, wetsuit: true }, version: 0 });
  });
  it('stays on the screen when it is refused', async () => {
    fakeServer({
      'GET /account/me': me,
      [`GET /swimmers/${ID}/race-plan`]: () => ({ body: view() }),
      [`PUT /swimmers/${ID}/race-plan`]: () => ({ status: 409, body: { detail: 'This was changed elsewhere.' } }),
      'GET /courses': () => ({ body: [] }),
    });
    showAt({ 'swimmers/[id]/race': RaceScreen }, `/swimmers/${ID}/race`);
    await find('Where the seconds are');
    fireEvent(screen.getByLabelText('Seconds lost on race day'), 'change', { target: { value: '3' } });
    press('Keep it');
    await find('This was changed elsewhere.');
    expect(screen.getByText(/today, 3 s on the day/)).toBeTruthy();
  });
  it.each([
    [{ trials: [] }, /there is no prediction/],
    [{ raceOn: addDays(TODAY, -2) }, /The race is over/],
    [{ targetS: 900 }, /faster than anyone swims/i],
  ] as const)('says what it cannot say: %j', async (facts, said) => {
    race(view({}, facts));
    await waitFor(() => expect(screen.getAllByText(said).length).toBeGreaterThan(0));
  });
  it('shows steps in metres where the goal has no clock, from what the coach has seen', async () => {
    const { store } = race(view({}, { targetS: null, distanceM: 1000, level: 'build', trials: [], trialsOn: null }));
    await find('Without a stop today');
    await find('What is usual at this level: a guess until it is swum.');
    // 400 × 1.2 = 480, 576, 691, 829, 995, then the kilometre: 450, 550, 650, 800, 950 and 1,000 m.
    for (const step of ['450 m', '550 m', '650 m', '800 m', '950 m']) expect(screen.getByText(step)).toBeTruthy();
    expect(screen.getAllByText('1 km')).toHaveLength(2);
    await find('In time');
    const box = screen.getAllByLabelText('m without a stop').at(-1)!;
    fireEvent.changeText(box, '1200');
    fireEvent(box, 'blur');
    await find('Already there');
    expect((store.getState().drafts[`race:${ID}`] as { choices: object }).choices).toEqual({ longestM: 1200 });
    expect(screen.queryByText('Assumptions')).toBeNull();
  });
  it('asks for a goal where there is none', async () => {
    race(view({ facts: null }));
    await find('No goal yet');
  });
  it('is only looked at by a swimmer', async () => {
    fakeServer({
      'GET /account/me': () => ({ body: { ...ME, role: 'swimmer', swimmerId: ID } }),
      [`GET /swimmers/${ID}/race-plan`]: () => ({ body: view() }),
    });
    showAt({ 'swimmers/[id]/race': RaceScreen }, `/swimmers/${ID}/race`);
    await find('Where the seconds are');
    await waitFor(() => expect(screen.queryByLabelText('Seconds lost on race day')).toBeNull());
  });
});

describe('the weeks', () => {
  it('are as core solves them; an ill week is empty and can be taken back', async () => {
    race(view(), '?view=weeks');
    const { weeks } = racePlan(FACTS, {}, TODAY);
    await find(`${weeks.length} weeks`);
    const lines = screen.getAllByRole('button', { name: /(Learn|Build up|Sharpen|Lighter|Taper)/ });
    fireEvent.press(lines[1]!);
    press('ill');
    await find(/^Ill: no swimming/);
    press('Unlock this week');
    await waitFor(() => expect(screen.queryByText(/^Ill: no swimming/)).toBeNull());
    press('More metres × effort');
    await find('locked');
  });
  it('have another race in between', async () => {
    const otherRaces = [{ event: 'Lantern Mile', date: addDays(TODAY, 78) }];
    race(view({ choices: { otherRaces } }), '?view=weeks');
    await find(/Lantern Mile is 6 days before Quill Crossing: one taper for both/);
    press('Sessions, taper, other races');
    press('Take out Lantern Mile');
    await waitFor(() => expect(screen.queryByText(/one taper for both/)).toBeNull());
  });
});

describe('the list before a race', () => {
  it('is ticked by what the coach saw', async () => {
    const { store } = race(view(), '?view=ready');
    await find('0 of 7');
    fireEvent.press(screen.getAllByRole('button', { name: 'yes' })[0]!);
    await find('1 of 7');
    press('More dips');
    await find('Go into cold water six times (1 so far)');
    const kept = store.getState().drafts[`race:${ID}`] as { choices: object };
    expect(kept.choices).toEqual({ marks: { sighting: true, coldDips: 1 } });
  });
});

describe('the season', () => {
  const page: SeasonPage = {
    from: weekOf(TODAY),
    rows: [
      {
        id: ID,
        name: 'Ada Lindqvale',
        level: 'hold',
        squadName: 'Evening Lanes',
        event: 'Quill Crossing',
        raceOn: FACTS.raceOn,
        verdict: { verdict: 'hopeful', gapS: 90, chance: 0.4 },
        weeks: racePlan(FACTS, {}, TODAY).weeks,
      },
    ],
    next: null,
    races: [{ event: 'Quill Crossing', date: FACTS.raceOn, swimmers: 1 }],
    squads: [{ id: ID, name: 'Evening Lanes', poolTimes: [], swimmers: 5, weeks: [] }],
    old: 1,
  };
  it('shows where races pull a squad apart, and leads from a week to its sessions', async () => {
    const monday = weekOf(TODAY);
    const quiet = { load: 8000, swimmers: 5, lighter: 0, races: [] };
    const weeks = [
      { ...quiet, monday, working: 5, tapering: 0 },
      { ...quiet, monday: addDays(monday, 7), working: 3, tapering: 2 },
    ];
    fakeServer({
      'GET /account/me': me,
      'GET /squads': () => ({ body: [SQUAD] }),
      'GET /season': () => ({ body: { ...page, squads: [{ ...page.squads[0]!, weeks }] } }),
    });
    showAt({ season: SeasonScreen, sessions: () => <></> }, '/season');
    await find('races pull it apart in 1 week');
    await find(/^Some rest while others work/);
    expect(screen.queryByText('5 work')).toBeNull();
    press('All weeks of Evening Lanes');
    await find('5 work');
    const link = screen.getByRole('link', { name: /^Sessions in the week of .*3 work, 2 taper/ });
    expect(link.props.href ?? link.props.to).toContain(`week=${addDays(monday, 7)}`);
  });
  it('plans everybody in the background and says when it is done', async () => {
    let asked = 0;
    const job = (state: string, done: number) => ({ body: { id: ID, state, done, total: 2, words: `state ${state}` } });
    fakeServer({
      'GET /account/me': me,
      'GET /squads': () => ({ body: [SQUAD] }),
      'GET /season': () => ({ body: page }),
      'POST /season/plan': () => job('waiting', 0),
      'GET /jobs/': () => (++asked > 1 ? job('done', 2) : job('running', 1)),
    });
    showAt({ season: SeasonScreen }, '/season');
    await find('Hopeful, 40 %');
    // The sign never stands alone in a line.
    expect(screen.getByText('Hopeful, 40 %').props.children).toBe('Hopeful, 40\u00a0%');
    expect(screen.getByText('1 plan is older than this week.')).toBeTruthy();
    press('Replan everyone');
    await find('state running: 1 of 2');
    await find('state done');
    expect(screen.getByRole('button', { name: 'Replan everyone' })).toBeTruthy();
  });
  it('says how to begin', async () => {
    fakeServer({
      'GET /account/me': me,
      'GET /squads': () => ({ body: [] }),
      'GET /season': () => ({ body: { ...page, rows: [], races: [] } }),
    });
    showAt({ season: SeasonScreen }, '/season');
    await find('No race ahead');
  });
});

describe('a swimmer’s own week', () => {
  const week: MyWeek = {
    swimmerId: ID,
    givenName: 'Ada',
    sessions: [
      {
        id: SESSION_ROW.id,
        title: 'Sip to the side',
        date: TODAY,
        startTime: '19:00',
        timeZone: 'UTC',
        minutes: 60,
        theme: 'breath-too-low',
        metres: 2000,
        rating: null,
      },
    ],
    focus: null,
    race: {
      event: 'Quill Crossing',
      raceOn: FACTS.raceOn,
      distanceM: 3200,
      targetS: 3600,
      courseId: null,
      outlook: { kind: 'none', reason: { why: 'no-swim', per100S: 112.5 } },
    },
    weeks: racePlan(FACTS, {}, TODAY).weeks,
    ready: [],
  };
  it('asks how a session felt', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: { ...ME, role: 'swimmer', swimmerId: ID } }),
      'GET /my-week': () => ({ body: week }),
      'PUT /sessions/': () => ({ body: { value: 6 } }),
    });
    showAt({ 'my-week': MyWeekScreen }, '/my-week');
    await find(/No all-out swim yet/);
    press('hard');
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')).toMatchObject({
      path: `/sessions/${SESSION_ROW.id}/rating`,
      body: { value: 6 },
    });
  });
});

describe('the deck’s first page', () => {
  const today = { date: TODAY, sessions: [SESSION_ROW], relooks: [FOCUS] };
  const shown = (body: object) => {
    fakeServer({ 'GET /account/me': me, 'GET /deck/today': () => ({ body }), 'GET /deck/packs': () => ({ body: [] }) });
    return showAt({ deck: DeckScreen }, '/deck');
  };
  it('names what matters, in order, and what waits', async () => {
    const missing = [{ id: 'card', text: 'know the race card by heart', state: 'unknown', by: TODAY, late: false }];
    const about = { swimmerId: ID, squadId: ID };
    const store = shown({
      ...today,
      tests: [{ ...about, name: 'Tess Ter', monday: weekOf(TODAY) }],
      ready: [{ ...about, name: 'Ria Dee', event: 'Quill Crossing', raceOn: FACTS.raceOn, missing }],
      loads: [{ id: 'x', name: 'Evening Lanes, Hold', squadId: ID, prompt: 'More than usual. How do they feel?' }],
    });
    await find('Evening Lanes, Hold');
    expect(screen.getByText(/still to do: know the race card by heart, by/)).toBeTruthy();
    const headings = () => screen.getAllByRole('heading').map((h) => (h.props as { children: string }).children);
    const order = ['Sessions today', 'Second looks due', 'Tests this week', 'Before a race', 'A word about load'];
    expect(headings().slice(-5)).toEqual(order);
    act(() => void store.dispatch(counted({ waiting: 2, undecided: 0 })));
    await find('Waiting to be sent');
    expect(screen.getByText('Sending · 2 wait')).toBeTruthy();
  });
  it('has one line for the tests of a squad, which runs them for all', async () => {
    const test = (name: string, squadId: string, swimmerId: string) => ({
      name,
      squadId,
      swimmerId,
      monday: weekOf(TODAY),
    });
    const many = Array.from({ length: 12 }, (_, i) => test(`Swimmer${i} Dee`, ID, `${i}`));
    shown({ ...today, tests: [...many, test('Tess Ter', 'elsewhere', 'tess')] });
    expect(await screen.findByText('12 swimmers')).toBeTruthy();
    expect(screen.getByText(/while rested: Swimmer0, Swimmer1, .*, Swimmer11$/)).toBeTruthy();
    expect(screen.getAllByText('Test all')).toHaveLength(1);
    // One alone keeps their own test.
    expect(screen.getByText('Tess Ter')).toBeTruthy();
    expect(screen.getAllByText('Test')).toHaveLength(1);
  });
  it('understands a page that an older app kept', async () => {
    shown(today);
    await find(FOCUS.swimmerName);
  });
});

describe('the names of months over the weeks of a season', () => {
  const named = (from: string, weeks: number) => {
    const mondays = Array.from({ length: weeks }, (_, i) => addDays(from, 7 * i));
    return mondays.flatMap((monday, i) => (beginsMonth(mondays, i) ? [`${i} ${monday.slice(5, 7)}`] : []));
  };

  it('stand over the first week of each', () => {
    expect(named('2026-11-16', 11)).toEqual(['0 11', '3 12', '7 01']);
  });

  it('leave the first one out where only its last week is shown, so that no name stands on another', () => {
    expect(named('2026-11-30', 7)).toEqual(['1 12', '5 01']);
    expect(named('2026-11-30', 1)).toEqual(['0 11']);
  });
});
