import fc from 'fast-check';
import {
  atHand,
  LADDER_IDS,
  ladderCard,
  type LadderMark,
  marked,
  MARK_KINDS,
  MOST_MARKS,
  newest,
  unmarked,
  type Climb,
} from '.';

const GROUND: Climb = { ladderSteps: {}, ladderLog: [] };
let count = 0;
const mark = (kind: LadderMark['kind'], step: number, ladder: LadderMark['ladder'] = 'tumble'): LadderMark => ({
  ...{ id: String(count++), ladder, step, kind },
  at: '2026-11-28T19:00:00Z',
});
const climbed = (kinds: readonly LadderMark['kind'][], from: Climb = GROUND) =>
  kinds.reduce((climb, kind) => marked(climb, mark(kind, climb.ladderSteps.tumble ?? 0)), from);

describe('the step at hand', () => {
  it('is the first one, with nothing tried yet', () => {
    expect(atHand(GROUND, 'tumble')).toEqual({
      ...{ passed: 0, of: 6, step: ladderCard('tumble').steps[0], tries: [], advice: 'go-on' },
    });
  });

  it('counts its tries, and those of no other step', () => {
    const climb = climbed(['good', 'miss', 'good', 'passed', 'good']);
    expect(atHand(climb, 'tumble')).toMatchObject({ passed: 1, tries: ['good'] });
    expect(atHand(climb, 'catch')).toMatchObject({ passed: 0, tries: [] });
    // Back on the first step it starts afresh.
    expect(atHand(climbed(['back'], climb), 'tumble')).toMatchObject({ passed: 0, tries: [] });
  });

  it.each([
    // Six tries: five of six are enough; with two misses it goes on; with more than half of them wrong it is one back.
    ['tumble', 0, 6, [0, 1], [2, 3], [4, 5, 6]],
    // Three tries have to be calm every time.
    ['confidence', 0, 3, [0], [1], [2, 3]],
    ['catch', 1, 4, [0], [1, 2], [3, 4]],
  ] as const)(
    'of %s, step %d: looks passed, goes on or goes back by its misses',
    (ladder, step, tries, pass, on, back) => {
      const after = (misses: number) => {
        const start: Climb = { ladderSteps: { [ladder]: step }, ladderLog: [] };
        const kinds = Array.from({ length: tries }, (_, i) => (i < misses ? ('miss' as const) : ('good' as const)));
        return atHand(
          kinds.reduce((climb, kind) => marked(climb, mark(kind, step, ladder)), start),
          ladder,
        ).advice;
      };
      for (const n of pass) expect([n, after(n)]).toEqual([n, 'pass']);
      for (const n of on) expect([n, after(n)]).toEqual([n, 'go-on']);
      for (const n of back) expect([n, after(n)]).toEqual([n, 'back']);
    },
  );

  it('judges the last tries: what went wrong at first is forgotten', () => {
    expect(
      atHand(climbed(['miss', 'miss', 'miss', 'good', 'good', 'good', 'good', 'good', 'good']), 'tumble').advice,
    ).toBe('pass');
  });

  it('is none on top', () => {
    const top = climbed(Array(9).fill('passed'));
    expect(atHand(top, 'tumble')).toMatchObject({ passed: 6, of: 6, step: null });
    expect(top.ladderLog).toHaveLength(6);
    expect(marked(top, mark('good', 6))).toBe(top);
    // Edited by hand beyond what the ladder has.
    expect(atHand({ ladderSteps: { tumble: 20 }, ladderLog: [] }, 'tumble')).toMatchObject({ passed: 6, step: null });
  });
});

describe('a tap', () => {
  it('for a step that another device has passed changes nothing, nor does the same one twice', () => {
    const once = mark('passed', 0);
    const climb = marked(GROUND, once);
    expect(marked(climb, once)).toBe(climb);
    expect(marked(climb, mark('passed', 0))).toBe(climb);
    expect(marked(climb, mark('miss', 0))).toBe(climb);
    expect(marked(GROUND, mark('back', 0))).toBe(GROUND);
  });

  it('is taken back when it is the newest of its ladder', () => {
    const climb = climbed(['good', 'passed']);
    const [good, passed] = climb.ladderLog as [LadderMark, LadderMark];
    expect(newest(climb, 'tumble')).toBe(passed);
    expect(unmarked(climb, good.id)).toBe(climb);
    expect(unmarked(climb, 'nowhere')).toBe(climb);
    const back = unmarked(climb, passed.id);
    expect(atHand(back, 'tumble')).toMatchObject({ passed: 0, tries: ['good'] });
    expect(unmarked(back, passed.id)).toBe(back);
  });

  it('any number of them, all taken back, end where they began; and steps stay on the ladder', () => {
    const taps = fc.array(fc.record({ ladder: fc.constantFrom(...LADDER_IDS), kind: fc.constantFrom(...MARK_KINDS) }), {
      maxLength: 40,
    });
    fc.assert(
      fc.property(taps, (list) => {
        let climb = GROUND;
        for (const { ladder, kind } of list) {
          climb = marked(climb, mark(kind, climb.ladderSteps[ladder] ?? 0, ladder));
          const { passed, of } = atHand(climb, ladder);
          expect(passed >= 0 && passed <= of).toBe(true);
        }
        for (const { id } of [...climb.ladderLog].reverse()) climb = unmarked(climb, id);
        expect(climb.ladderLog).toEqual([]);
        expect(Object.values(climb.ladderSteps).every((n) => n === 0)).toBe(true);
      }),
    );
  });

  it('is kept, four hundred of them', () => {
    expect(MOST_MARKS).toBe(400);
    const climb = climbed(Array(410).fill('good'));
    expect(climb.ladderLog).toHaveLength(400);
  });
});
