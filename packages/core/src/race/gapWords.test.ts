import { gapWords, noOutlookWords, type GapReason, type NoOutlook } from '.';
import { trialsWords } from '../measures';

describe('the reason for a verdict, in words', () => {
  it.each<[GapReason, string]>([
    [{ why: 'there' }, 'Today’s times already reach the target.'],
    [{ why: 'todays-speed', allOnTheDay: false }, 'A straighter line, feet and skills reach it at today’s speed.'],
    [
      { why: 'todays-speed', allOnTheDay: true },
      'A straighter line, feet and skills reach it at today’s speed. It all has to come together on the day.',
    ],
    [
      { why: 'weeks', more: 0.0249, weeks: 8, allOnTheDay: false },
      'It needs 2.5 % more speed; 8 weeks bring that, by a cautious estimate.',
    ],
    [
      { why: 'weeks', more: 0.001, weeks: 1, allOnTheDay: true },
      'It needs 0.1 % more speed; 1 week brings that, by a cautious estimate. It all has to come together on the day.',
    ],
    [
      { why: 'stroke-length', more: 0.041, weeks: 17, brought: 0.02 },
      'It needs 4.1 % more speed; 17 weeks bring 2.0 %, by a cautious estimate. The rest must come from stroke length.',
    ],
    [
      { why: 'not-yet', more: 0.2, weeks: 0, brought: 0 },
      'It needs 20.0 % more speed; 0 weeks bring 0.0 % at best. Choose a later race, or an earlier target first.',
    ],
    [
      { why: 'beyond-anybody', neededMps: 2.456, courseM: 1500 },
      'The target needs 2.46 m/s over 1500 m: faster than anyone swims.',
    ],
  ])('%j', (reason, words) => expect(gapWords(reason)).toBe(words));
});

describe('why there is no outlook, in words', () => {
  it.each<[NoOutlook, string]>([
    [{ why: 'over' }, 'The race is over: choose the next one.'],
    [{ why: 'no-target' }, 'No target time: the goal is to get there without a stop.'],
    [{ why: 'lost-time' }, 'The target is shorter than the time lost at turns: check both.'],
    [{ why: 'current' }, 'The current is as fast as the swimmer: this race cannot be swum.'],
    [
      { why: 'no-swim', per100S: 112.5 },
      'No all-out swim yet, so there is no prediction. The target needs 1:52.5 per 100 m over the course; a timed 200 and 400 m would show how far off that is.',
    ],
    [
      { why: 'swims', problem: { wrong: 'not-slower', longerM: 400, shorterM: 200 } },
      '400 m is not slower than 200 m: check these two times.',
    ],
    [
      { why: 'too-far', age: 14, metres: 3000, known: true },
      'Under 14 not beyond 3 km in open water. Choose a shorter race, or talk to the organiser, the guardian and the head coach: the rules of the event come first.',
    ],
    [
      { why: 'too-far', age: 16, metres: 5000, known: false },
      'The birth year is not known, which counts as under 16: under 16 not beyond 5 km in open water. Choose a shorter race, or talk to the organiser, the guardian and the head coach: the rules of the event come first.',
    ],
  ])('%j', (reason, words) => expect(noOutlookWords(reason)).toBe(words));
});

it('what is wrong with all-out swims, in words', () => {
  expect(trialsWords({ wrong: 'no-swim' })).toBe('At least one all-out swim is needed.');
  expect(trialsWords({ wrong: 'one-distance' })).toBe('At least two different distances are needed.');
  expect(trialsWords({ wrong: 'not-all-out', distanceM: 200 })).toBe(
    'The 200 m was probably not all-out: it is slower than the longer swims allow.',
  );
});
