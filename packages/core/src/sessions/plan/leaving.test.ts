import {
  behindSeconds,
  DRILL_GAP_S,
  fullestLane,
  gapSeconds,
  groupClock,
  LANE_SAVES_S,
  LEAVING_GAP_S,
  sendOffFor,
  untilAgain,
  WAIT_SAID_S,
  waitWord,
} from '..';
import { groupOf, roundsOf, setOf } from './testPlans';
import type { TimedSet } from './model';

const POOL = { length: 25, unit: 'm' as const };
/** 50 m at 1 m/s with 20 s of rest. */
const fifty = (change: Parameters<typeof setOf>[0] = {}) => setOf({ effort: 1, ...change });
const lane = (items: Parameters<typeof groupOf>[0], swimmers: number) =>
  groupOf(items, { swimmers, lanes: 1, paceTable: [{ effort: 1, share: 1 }] });
const seconds = (items: Parameters<typeof groupOf>[0], swimmers: number) =>
  groupClock(lane(items, swimmers), POOL).totalS;

describe('the last of a lane', () => {
  it('leaves five seconds behind each other swimmer, ten in drills', () => {
    expect([LEAVING_GAP_S, DRILL_GAP_S]).toEqual([5, 10]);
    expect([gapSeconds(fifty()), gapSeconds(fifty({ drill: 'tile-gaze-swim' }))]).toEqual([5, 10]);
    expect([1, 2, 6].map((n) => behindSeconds(fifty(), n))).toEqual([0, 5, 25]);
    expect([0, 1, 4].map((n) => behindSeconds(fifty({ drill: 'tile-gaze-swim' }), n))).toEqual([0, 0, 30]);
  });

  it('is of the fullest lane', () => {
    const of = (swimmers: number, lanes: number) => fullestLane({ swimmers, lanes });
    expect([of(7, 2), of(8, 2), of(3, 4), of(0, 1), of(5, 0)]).toEqual([4, 4, 1, 1, 5]);
  });

  it('is waited for after each set, and at the end', () => {
    // By hand: 4 × 50 s and 3 × 20 s are 260 s; two of them with 30 s between are 550 s.
    expect(seconds([fifty(), fifty({ id: 't' })], 1)).toBeCloseTo(550, 6);
    // Six in the lane: 25 s each time.
    expect(seconds([fifty(), fifty({ id: 't' })], 6)).toBeCloseTo(600, 6);
  });

  it('begins and ends with the others what is swum by the clock', () => {
    const { lengths: _, ...fields } = fifty({ reps: 3 });
    const timed: TimedSet = { ...fields, kind: 'timed', seconds: 40 };
    // 3 × 40 s and 2 × 20 s.
    expect([1, 8].map((n) => seconds([timed], n))).toEqual([160, 160]);
    expect(behindSeconds(timed, 8)).toBe(0);
  });

  it('costs nothing between rounds as long as the rest is longer', () => {
    const rounds = [roundsOf(3, [fifty({ reps: 2 })])];
    // Each time 2 × 50 s and 20 s; between them the rest of 20 s: 3 × 120 + 2 × 20.
    expect(seconds(rounds, 1)).toBeCloseTo(400, 6);
    // Four: 15 s behind, which the rest holds; only the end is later.
    expect(seconds(rounds, 4)).toBeCloseTo(415, 6);
    // Seven: 30 s behind are 10 s more than the rest, twice, and the end.
    expect(seconds(rounds, 7)).toBeCloseTo(400 + 2 * 10 + 30, 6);
    // A pause comes after the last one is home.
    const paused = [roundsOf(3, [fifty({ reps: 2 }), { kind: 'pause', id: 'p', seconds: 60, note: '' }])];
    expect(seconds(paused, 4)).toBeCloseTo(3 * (120 + 15 + 60), 6);
  });

  it('is what the rest of a plan says apart', () => {
    const waited = (items: Parameters<typeof groupOf>[0], swimmers: number) =>
      groupClock(lane(items, swimmers), POOL).waitS;
    // Three times through, seven in the lane: 10 s more than the rest twice, and 30 s at the end.
    expect(waited([roundsOf(3, [fifty({ reps: 2 })])], 7)).toBeCloseTo(50, 6);
    expect(waited([fifty(), fifty({ id: 't', drill: 'tile-gaze-swim' })], 6)).toBeCloseTo(25 + 50, 6);
    expect(waited([fifty()], 1)).toBe(0);
  });

  it('is said from a minute on, with what another lane would make of it from two minutes on', () => {
    expect([WAIT_SAID_S, LANE_SAVES_S]).toEqual([60, 120]);
    const drills = (n: number) =>
      Array.from({ length: n }, (_, i) => fifty({ id: `d${i}`, drill: 'tile-gaze-swim' as const }));
    // By hand: five times the 50 s of six in a lane are 250 s; with two lanes three are 20 s, 100 s.
    expect(waitWord(lane(drills(5), 6), POOL)).toBe('4′ waiting for the last of the lane, 2′ with one more lane');
    // Three times 50 s are 150 s and 60 s: 90 s are not worth a lane. One time is not worth a word.
    expect(waitWord(lane(drills(3), 6), POOL)).toBe('3′ waiting for the last of the lane');
    expect(waitWord(lane(drills(1), 6), POOL)).toBeNull();
    expect(waitWord(lane(drills(5), 1), POOL)).toBeNull();
  });

  it('has all of its rest after few breaths', () => {
    expect(untilAgain({ restS: 60, behindS: 15, few: true })).toBe(60);
    expect(untilAgain({ restS: 60, behindS: 15, few: false })).toBe(45);
    expect(untilAgain({ restS: 10, behindS: 15, few: false })).toBe(0);
  });
});

describe('the send-off of a lane', () => {
  it.each([
    // By hand: the swim of the slowest plus rest, up to the next five seconds; what is exact stays.
    [61.2, 15, 80],
    [60, 15, 75],
    [60.1, 15, 80],
    [44.99, 0, 45],
  ])('%d s and %d s of rest leave every %d s', (slowestS, restS, everyS) => {
    expect(sendOffFor(slowestS, restS)).toBe(everyS);
  });
});
