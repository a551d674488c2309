import fc from 'fast-check';
import { runs } from '../../test/runs';
import { runSetup, type DeckPerson } from '.';
import {
  AS_USUAL,
  away,
  checkPlan,
  groupFor,
  hereTonight,
  lanesOf,
  laneSheets,
  mayJoin,
  moved,
  peopleOf,
  type GroupPlan,
  type SessionPlan,
} from '../sessions';
import { readSession } from '../notation';

const plan: SessionPlan = readSession(
  [
    ...['pool: 25 m', '== Build', 'level: build', 'who: 4 swimmers in 1 lane', 'main', '  2 x 50 crawl easy, rest 15'],
    ...['== Hold', 'level: hold', 'who: 6 swimmers in 3 lanes', 'main', '  4 x 50 crawl easy, rest 15'],
  ].join('\n'),
).document.plan;
const [build, hold] = plan.groups as readonly [GroupPlan, GroupPlan];

const person = (id: string, level: DeckPerson['level'], v400Mps: number): DeckPerson => ({
  ...{ id, name: id, level, v400Mps, paceIsGuess: false, bests: [], age: 'adult', healthFlags: [] },
});
const SIX = [1.3, 1.25, 1.1, 1.05, 0.9, 0.85].map((v, i) => person('abcdef'[i]!, 'hold', v));
const ids = (lanes: readonly (readonly { readonly id: string }[])[]) =>
  lanes.map((lane) => lane.map(({ id }) => id).join(''));

describe('lanes by hand', () => {
  it('are as the pace makes them where nobody was moved', () => {
    expect(ids(lanesOf(hold, plan.pool, SIX))).toEqual(['ab', 'cd', 'ef']);
  });

  it('move one, and nobody else for them', () => {
    const tonight = moved(AS_USUAL, 'f', { group: hold.id, lane: 1 });
    expect(ids(lanesOf(hold, plan.pool, hereTonight(SIX, tonight)))).toEqual(['abf', 'cd', 'e']);
    expect(ids(lanesOf(hold, plan.pool, hereTonight(SIX, moved(tonight, 'f', null))))).toEqual(['ab', 'cd', 'ef']);
  });

  it('keep their order by pace, and a lane left empty keeps its number', () => {
    let tonight = moved(AS_USUAL, 'c', { group: hold.id, lane: 1 });
    tonight = moved(tonight, 'd', { group: hold.id, lane: 3 });
    const here = hereTonight(SIX, tonight);
    expect(ids(lanesOf(hold, plan.pool, here))).toEqual(['abc', '', 'def']);
    expect(laneSheets(hold, plan.pool, here).map(({ lane, people }) => [lane, people.length])).toEqual([
      [1, 3],
      [3, 3],
    ]);
    expect(runSetup('A', plan, here).lanes.map(({ number, swimmers }) => [number, swimmers.join('')])).toEqual([
      [1, 'abc'],
      [3, 'def'],
    ]);
    // Behind another group, and without one.
    const both = [...here, person('g', 'build', 0.8)];
    expect(runSetup('A', plan, both).lanes.map(({ number }) => number)).toEqual([1, 2, 4]);
  });

  it('that are not there are passed over: another group, a lane that was taken away', () => {
    for (const place of [
      { group: 'nobody', lane: 1 },
      { group: hold.id, lane: 9 },
      { group: build.id, lane: 1 },
    ])
      expect(ids(lanesOf(hold, plan.pool, hereTonight(SIX, moved(AS_USUAL, 'f', place))))).toEqual(['ab', 'cd', 'ef']);
  });

  it('lose nobody and double nobody, however people are moved', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...'abcdef'), fc.integer({ min: 1, max: 5 })), { maxLength: 12 }),
        fc.array(fc.constantFrom(...'abcdef'), { maxLength: 4 }),
        (moves, gone) => {
          let tonight = AS_USUAL;
          for (const [id, lane] of moves) tonight = moved(tonight, id, { group: hold.id, lane });
          for (const id of gone) tonight = away(tonight, id, true);
          const here = hereTonight(SIX, tonight);
          const lanes = lanesOf(hold, plan.pool, here);
          expect(lanes).toHaveLength(hold.lanes);
          expect(
            lanes
              .flat()
              .map(({ id }) => id)
              .sort(),
          ).toEqual([...'abcdef'].filter((id) => !gone.includes(id)));
          // The last word counts, where there is such a lane.
          for (const [id, lane] of new Map(moves))
            if (lane <= hold.lanes && !gone.includes(id)) expect(lanes[lane - 1]!.map((p) => p.id)).toContain(id);
        },
      ),
      { numRuns: runs(100, 2000) },
    );
  });
});

describe('who is there', () => {
  it('leaves out who is away, and brings them back', () => {
    const gone = away(AS_USUAL, 'b', true);
    expect(hereTonight(SIX, gone).map(({ id }) => id)).toEqual([...'acdef']);
    expect(ids(lanesOf(hold, plan.pool, hereTonight(SIX, gone))).join('')).not.toContain('b');
    expect(away(gone, 'b', false)).toEqual(AS_USUAL);
    expect(away(away(gone, 'b', true), 'b', true).away).toEqual(['b']);
  });

  it('has no guest who does not come', () => {
    const guest = { away: [], guests: ['z'], places: { z: { group: hold.id, lane: 2 } } };
    expect(away(guest, 'z', true)).toEqual(AS_USUAL);
  });

  it('swims in another group by hand, and is judged by it', () => {
    const ada = person('ada', 'build', 0.8);
    const tonight = moved(AS_USUAL, 'ada', { group: hold.id, lane: 3 });
    const [placed] = hereTonight([ada], tonight);
    expect(groupFor(plan, ada)).toBe(build);
    expect(groupFor(plan, placed!)).toBe(hold);
    expect(peopleOf(plan, [placed!]).map((group) => group.length)).toEqual([0, 1]);
  });

  it('never puts a beginner among others', () => {
    const bea = person('bea', 'settle', 0.5);
    const [placed] = hereTonight([bea], moved(AS_USUAL, 'bea', { group: hold.id, lane: 1 }));
    expect(groupFor(plan, placed!)).toBeUndefined();
    expect(mayJoin(plan, bea, hold.id)).toBe(false);
    expect(mayJoin(plan, person('ada', 'build', 0.8), hold.id)).toBe(true);
    expect(mayJoin(plan, person('ada', 'build', 0.8), 'nobody')).toBe(false);
  });

  it('is who a set with few breaths is judged by', () => {
    const few = readSession(
      'pool: 25 m\n== Hold\nlevel: hold\nwho: 4 swimmers in 1 lane\nlifeguard: "Mo Bekk", rules told\nmain\n  4 x 25 crawl easy, breaths 2, rest 40',
    ).document.plan;
    const child: DeckPerson = { ...person('kit', 'hold', 0.9), age: 'under-16' };
    const freely = (tonight: typeof AS_USUAL) =>
      checkPlan(few, peopleOf(few, hereTonight([...SIX, child], tonight)), [])
        .freely.flat()
        .map(({ id }) => id);
    expect(freely(AS_USUAL)).toContain('kit');
    expect(freely(away(AS_USUAL, 'kit', true))).not.toContain('kit');
  });
});
