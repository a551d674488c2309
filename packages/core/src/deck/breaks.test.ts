import { breakBefore, breakLeftS, runSetup, runState, type DeckEvent, type LaneState } from '.';
import { blockOf, groupOf, planOf, setOf } from '../sessions/plan/testPlans';
import type { DeckPerson } from './setup';

const person = (id: string): DeckPerson =>
  ({
    id,
    name: id,
    level: 'hold',
    v400Mps: 1,
    healthFlags: [],
    underage: false,
    minor: false,
  }) as unknown as DeckPerson;
const plan = planOf([
  groupOf([], {
    lanes: 1,
    blocks: [
      blockOf([setOf({ id: 'a', reps: 1, kit: ['fins'] })], { id: 'w', kind: 'warm-up' }),
      blockOf(
        [
          { kind: 'pause', id: 'p', seconds: 120, note: 'drink' },
          setOf({ id: 'b', reps: 1, drill: 'front-scull', kit: ['buoy'] }),
          setOf({ id: 'c', reps: 1, drill: 'front-scull' }),
        ],
        { id: 'm', name: 'Hands' },
      ),
    ],
  }),
]);
const setup = runSetup('Tuesday', plan, [person('ada'), person('bo')]);
const [lane] = setup.lanes;
const note = (n: number, atMs: number, fact: object) =>
  ({ id: `e${n}`, atMs, device: 'd', ...fact }) as unknown as DeckEvent;
const begun = [note(0, 0, { kind: 'begin', setup })];
const laneAfter = (...events: DeckEvent[]): [LaneState, ReturnType<typeof runState>] => {
  const state = runState([...begun, ...events]);
  return [state.lanes[0]!, state];
};

describe('the break between two sets', () => {
  it('is none before the first and behind the last', () => {
    const [first] = laneAfter();
    expect(breakBefore(first, 0)).toBeNull();
    expect(breakBefore(first, 3)).toBeNull();
  });

  it('says how long it is, what to explain, and what changes in kit', () => {
    const [first] = laneAfter();
    // A pause of 120 s and 60 s to explain a new drill; fins away, buoys out.
    expect(breakBefore(first, 1)).toEqual({ seconds: 180, explain: 'front-scull', on: ['buoy'], off: ['fins'] });
    // 30 s between two sets and 20 s for a drill that is known by now.
    expect(breakBefore(first, 2)).toEqual({ seconds: 50, explain: null, on: [], off: ['buoy'] });
  });

  it('runs from the moment the last one is in', () => {
    const wall = (n: number, swimmer: string, atMs: number) => note(n, atMs, { kind: 'wall', lane: lane!.id, swimmer });
    const go = note(1, 10_000, { kind: 'go', lane: lane!.id, index: 0 });
    const [one, state] = laneAfter(go, wall(2, 'ada', 62_000));
    expect(breakLeftS(one, state.reps, 70_000)).toBeNull();
    const [both, then] = laneAfter(go, wall(2, 'ada', 62_000), wall(3, 'bo', 68_000));
    expect(breakLeftS(both, then.reps, 78_000)).toBe(170);
    expect(breakLeftS(both, then.reps, 258_000)).toBe(-10);
  });

  it('knows what the coach calls the block', () => {
    expect(lane!.passages.map(({ blockName }) => blockName)).toEqual([undefined, 'Hands', 'Hands']);
  });
});
