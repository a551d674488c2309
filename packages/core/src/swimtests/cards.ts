import type { LevelId } from '../swimmers';

/** What can be measured on deck, each as one test. */
export const SWIM_TESTS = [
  'critical-speed',
  'rate-ramp',
  'clean-length',
  'closed-eyes',
  'glide',
  'tumble',
  'ladder-step',
] as const;
export type SwimTestKind = (typeof SWIM_TESTS)[number];

export interface SwimTestCard {
  readonly name: string;
  /** What it is good for, in a sentence. */
  readonly purpose: string;
  /** How it is set up and swum, step by step. */
  readonly steps: readonly string[];
  readonly cautions: readonly string[];
  /** What the number is called. */
  readonly measures: string;
  readonly unit: 'm/s' | 'strokes/min' | '°/stroke' | 'm' | 's' | '';
  readonly decimals: number;
  /** Which way is progress; a rate or a drift has none of itself. */
  readonly better: 'higher' | 'lower' | 'smaller' | 'none';
  /** First level it is meant for. */
  readonly from: LevelId;
}

/** What can be entered on deck, least and most: beyond these it is a slip of the hand. */
export const ENTRY_RANGE = {
  strokesPerLength: [4, 90],
  pushOffM: [0.5, 15],
  pushOffS: [0.2, 8],
  blindStrokes: [6, 20],
  strokeLengthM: [0.3, 1.6],
} as const;

const NO_RACE = 'If something hurts, stop. The test can wait.';

export const SWIM_TEST: Readonly<Record<SwimTestKind, SwimTestCard>> = {
  'critical-speed': {
    name: 'Critical speed',
    purpose:
      'The speed a swimmer can hold for a long time: it sets training paces and predicts races of 3 to 40 minutes.',
    steps: [
      'Warm up for 15 minutes.',
      '400 m all-out from a push, even from start to end. Take the time.',
      'Swim easy and rest until ready, at least 10 minutes; another day is just as good.',
      '200 m all-out from a push. Take the time.',
      'A third distance, 100 or 800 m, shows how reliable the number is.',
    ],
    cautions: [NO_RACE, 'All-out swims are for those who train regularly and are well today.'],
    measures: 'critical speed',
    unit: 'm/s',
    decimals: 3,
    better: 'higher',
    from: 'build',
  },
  'rate-ramp': {
    name: 'Rate ramp',
    purpose: 'The stroke rate at which this swimmer is fastest, and the one to train for distance.',
    steps: [
      'Set the beeper to a comfortable rate, 8 to 10 under the usual one.',
      '6 to 8 × 50 m, one hand entry on every beep, a minute of rest.',
      'Each rep 3 to 4 strokes a minute higher. Same mental effort: stay on the beep.',
      'Take the time of each rep and the strokes of one length.',
    ],
    cautions: [NO_RACE],
    measures: 'fastest rate',
    unit: 'strokes/min',
    decimals: 0,
    better: 'none',
    from: 'build',
  },
  'clean-length': {
    name: 'Clean length',
    purpose: 'Speed, stroke length and rate between push-off and wall, without the push-off.',
    steps: [
      'One length at the pace that matters, from a push.',
      'Take the time and the metres of the push-off to the first stroke, the whole time, and the strokes.',
      'Three lengths show how well it repeats.',
    ],
    cautions: [],
    measures: 'clean speed',
    unit: 'm/s',
    decimals: 3,
    better: 'higher',
    from: 'build',
  },
  'closed-eyes': {
    name: 'Closed-eyes drift',
    purpose: 'How far a swimmer wanders from the line without looking: sets how often to look outside.',
    steps: [
      'In the pool, in an empty width, away from walls and ropes: start in the middle.',
      'A spotter swims or walks beside and stops the swimmer by a touch.',
      'Ten strokes with closed eyes, at the usual pace. The spotter marks where it ends.',
      'Measure the metres off the line: left is minus, right is plus.',
      'At least four tries, with a rest between them.',
    ],
    cautions: [
      'Never towards a wall, never without a spotter, never among other swimmers.',
      'Not for swimmers who are uneasy in the water.',
    ],
    measures: 'drift',
    unit: '°/stroke',
    decimals: 2,
    better: 'smaller',
    from: 'build',
  },
  glide: {
    name: 'Streamline glide',
    purpose: 'How well the body slips through the water: metres from the push-off until it slows.',
    steps: [
      'Push off below the surface, arms long, no kick.',
      'Let it run; come up as soon as it slows.',
      'Measure from the wall to the hips. Three tries.',
    ],
    cautions: [
      'Passive only: no kick, no record, up as soon as it slows.',
      'Never a contest of distance or of time under water.',
    ],
    measures: 'glide',
    unit: 'm',
    decimals: 2,
    better: 'higher',
    from: 'build',
  },
  tumble: {
    name: 'Tumble time',
    purpose: 'Seconds from five metres before the wall to five metres after it.',
    steps: [
      'A clear lane, a mark at 5 m, deep water under the wall, the edge checked.',
      'Swim in at race pace, start the watch when the head passes the mark.',
      'Stop it when the head passes the mark again. Three tries.',
    ],
    cautions: ['Check edge and depth before the first turn.'],
    measures: '5 m in and out',
    unit: 's',
    decimals: 2,
    better: 'lower',
    from: 'hold',
  },
  'ladder-step': {
    name: 'Step of a ladder',
    purpose: 'Whether the pass mark of the step is reached, so that the next may be tried.',
    steps: ['Say the pass mark.', 'Count the tries, and how many of them reached it.'],
    cautions: ['A step is never skipped. Back a step when it stops being calm.'],
    measures: 'tries that reached the mark',
    unit: '',
    decimals: 0,
    better: 'higher',
    from: 'settle',
  },
};
