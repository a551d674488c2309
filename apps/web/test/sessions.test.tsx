import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react-native';
import type { SessionPerson, SessionSave } from '@upwell/contract/sessions';
import { readSession } from '@upwell/core/notation';
import { buildSession, describeSet, groupLengths, setDetails, setsOf, type SessionPlan } from '@upwell/core/sessions';
import fc from 'fast-check';
import { AccountScreen } from '@/account/AccountScreen';
import { dropped, rowsOf } from '@/sessions/hand/rows';
import { NewSessionScreen } from '@/sessions/screens/NewSessionScreen';
import { SessionScreen } from '@/sessions/screens/SessionScreen';
import { SessionsScreen } from '@/sessions/screens/SessionsScreen';
import { NOTATION_HELP } from '@/sessions/notationHelp';
import { newWish, requestOf } from '@/sessions/wish';
import { WriteSessionScreen } from '@/sessions/screens/WriteSessionScreen';
import { SquadsScreen } from '@/swimmers/screens/SquadsScreen';
import { LadderSteps } from '@/swimmers/parts/LadderSteps';
import { Icon } from '@/ui/Icon';
import { DAY } from '@/ui/theme';
import { PaperProvider } from 'react-native-paper';
import { weekOf } from '@upwell/core/days';
import { movedTime, nextWeekday } from '@/ui/dates';
import { fakeServer, ID, ME, PLAN, PROPOSAL, SESSION, SESSION_ROW, showAt, SQUAD } from './fakeServer';

const me = () => ({ body: ME });
const squads = () => ({ body: [SQUAD] });
const press = (text: string | RegExp) => fireEvent.press(screen.getAllByText(text)[0]!);
const findText = (text: string | RegExp) => screen.findAllByText(text);

const PEOPLE: SessionPerson[] = [
  {
    id: 'a',
    name: 'Ada L',
    level: 'race',
    age: 'adult',
    healthFlags: [],
    v400Mps: 1.3,
    paceIsGuess: false,
    rateSpm: null,
    bests: [],
  },
  {
    id: 'b',
    name: 'Bo V',
    level: 'race',
    age: 'adult',
    healthFlags: [],
    v400Mps: 0.8,
    paceIsGuess: true,
    rateSpm: null,
    bests: [],
  },
];

/** A server with one session, which remembers what was saved. */
function sessionServer(change: object = {}) {
  return fakeServer({
    'GET /account/me': me,
    'GET /squads': squads,
    'GET /sessions/proposal': () => ({ body: PROPOSAL }),
    [`GET /sessions/${ID}/people`]: () => ({ body: PEOPLE }),
    [`GET /sessions/${ID}`]: () => ({ body: { ...SESSION, ...change } }),
    'PUT /sessions': ({ body }) => ({ body: { ...SESSION, ...(body as object), version: 3 } }),
    'GET /sessions': () => ({ body: [SESSION_ROW] }),
  });
}
const saves = (calls: ReturnType<typeof fakeServer>) =>
  calls.filter((c) => c.method === 'PUT').map((c) => c.body as SessionSave);

describe('a column as one list', () => {
  const group = PLAN.groups[1]!;
  const rows = rowsOf(group);

  it('shows every block, rounds and set once, in the order they are swum', () => {
    const sets = group.blocks.flatMap((b) => setsOf(b.items).map(({ set }) => set.id));
    expect(rows.filter((r) => r.kind === 'set').map((r) => r.id)).toEqual(sets);
    expect(rows.filter((r) => r.kind === 'block')).toHaveLength(group.blocks.length);
  });

  it('keeps every set and the other columns wherever a row is dropped', () => {
    const movable = rows.filter((r) => r.kind !== 'block').map((r) => r.id);
    const ids = (plan: SessionPlan) =>
      plan.groups[1]!.blocks.flatMap((b) => setsOf(b.items).map(({ set }) => set.id)).sort();
    fc.assert(
      fc.property(
        fc.constantFrom(...movable),
        fc.constantFrom(...rows.map((r) => r.id)),
        fc.boolean(),
        (id, over, after) => {
          const next = dropped(PLAN, group, id, over, after);
          expect(ids(next)).toEqual(ids(PLAN));
          expect(next.groups[0]).toBe(PLAN.groups[0]);
        },
      ),
    );
  });

  it('takes a set dropped on the head of a block into that block', () => {
    const main = group.blocks.find((b) => b.kind === 'main')!;
    const first = rows.find((r) => r.kind === 'set')!;
    const next = dropped(PLAN, group, first.id, main.id, true);
    expect(next.groups[1]!.blocks.find((b) => b.kind === 'main')!.items[0]!.id).toBe(first.id);
  });
});

describe('a session as text', () => {
  it('follows the sets, and the sets follow it', async () => {
    sessionServer();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}?pane=text`);
    const area = await screen.findByLabelText('The session as text');
    await waitFor(() => expect(area.props.value).toContain('== Hold'));
    const text = area.props.value as string;
    fireEvent.changeText(area, text.replace(/# .*/, '# Another name'));
    await findText('Another name');
    fireEvent.changeText(area, `${text}\n?? nonsense`);
    await findText(/1 thing to fix/);
    // What could not be read changed nothing.
    expect(screen.getAllByText('Another name').length).toBeGreaterThan(0);
  });

  it('is written from scratch, fixed with one tap and stored', async () => {
    const calls = sessionServer();
    showAt({ 'sessions/write': WriteSessionScreen, 'sessions/[id]': SessionScreen }, '/sessions/write');
    await findText(/Everything was read/);
    const area = screen.getByLabelText('The session as text');
    fireEvent.changeText(area, '# Quick\nMain = 400\n8 x 50 crawll 80%');
    await findText(/Did you mean “crawl”/);
    expect(screen.getByRole('button', { name: 'Keep it' })).toBeDisabled();
    press('Write “crawl”');
    await findText(/Everything was read/);
    await act(async () => press('Keep it'));
    await waitFor(() => expect(saves(calls)).toHaveLength(1));
    const [save] = saves(calls);
    expect(save).toMatchObject({ title: 'Quick', squadIds: [ID], version: 0, template: false });
    expect(groupLengths(save!.plan.groups[0]!)).toBe(16);
  });

  it('says which total is off and why', async () => {
    sessionServer();
    showAt({ 'sessions/write': WriteSessionScreen }, '/sessions/write');
    await findText(/Everything was read/);
    fireEvent.changeText(screen.getByLabelText('The session as text'), 'Drills = 100\n2 x (\n2 x 50 crawl\n)');
    await findText(/counted once instead of twice/);
    await findText('1 total does not add up.');
    expect(screen.getByRole('button', { name: 'Keep it' })).not.toBeDisabled();
  });
});

describe('a text as on a whiteboard', () => {
  it.each(NOTATION_HELP.flatMap(({ lines }) => lines))('the example %j of the help is read', (line) => {
    const { problems } = readSession(/^(==|=|Total)/.test(line) ? `Main\n18 x 100 easy\n${line}` : `Main\n${line}`);
    expect(problems.filter(({ message }) => !message.startsWith('Stated'))).toEqual([]);
  });

  it('shows beside it how it was read, and takes lines from the help', async () => {
    const calls = sessionServer();
    showAt({ 'sessions/write': WriteSessionScreen, 'sessions/[id]': SessionScreen }, '/sessions/write');
    const area = await screen.findByLabelText('The session as text');
    fireEvent.changeText(area, 'WU 200\nMain set\n4x100 free, 15s rest\n100 choice easy');
    const [list] = await screen.findAllByLabelText('How it was read');
    const said = within(list!)
      .getAllByText(/./)
      .map(({ props }) => String(props.children));
    // The line that is written in these words already is not said again.
    expect(said).toEqual([
      'How it was read',
      ...['1', 'Warm-up · 200 crawl easy'],
      ...['3', '4 x 100 crawl easy, rest 15'],
    ]);
    fireEvent.press(screen.getByText('How to write it'));
    fireEvent.press(screen.getByLabelText('Add the line rest 2 min'));
    await findText('Everything was read.');
    expect(screen.getByLabelText('The session as text').props.value).toMatch(/100 choice easy\nrest 2 min$/);
    await act(async () => press('Keep it'));
    await waitFor(() => expect(saves(calls)).toHaveLength(1));
    expect(saves(calls)[0]!.plan.groups[0]!.blocks.map(({ kind, items }) => [kind, items.length])).toEqual([
      ['warm-up', 1],
      ['main', 3],
    ]);
  });

  it('says what was understood in one of two ways without calling it a wrong total', async () => {
    sessionServer();
    showAt({ 'sessions/write': WriteSessionScreen }, '/sessions/write');
    fireEvent.changeText(await screen.findByLabelText('The session as text'), 'Main\n100 free 70-80%');
    await findText('Everything was read; 1 thing to look at.');
    fireEvent.press(screen.getByText('Write “75%”'));
    await findText('Everything was read.');
    expect(screen.getByLabelText('The session as text').props.value).toBe('Main\n100 free 75%');
  });
});

describe('the views of a session', () => {
  it('lanes: who leaves when, who is caught, and what to do', async () => {
    sessionServer();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}?pane=lanes`);
    await findText('Race');
    press('Race');
    await findText('Lane 1');
    expect(screen.getAllByText('Ada L').length).toBe(2);
    expect(screen.getAllByText(/a guess/).length).toBeGreaterThan(0);
    expect(screen.getAllByText(/Ada L catches Bo V/).length).toBeGreaterThan(0);
    fireEvent.press(screen.getByLabelText('More lanes'));
    await findText('Lane 2');
  });

  it('swum: as planned with one tap, then less, felt and remembered', async () => {
    const calls = sessionServer();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}?pane=swum`);
    await findText('What was swum?');
    press('Swum as planned');
    expect((await findText(/m, as planned/)).length).toBe(3);
    fireEvent.press(screen.getByLabelText('More Build'));
    fireEvent.press(screen.getAllByText(/^\d+ choice$/)[0]!);
    fireEvent.press(screen.getByLabelText('More reps'));
    await findText(/Warm-up \+/);
    fireEvent.changeText(screen.getByLabelText('What to remember'), 'Cold water');
    await act(async () => press('Save changes'));
    await waitFor(() => expect(saves(calls)).toHaveLength(1));
    const { plan, done } = saves(calls)[0]!;
    expect(plan).toEqual(PLAN);
    expect(done).toMatchObject({ ratings: { g1: 5 }, note: 'Cold water' });
    expect(done!.plan).not.toEqual(PLAN);
  });

  it('files: a copy, a template and a series are sessions of their own', async () => {
    const calls = sessionServer();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}?pane=take`);
    await findText('Use it again');
    fireEvent.press(screen.getByLabelText('Fewer weeks more'));
    await act(async () => press('Every week'));
    await findText(/^3 more, to/);
    await act(async () => press('Save as template'));
    await findText('Saved as a template.');
    const made = saves(calls);
    const [itself, ...weeks] = made.slice(0, 4);
    expect(itself).toMatchObject({ date: '2026-11-24', version: 2 });
    expect(weeks.map((s) => s.date)).toEqual(['2026-12-01', '2026-12-08', '2026-12-15']);
    expect(new Set(made.slice(0, 4).map((s) => s.seriesId)).size).toBe(1);
    expect(made[4]).toMatchObject({ template: true, version: 0, done: null, seriesId: null });
    expect(new Set(made.map((s) => s.writeId)).size).toBe(5);
  });

  it('few breaths: blocked with the reasons, and a gentler way is offered', async () => {
    sessionServer();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await findText(/^\d+ choice$/);
    press('Race');
    fireEvent.press(screen.getAllByText(/^\d+ crawl$/)[0]!);
    press('every 7');
    await findText(/a fit swimmer can faint/);
    expect(screen.getAllByText(/Name the qualified lifeguard/).length).toBeGreaterThan(0);
    fireEvent.changeText(screen.getByLabelText('Qualified lifeguard on watch'), 'Mo "B" Bekk');
    fireEvent.press(screen.getByRole('checkbox', { name: /Everybody was told/ }));
    expect(screen.queryByText(/Name the qualified lifeguard/)).toBeNull();
    press('Breathe every 3 instead');
    expect(screen.queryByText(/Cannot be saved/)).toBeNull();
  });
});

describe('the list of sessions', () => {
  it('searches on the server, and shows templates and weeks', async () => {
    const calls = sessionServer();
    showAt({ sessions: SessionsScreen }, '/sessions');
    await findText('Sip to the side');
    fireEvent.changeText(screen.getByLabelText('Find a session by title or theme'), 'sip');
    await waitFor(() => expect(calls.some((c) => c.path.includes('search=sip'))).toBe(true));
    press('Templates');
    await waitFor(() => expect(calls.some((c) => c.path.includes('templates=true'))).toBe(true));
    press('Week');
    await findText(/^Week of/);
    fireEvent.press(screen.getByLabelText('The next week'));
    await waitFor(() => expect(calls.filter((c) => c.path.includes('to=')).length).toBeGreaterThan(1));
  });
});

describe('building', () => {
  it('takes a pool time, goes outside, and another one keeps what is locked', async () => {
    const time = { weekday: 2, startTime: '18:15', minutes: 45, pool: { length: 50, unit: 'm' as const }, lanes: 2 };
    const calls = fakeServer({
      'GET /account/me': me,
      'GET /squads': () => ({ body: [{ ...SQUAD, poolTimes: [time] }] }),
      'GET /sessions/proposal': () => ({ body: PROPOSAL }),
      'PUT /sessions': ({ body }) => ({ body: { ...SESSION, ...(body as object), version: 1 } }),
      'GET /sessions': () => ({ body: SESSION }),
    });
    showAt({ 'sessions/new': NewSessionScreen, 'sessions/[id]': SessionScreen }, '/sessions/new');
    await findText(/^Everyone out at/);
    press(/18:15, Evening Lanes/);
    await findText(/^Everyone out at (18:59|19:00)$/);
    fireEvent.press(screen.getByRole('button', { name: 'Warm-up' }));
    await act(async () => press('Another one'));
    await findText(/^Everyone out at/);
    await act(async () => press('Keep it'));
    await waitFor(() => expect(saves(calls)).toHaveLength(1));
    const kept = saves(calls)[0]!;
    expect(kept.plan).toMatchObject({ minutes: 45, pool: { length: 50 }, place: 'pool' });
    const first = buildSession({
      kind: 'aerobic',
      theme: 'breath-too-low',
      minutes: 45,
      place: 'pool',
      week: 'normal',
      pool: { length: 50, unit: 'm' },
      kit: PROPOSAL.kit,
      seed: 1,
      groups: PROPOSAL.groups.map((g) => ({ ...g, lengths: null, locked: [] })),
    });
    if (first.kind === 'clash') throw new Error('clash');
    const warmUps = (plan: SessionPlan) => plan.groups.map((g) => g.blocks.find((b) => b.kind === 'warm-up'));
    expect(warmUps(kept.plan)).toEqual(warmUps(first.plan));
    expect(kept.plan.groups).not.toEqual(first.plan.groups);
  });
});

describe('what lies at the pool and what the week leaves', () => {
  const kitIn = (plan: SessionPlan) =>
    new Set(plan.groups.flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items).flatMap(({ set }) => set.kit))));
  const server = (proposal: object) =>
    fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /sessions/proposal': () => ({ body: { ...PROPOSAL, ...proposal } }),
      'PUT /sessions': ({ body }) => ({ body: { ...SESSION, ...(body as object), version: 1 } }),
      'GET /sessions': () => ({ body: SESSION }),
    });
  const keep = async (calls: ReturnType<typeof fakeServer>) => {
    await act(async () => press('Keep it'));
    await waitFor(() => expect(saves(calls)).toHaveLength(1));
    return saves(calls)[0]!.plan;
  };
  const chosen = (name: string) =>
    screen.getByRole('button', { name }).props.accessibilityState?.selected ??
    screen.getByRole('button', { name }).props['aria-pressed'];

  it('begins with what the club owns, and “No kit” is one tap and as quickly taken back', async () => {
    const calls = server({ kit: ['board', 'fins'] });
    showAt({ 'sessions/new': NewSessionScreen, 'sessions/[id]': SessionScreen }, '/sessions/new');
    await findText(/^Everyone out at/);
    expect([chosen('Short board'), chosen('Long soft fins'), chosen('Pull buoy'), chosen('No kit')]).toEqual([
      true,
      true,
      false,
      false,
    ]);
    fireEvent.press(screen.getByRole('button', { name: 'No kit' }));
    expect([chosen('Short board'), chosen('No kit')]).toEqual([false, true]);
    fireEvent.press(screen.getByRole('button', { name: 'No kit' }));
    expect([chosen('Short board'), chosen('No kit')]).toEqual([true, false]);
    fireEvent.press(screen.getByRole('button', { name: 'No kit' }));
    await findText(/^Everyone out at/);
    await waitFor(() => expect(screen.queryByLabelText('Building the session')).toBeNull());
    expect([...kitIn(await keep(calls))]).toEqual([]);
  });

  it('can be read in words before it is kept, one level after the other', async () => {
    const calls = server({});
    showAt({ 'sessions/new': NewSessionScreen, 'sessions/[id]': SessionScreen }, '/sessions/new');
    await findText(/^Everyone out at/);
    const [first, , last] = PROPOSAL.groups.map(({ name }) => name);
    const shown = () => screen.getByText(/, in words$/).props.children as string;
    expect(shown()).toBe(`${first}, in words`);
    // The head of its column; the choice of levels comes further down.
    fireEvent.press(screen.getAllByRole('button', { name: new RegExp(`^${last}`) })[0]!);
    expect(shown()).toBe(`${last}, in words`);
    const words = screen.getAllByText(/./).map(({ props }) => String(props.children));
    const { groups, pool } = await keep(calls);
    for (const { set } of groups.find(({ name }) => name === last)!.blocks.flatMap(({ items }) => setsOf(items))) {
      expect(words).toContain(describeSet(set, pool));
      expect(words).toContain(setDetails(set).join(' · '));
    }
  });

  it('ends earlier for a full week and says so; the hour is filled at a tap, and the tap taken back', async () => {
    const calls = server({ groups: PROPOSAL.groups.map((g) => ({ ...g, loadLimit: 1400 })) });
    showAt({ 'sessions/new': NewSessionScreen, 'sessions/[id]': SessionScreen }, '/sessions/new');
    await findText(/^Ends \d+ minutes before the hour, so that the load of this week is kept\.$/);
    const [early] = await findText(/^Everyone out at 19:\d\d$/);
    const before = early!.props.children as string;
    fireEvent.press(screen.getByRole('button', { name: 'Fill the hour anyway' }));
    await findText('The hour is filled, whatever the load of this week.');
    await findText(/^Everyone out at (19:59|20:00)$/);
    fireEvent.press(screen.getByRole('button', { name: 'Keep the load of the week' }));
    await findText(before);
    fireEvent.press(screen.getByRole('button', { name: 'Fill the hour anyway' }));
    await findText(/^Everyone out at (19:59|20:00)$/);
    await waitFor(() => expect(screen.queryByLabelText('Building the session')).toBeNull());
    const plan = await keep(calls);
    expect(plan.minutes).toBe(60);
  });

  it('takes up a wish that was left on this device before kit was asked', () => {
    const { kit: _, fillHour: __, ...old } = { ...newWish('2026-11-10', 'm'), kit: ['fins' as const], fillHour: true };
    const request = requestOf(old, PROPOSAL);
    if (typeof request === 'string') throw new Error(request);
    expect([request.kit, request.fillHour]).toEqual([PROPOSAL.kit, false]);
    expect(requestOf({ ...old, kit: [] }, PROPOSAL)).toMatchObject({ kit: [] });
  });
});

describe('what shapes sessions', () => {
  it('pool times of a squad are stored with it', async () => {
    const calls = fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /coaches': () => ({ body: [{ id: ID, name: 'Jory' }] }),
      'GET /calendar-links': () => ({ body: [] }),
      'PUT /squads': ({ body }) => ({ body: { ...SQUAD, ...(body as object), version: 2 } }),
    });
    showAt({ 'swimmers/squads': SquadsScreen }, '/swimmers/squads');
    await findText('Add a pool time');
    press('Add a pool time');
    press('Thu');
    fireEvent.press(screen.getByLabelText('More lanes'));
    await act(async () => press('Save squad'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')!.body).toMatchObject({ poolTimes: [{ weekday: 4, lanes: 3 }] });
  });

  it('club rules change at a tap, and the table begins from the law', async () => {
    const rules = { kit: ['fins'], laneCapacity: null, paceTable: [] };
    const calls = fakeServer({
      'GET /account/me': () => ({ body: { ...ME, role: 'head' } }),
      'GET /account/club': () => ({ body: rules }),
      'PUT /account/club': ({ body }) => ({ body }),
    });
    showAt({ account: AccountScreen }, '/account');
    await findText('Club rules');
    await act(async () => press('our own table'));
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(1));
    const { paceTable } = calls.find((c) => c.method === 'PUT')!.body as {
      paceTable: { effort: number; share: number }[];
    };
    expect(paceTable[2]).toEqual({ effort: 0.8, share: 0.928 });
  });

  it('ladders are kept on the swimmer, a step at a time', () => {
    const changed = jest.fn();
    render(
      <PaperProvider theme={DAY} settings={{ icon: Icon }}>
        <LadderSteps steps={{ catch: 1 }} onChange={changed} />
      </PaperProvider>,
    );
    expect(screen.getByText(/^Working on/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('More passed, Catch'));
    expect(changed).toHaveBeenLastCalledWith({ catch: 2 });
    press('Kick');
    expect(changed).toHaveBeenLastCalledWith({ catch: 1, kick: 0 });
    press('Leave out');
    expect(changed).toHaveBeenLastCalledWith({});
  });
});

describe('days and hours', () => {
  it('knows the week and the next hired day', () => {
    expect(weekOf('2026-11-29')).toBe('2026-11-23');
    expect(weekOf('2026-11-23')).toBe('2026-11-23');
    expect(nextWeekday('2026-11-25', 3)).toBe('2026-11-25');
    expect(nextWeekday('2026-11-25', 2)).toBe('2026-12-01');
    expect(movedTime('23:50', 15)).toBe('00:05');
    expect(movedTime('00:05', -15)).toBe('23:50');
  });
});
