// Who swims where tonight, who is away, who is a guest: by tapping, with the way back.
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react-native';
import type { SessionPerson, SessionSave } from '@upwell/contract/sessions';
import { type LaneOut, lanesOut } from '@upwell/core/deck';
import { AS_USUAL, type GroupPlan, type SessionPlan, setsOf, type Tonight } from '@upwell/core/sessions';
import { useState } from 'react';
import { FilesPane } from '@/sessions/parts/FilesPane';
import { LanesPane } from '@/sessions/parts/LanesPane';
import { lanesWord, useLanesOut } from '@/sessions/parts/LateLanes';
import { SessionScreen } from '@/sessions/screens/SessionScreen';
import { fakeServer, ID, ME, PLAN, PROPOSAL, SESSION, showAt } from './fakeServer';
import { show } from './show';

const person = (id: string, level: SessionPerson['level'], v400Mps: number): SessionPerson => ({
  ...{
    id,
    name: `${id} Swift`,
    level,
    v400Mps,
    age: 'adult',
    healthFlags: [],
    paceIsGuess: false,
    rateSpm: null,
    bests: [],
  },
});
const PEOPLE = [
  ...[person('Ada', 'hold', 1.3), person('Bo', 'hold', 1.2), person('Cy', 'hold', 1.0), person('Di', 'hold', 0.9)],
  ...[person('Em', 'build', 0.8), person('Fi', 'settle', 0.5)],
];
const hold: GroupPlan = { ...PLAN.groups.find((g) => g.level === 'hold')!, lanes: 2 };
const plan: SessionPlan = { ...PLAN, groups: PLAN.groups.map((g) => (g.level === 'hold' ? hold : g)) };

// By hand: 4,075 s are 67 min 55 s, so it is 20:08 when they are out.
const OUT: readonly LaneOut[] = [
  { groupId: hold.id, lane: 1, outS: 3590, lateS: 0, blocksS: [], cuts: [] },
  {
    groupId: hold.id,
    lane: 2,
    outS: 4075,
    lateS: 475,
    blocksS: [],
    cuts: ['8 × 100 crawl → 4 ×', '50 kick → leave out'],
  },
];
let now: Tonight = AS_USUAL;
function Pane({
  of = plan,
  people = PEOPLE,
  start = AS_USUAL,
}: {
  of?: SessionPlan;
  people?: SessionPerson[];
  start?: Tonight;
}) {
  const [tonight, setTonight] = useState(start);
  return (
    <LanesPane
      plan={of}
      group={of.groups.find((g) => g.level === 'hold')!}
      people={people}
      capacity={2}
      tonight={tonight}
      out={OUT}
      startTime="19:00"
      onLanes={() => undefined}
      onTonight={(next) => {
        now = next;
        setTonight(next);
      }}
    />
  );
}
beforeEach(() => {
  now = AS_USUAL;
  fakeServer({
    'GET /swimmers': () => ({
      body: {
        items: [
          { id: 'Ada', givenName: 'Ada', familyName: 'Swift', squadName: 'Here' },
          { id: ID, givenName: 'Gil', familyName: 'Guest', squadName: 'Other lanes' },
        ],
        next: null,
      },
    }),
  });
});
const lane = (name: string) => within(screen.getByLabelText('Hold: lane')).getByText(name);
const open = (name: string) => fireEvent.press(screen.getByLabelText(`Tonight: ${name} Swift`));

describe('lanes that are late', () => {
  it('are told with what to leave out', () => {
    show(<Pane />);
    expect(screen.getByText('Hold, lane 2: out at 20:08, 8 min late')).toBeTruthy();
    expect(screen.getByText('To be in time: 8 × 100 crawl → 4 ×')).toBeTruthy();
    expect(screen.getByText('and 50 kick → leave out')).toBeTruthy();
    // Beside each lane stands when it is out.
    expect(screen.getByText('out at 20:00')).toBeTruthy();
    expect(screen.getByText('out at 20:08')).toBeTruthy();
  });

  it('are one line of the plan, also before it is known who comes', () => {
    expect(lanesWord(null, '19:00', false)).toBe('Lanes tonight: asking who comes');
    expect(lanesWord(null, '19:00', true)).toBe('Lanes tonight: not known who comes');
    expect(lanesWord([], '19:00', false)).toBe('Lanes tonight: all out in time');
    expect(lanesWord(OUT, '19:00', false)).toBe('Lanes tonight: 1 late, the last out at 20:08');
  });

  it('are counted once a plan that was too large is cut, without counting the large one', () => {
    const [set] = setsOf(hold.blocks.find((b) => b.kind === 'main')!.items);
    const many = Array.from({ length: 500 }, (_, i) => ({ ...set!.set, id: `s${i}`, reps: 99 }));
    const large = { ...plan, groups: [{ ...hold, blocks: [{ ...hold.blocks[0]!, items: many }] }] };
    expect(() => lanesOut(large, PEOPLE)).toThrow(RangeError);
    const counted: (readonly LaneOut[] | null)[] = [];
    function Count({ of, asked }: { of: SessionPlan; asked: boolean }) {
      counted.push(useLanesOut(of, asked ? PEOPLE : undefined, null));
      return null;
    }
    const { rerender } = render(<Count of={large} asked={false} />);
    rerender(<Count of={plan} asked />);
    expect(counted[0]).toBeNull();
    expect(counted.at(-1)).toEqual(lanesOut(plan, PEOPLE));
  });

  it('are counted with the people of the session, a slow one more', async () => {
    const slow = [...PEOPLE, person('Gus', 'hold', 0.45)];
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /sessions/proposal': () => ({ body: PROPOSAL }),
      [`GET /sessions/${ID}/people`]: () => ({ body: slow }),
      [`GET /sessions/${ID}`]: () => ({ body: SESSION }),
    });
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    expect(await screen.findByText(/^Lanes tonight: [1-9] late, the last out at 2[0-3]:\d\d$/)).toBeTruthy();
  });
});

describe('tonight', () => {
  it('puts one into another lane, and back where the pace puts them', () => {
    show(<Pane />);
    expect(screen.getByText('4 swimmers by pace, 2 a lane at most.')).toBeTruthy();
    open('Ada');
    fireEvent.press(lane('2'));
    expect(now.places).toEqual({ Ada: { group: hold.id, lane: 2 } });
    expect(screen.getByText('4 swimmers by pace, 1 by hand, 2 a lane at most.')).toBeTruthy();
    // Three where two fit: said, and kept.
    expect(screen.getByText('3, 2 fit')).toBeTruthy();
    fireEvent.press(screen.getByText('By pace again'));
    expect(now).toEqual(AS_USUAL);
  });

  it('offers the lanes of other groups, and to nobody those of beginners’ betters', () => {
    show(<Pane />);
    open('Di');
    const build = plan.groups.find((g) => g.level === 'build')!;
    fireEvent.press(within(screen.getByLabelText(`${build.name}: lane`)).getByText('1'));
    expect(now.places).toEqual({ Di: { group: build.id, lane: 1 } });
    expect(screen.queryByLabelText('Tonight: Di Swift')).toBeNull();
  });

  it('leaves out who is away, and has them back with one tap', () => {
    show(<Pane />);
    open('Bo');
    fireEvent.press(screen.getByText('Away tonight'));
    expect(now.away).toEqual(['Bo']);
    expect(screen.getByText('3 swimmers by pace, 2 a lane at most.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Bo Swift is here'));
    expect(now).toEqual(AS_USUAL);
  });

  it('finds a guest by name, only among those who are not there already', async () => {
    show(<Pane />);
    fireEvent.changeText(screen.getAllByLabelText('Find a swimmer of another squad')[0]!, 'gil');
    fireEvent.press(await screen.findByLabelText('Gil Guest swims along'));
    expect(now.guests).toEqual([ID]);
    expect(screen.queryByLabelText('Ada Swift swims along')).toBeNull();
    expect(screen.getByText('1 guest')).toBeTruthy();
    fireEvent.press(screen.getByText('All as usual'));
    expect(now).toEqual(AS_USUAL);
  });

  it('counts guests of squads that are not one’s own', () => {
    show(<Pane start={{ ...AS_USUAL, guests: [ID] }} />);
    expect(screen.getByText(/^1 guest is of a squad that is not yours/)).toBeTruthy();
  });

  it('says where nobody swims at a level, and in open water who comes', () => {
    const { unmount } = show(<Pane people={[]} />);
    expect(screen.getByText('Nobody of these squads swims at this level tonight.')).toBeTruthy();
    unmount();
    show(<Pane of={{ ...plan, place: 'open-water' }} />);
    expect(screen.getByText(/No lanes in open water/)).toBeTruthy();
    expect(screen.queryByLabelText('More lanes')).toBeNull();
    fireEvent.press(screen.getByLabelText('Ada Swift is away tonight'));
    expect(now.away).toEqual(['Ada']);
  });
});

describe('a session', () => {
  it('is saved with what was settled by hand; undo takes it back', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /sessions/proposal': () => ({ body: PROPOSAL }),
      [`GET /sessions/${ID}/people`]: () => ({ body: PEOPLE }),
      [`GET /sessions/${ID}`]: () => ({ body: SESSION }),
      'PUT /sessions': ({ body }) => ({ body: { ...SESSION, ...(body as object), version: 3 } }),
    });
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}?pane=lanes`);
    fireEvent.press((await screen.findAllByText('Hold'))[0]!);
    fireEvent.press(await screen.findByLabelText('Tonight: Ada Swift'));
    fireEvent.press(screen.getByText('Away tonight'));
    expect(await screen.findByText('Unsaved changes are kept on this device.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Undo'));
    expect(screen.getByLabelText('Tonight: Ada Swift')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Redo'));
    fireEvent.press(screen.getByText('Save changes'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const saved = calls.find((c) => c.method === 'PUT')!.body as SessionSave;
    expect(saved.tonight).toEqual({ away: ['Ada'], guests: [], places: {} });
    // Everybody is asked for, also those who are away.
    expect(calls.find((c) => c.path.includes('/people'))!.path).toContain('everybody=true');
  });

  it('is copied for another week with everybody there', async () => {
    const calls = fakeServer({
      'PUT /sessions': ({ body }) => ({ body: { ...SESSION, ...(body as object), version: 1 } }),
    });
    const stored = {
      ...SESSION,
      tonight: { away: ['Ada'], guests: [ID], places: { Bo: { group: hold.id, lane: 1 } } },
    };
    showAt({ 'sessions/[id]': () => <FilesPane stored={stored} changed={false} /> }, `/sessions/${ID}`);
    fireEvent.press(await screen.findByText('Save as template'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect((calls.find((c) => c.method === 'PUT')!.body as SessionSave).tonight).toEqual(AS_USUAL);
    expect(await screen.findByText('Saved as a template.')).toBeTruthy();
  });
});
