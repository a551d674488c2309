import { fireEvent, screen } from '@testing-library/react-native';
import { editGroup, type AnySet, type GroupPerson, type GroupPlan, type SessionPlan } from '@upwell/core/sessions';
import { NEW_GROUP, type DayGroup } from '@upwell/core/water';
import { useState } from 'react';
import { BreathCard } from '@/sessions/parts/BreathCard';
import { BreathingEditor } from '@/sessions/hand/BreathingEditor';
import { PoolFacts } from '@/ui/PoolFacts';
import { OutsideNotes } from '@/courses/OutsideNotes';
import { WhoGoesIn } from '@/water/parts/WhoGoesIn';
import { fakeServer, ID, ME, PLAN, SQUAD } from './fakeServer';
import { show } from './show';

const set = (change: Partial<AnySet> = {}): AnySet =>
  ({
    ...{ kind: 'swim', id: 'few', reps: 4, lengths: 2, stroke: 'front-crawl', drill: null, effort: 1, note: '' },
    ...{ breathing: { kind: 'limited', first: 4, last: 1, per: 'rep' }, sighting: null, strokeRateSpm: null, kit: [] },
    timing: { kind: 'rest', seconds: 60 },
    ...change,
  }) as AnySet;
const person = (name: string, change: Partial<GroupPerson> = {}): GroupPerson => ({
  ...{ id: name, name, level: 'race', v400Mps: 1.3, age: 'adult', healthFlags: [] },
  ...change,
});

const withSets = (items: readonly AnySet[], record: GroupPlan['breathRecord'] = null): SessionPlan => {
  const race = PLAN.groups.find((g) => g.level === 'race')!;
  const block = { kind: 'main' as const, id: 'main', landMinutes: 0, items, note: '' };
  return editGroup({ ...PLAN, groups: [race] }, race.id, { blocks: [block], breathRecord: record });
};

describe('the card of few breaths', () => {
  const few = set({ breathing: { kind: 'limited', first: 4, last: 2, per: 'rep' } });
  const people = [
    person('Ada'),
    person('Bo'),
    person('Cleo', { age: 'under-16' }),
    person('Dov', { healthFlags: ['asthma'] }),
  ];

  function Card({ head = false, items = [few] }: { readonly head?: boolean; readonly items?: readonly AnySet[] }) {
    const [plan, setPlan] = useState(() => withSets(items));
    const [leftOut, setLeftOut] = useState<readonly string[]>([]);
    const [group] = plan.groups;
    return <BreathCard {...{ plan, people, leftOut, head }} group={group!} onChange={setPlan} onLeftOut={setLeftOut} />;
  }

  it('names who swims it and who breathes freely, and leaves people out one by one', () => {
    show(<Card />);
    expect(screen.getByLabelText('Ada')).toBeChecked();
    fireEvent.press(screen.getByLabelText('Ada'));
    expect(screen.getByLabelText('Ada')).not.toBeChecked();
    expect(screen.getByLabelText('Bo')).toBeChecked();
    expect(screen.getByText('Cleo: under 16, or of unknown age')).toBeTruthy();
    expect(screen.getByText('Dov: asthma')).toBeTruthy();
    expect(screen.queryByLabelText('Cleo')).toBeNull();
  });

  it('takes the lifeguard and the rules; the word for those of 16 and 17 is the head coach’s', () => {
    show(<Card />);
    fireEvent.changeText(screen.getByLabelText('Qualified lifeguard on watch'), 'Mo "Bekk"');
    expect(screen.getByLabelText('Qualified lifeguard on watch').props.value).toBe('Mo Bekk');
    fireEvent.press(screen.getByLabelText(/^Everybody was told: Never alone/));
    expect(screen.getByLabelText(/^Everybody was told: Never alone/)).toBeChecked();
    expect(screen.queryByLabelText(/16 and 17/)).toBeNull();
    screen.unmount();
    show(<Card head />);
    expect(screen.getByLabelText(/16 and 17/)).toBeTruthy();
  });

  it('is not there without such a set', () => {
    show(<Card items={[set({ breathing: { kind: 'free' } })]} />);
    expect(screen.queryByText(/few breaths/)).toBeNull();
  });
});

describe('the editor of breathing', () => {
  const editor = (one: AnySet) => {
    const change = jest.fn();
    const plan = withSets([one], { lifeguard: 'Mo', rulesTold: true, minorsAgreed: false });
    show(<BreathingEditor set={one} plan={plan} group={plan.groups[0]!} change={change} />);
    return change;
  };

  it('offers the gentler way first: another pattern, or the same steps with more air', () => {
    const change = editor(set());
    expect(screen.getByText(/m without air, turns included/)).toBeTruthy();
    const labels = screen.getAllByRole('button').map((b) => b.props.accessibilityLabel ?? '');
    fireEvent.press(screen.getByText('Take 5, 4, 3, 2 breaths a rep'));
    expect(change).toHaveBeenCalledWith({ breathing: { kind: 'limited', first: 5, last: 2, per: 'rep' } });
    fireEvent.press(screen.getByText('Breathe every 3 instead'));
    expect(change).toHaveBeenCalledWith({ breathing: { kind: 'every', strokes: 3, side: 'right' } });
    expect(labels.length).toBeGreaterThan(2);
  });

  it('counts breaths in a length or in a rep, and warns of no seven in a length', () => {
    const change = editor(set({ breathing: { kind: 'limited', first: 7, last: 7 } }));
    expect(screen.queryByText(/can faint/)).toBeNull();
    fireEvent.press(screen.getByLabelText('Fewer breaths a length, last rep'));
    expect(change).toHaveBeenCalledWith({ breathing: { kind: 'limited', first: 7, last: 6 } });
    fireEvent.press(screen.getByText('breaths per rep'));
    expect(change).toHaveBeenCalledWith({ breathing: { kind: 'limited', first: 8, last: 6, per: 'rep' } });
  });
});

describe('who goes in', () => {
  const server = () =>
    fakeServer({ 'GET /account/me': () => ({ body: ME }), 'GET /squads': () => ({ body: [SQUAD] }) });

  function Card({
    first,
    head = false,
    waterC = 18,
    withStream = false,
  }: {
    first: Partial<DayGroup>;
    head?: boolean;
    waterC?: number;
    withStream?: boolean;
  }) {
    const [group, setGroup] = useState<DayGroup>({ ...NEW_GROUP, ...first });
    return (
      <WhoGoesIn
        {...{ group, waterC, head, withStream }}
        names={{ ada: 'Ada Stone' }}
        date="2026-11-27"
        onChange={(change) => setGroup((now) => ({ ...now, ...change }))}
        onTake={jest.fn()}
      />
    );
  }

  it('asks who picks up where nobody swims back, and only there', async () => {
    server();
    show(<Card first={{}} withStream />);
    const label = 'Who picks up at the finish and at the exits';
    fireEvent.changeText(await screen.findByLabelText(label), 'Jory');
    expect(screen.getByDisplayValue('Jory')).toBeTruthy();
    screen.unmount();
    show(<Card first={{}} />);
    await screen.findByText(SQUAD.name);
    expect(screen.queryByLabelText(label)).toBeNull();
  });

  it('asks for an answer to each health note, by name', async () => {
    server();
    show(<Card first={{ health: [{ swimmerId: 'ada', flag: 'asthma', answer: '' }] }} />);
    await screen.findByText(SQUAD.name);
    expect(screen.getByText(/^Ada Stone, asthma\. Inhaler/)).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Answer for Ada Stone, asthma'), 'Inhaler at the exit.');
    expect(screen.getByLabelText('Answer for Ada Stone, asthma').props.value).toBe('Inhaler at the exit.');
  });

  it('lets only the head coach say that guardians agreed, and winter groups be winter groups in cold water', async () => {
    server();
    show(<Card first={{ minors: 1 }} />);
    await screen.findByText(SQUAD.name);
    expect(screen.queryByText(/guardians and I agree/)).toBeNull();
    expect(screen.queryByText(/winter group/)).toBeNull();
    screen.unmount();
    show(<Card first={{ minors: 1 }} head waterC={8} />);
    await screen.findByText(SQUAD.name);
    expect(screen.getByText(/guardians and I agree/)).toBeTruthy();
    expect(screen.getByText(/winter group/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Fewer 16 and 17'));
    expect(screen.queryByText(/guardians and I agree/)).toBeNull();
  });
});

it('asks of a pool where one can stand and what its edge is', () => {
  const change = jest.fn();
  show(<PoolFacts pool={{ standingDepth: true }} onChange={change} />);
  fireEvent.press(screen.getByText('nowhere'));
  fireEvent.press(screen.getByText('raised'));
  expect(change.mock.calls).toEqual([[{ standingDepth: false }], [{ edge: 'raised' }]]);
});

describe('while a swim-out is planned', () => {
  const spot = { lat: 31, lon: -41 };
  const course = { start: spot, finish: spot, marks: [], laps: 1, areas: [], landmarks: [] };
  const plan: SessionPlan = { ...withSets([]), place: 'open-water', pool: { length: 400, unit: 'm' } };
  const planned = (readings: object[]) => {
    fakeServer({
      [`GET /courses/${ID}`]: () => ({ body: { id: ID, version: 1, name: 'Loop', place: '', course } }),
      [`GET /courses/${ID}/readings`]: () => ({ body: readings }),
    });
    show(<OutsideNotes courseId={ID} plan={plan} people={[]} date="2026-11-27" startTime="23:30" />);
  };

  it('says that it ends in the dark', async () => {
    planned([]);
    expect(await screen.findByText(/(It is dark|before sunrise)/)).toBeTruthy();
    expect(screen.getByText(/From the simulated forecast/)).toBeTruthy();
  });

  it('says what was read at the water for that hour, and nothing of another', async () => {
    const read = { lightning: { value: true, atMs: 1 }, waterC: { value: 9, atMs: 1 } };
    planned([
      { date: '2026-11-27', hour: 23, read },
      { date: '2026-11-27', hour: 22, read: { sewage: { value: true, atMs: 1 } } },
    ]);
    expect(await screen.findByText(/^Lightning: nobody in the water/)).toBeTruthy();
    expect(screen.getByText(/^9 °C was read:/)).toBeTruthy();
    expect(screen.queryByText(/sewage/)).toBeNull();
    expect(screen.getByText(/^By what was read at the water/)).toBeTruthy();
  });
});
