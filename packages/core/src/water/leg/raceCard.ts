// What a swimmer takes to the start: each leg in a line, and what to do if.
import { abeamTurn, abeamWords, exitWords, type ExitAlong } from '../course/otherSwims';
import { kitList } from './kitList';
import type { LegPlan } from './legPlan';
import { FEET_GAIN, FEWEST_BETWEEN_LOOKS, lookInterval } from '../../measures';
import { draftingLimit } from './drafting';
import { INTERVALS } from './sighting';
import { sweepLeg, type Sweep } from './sweepLeg';
import { FEED_EVERY_S, feedTimes } from '../../safety';
import { listWord, numberWord, percent } from '../../words';

export interface CardLeg {
  readonly name: string;
  readonly metres: number;
  readonly timeS: number;
  /** Where to look, in words. */
  readonly aim: string;
  /** Where the aim stands, off the line of the leg, degrees, right positive; null when it is the mark itself. */
  readonly aimDeg: number | null;
  /** What could be taken for the mark; null where nothing could. */
  readonly mixedUp: string | null;
  readonly side: 'left' | 'right' | 'either';
  readonly every: number;
  /** Intervals that cost next to nothing more. */
  readonly good: readonly [low: number, high: number];
  readonly rateSpm: number;
  /** Compass heading to hold, degrees. */
  readonly headingDeg: number;
  /** The shoulder that the mark at the end is kept at; null at the finish. */
  readonly turn: 'left' | 'right' | null;
  /** How to tell where to turn without a buoy; null at a buoy and at the finish. */
  readonly turnWhen: string | null;
}

export interface IfThen {
  readonly when: string;
  readonly then: string;
}

/** What a swimmer should have read, and may carry: one small sheet for one race. */
export interface RaceCard {
  readonly course: string;
  readonly swimmer: string;
  /** Date, hour and water in words. */
  readonly day: string;
  readonly metres: number;
  readonly timeS: number;
  readonly legs: readonly CardLeg[];
  readonly start: readonly string[];
  readonly turns: readonly string[];
  readonly feet: readonly string[];
  /** When to drink and eat; nothing in a short swim. */
  readonly feeds: readonly string[];
  /** The ways out along the course, in order; nothing where none is drawn. */
  readonly exits: readonly string[];
  readonly ifs: readonly IfThen[];
  readonly kit: readonly string[];
}

/** Swims of each interval: enough to tell the range that a card shows. */
const CARD_SWIMS = 150;
const EVERY = Array.from({ length: INTERVALS.max - INTERVALS.min + 1 }, (_, i) => i + INTERVALS.min);

export interface CardQuestion {
  readonly course: string;
  readonly swimmer: string;
  readonly day: string;
  /** The side the swimmer can breathe to. */
  readonly breathes: 'left' | 'right' | 'both';
  readonly waterC: number | null;
  readonly sunny: boolean;
  /** In the order they are swum. */
  readonly plans: readonly LegPlan[];
  readonly exits?: readonly ExitAlong[];
}

/**
 * The race card: each leg with aim, side, looks, rate, heading and time, and what to do when it goes otherwise.
 *
 * A leg that is swum more than once is simulated once. Same question, same card.
 *
 * @throws RangeError when a leg cannot be swum in this water
 */
export function raceCard(q: CardQuestion): RaceCard {
  const swept = new Map<string, Sweep>();
  const legs = q.plans.map((plan): CardLeg => {
    if (!plan.swim) throw new RangeError(plan.impossible ?? 'This leg cannot be swum.');
    const { leg, swim } = plan;
    const sweep = swept.get(leg.key) ?? sweepLeg(swim, EVERY, CARD_SWIMS);
    swept.set(leg.key, sweep);
    const { every } = lookInterval({ cycle: CARD_CYCLE, asGood: sweep.nearOptimal, usual: sweep.best });
    const timeS = sweep.results.find((r) => r.interval === every)!.meanTimeS;
    const abeam = abeamTurn(leg);
    return {
      name: `${leg.from.name} to ${leg.to.name}`,
      metres: leg.lengthM,
      timeS,
      aim:
        plan.aims[0]?.words ??
        (abeam ? 'along the shore, no nearer and no farther' : `the ${leg.turn ? 'mark' : 'finish'} itself`),
      side: plan.side.side,
      every,
      good: sweep.nearOptimal,
      aimDeg: plan.aims[0]?.offDeg ?? null,
      mixedUp: plan.mixedUp,
      rateSpm: plan.rateSpm,
      headingDeg: Math.round(plan.holdDeg ?? leg.bearingDeg) % 360,
      turn: leg.turn,
      turnWhen: abeam ? abeamWords(abeam, timeS) : null,
    };
  });
  const first = legs[0]!;
  const timeS = legs.reduce((sum, l) => sum + l.timeS, 0);
  // The same for all legs: what the waves ask is said once.
  const waves = [...new Set(q.plans.flatMap((plan) => plan.chop.words))];
  return {
    course: q.course,
    swimmer: q.swimmer,
    day: q.day,
    metres: legs.reduce((sum, l) => sum + l.metres, 0),
    timeS,
    legs,
    start: [
      'Five minutes before: arm swings, then in slowly, face in, breathe out until it is calm, ten quick strokes on the spot.',
      `Line up at the side or behind when the crowd is not yours, with a clear view of your aim: ${first.aim}.`,
      `Look after ten strokes, then every ${first.every}. The first 200 m at your own rate.`,
      ...waves,
    ],
    turns: [
      'Wide, one stroke past the mark, round it in short strokes or over the back.',
      'Look at once, and once more within ten strokes.',
    ],
    feet: [
      `Half a metre behind the toes: the same effort, about ${percent(FEET_GAIN)} faster. At the hip about a third of that, and you see more.`,
      `Leave feet that swim more than ${Math.round(draftingLimit(FEET_GAIN))}° off your line. Look more often behind them.`,
    ],
    feeds: feedWords(timeS),
    exits: exitWords(q.exits ?? [], (alongM) => timeAlong(legs, alongM)),
    ifs: [
      {
        when: 'I do not see the mark in three looks',
        then: 'head down, keep the line, look after the next breath, left and right for the others. Nobody near: stop, find mark and aim, go.',
      },
      {
        when: 'I took the wrong buoy',
        then: 'stop, find the right one, round it: a mark left out does not count. In doubt ask the nearest craft.',
      },
      { when: 'a wave hides the mark', then: 'look from the top of the next one.' },
      ...otherSide(q.breathes, q.plans, legs),
      { when: 'weed or something else touches me', then: 'float, look, slide over it, go on.' },
      {
        when: 'I get a fright',
        then: 'star float on the back, slow breaths out; a few strokes of breaststroke; then crawl.',
      },
      {
        when: 'breathing gets out of control',
        then: 'on your back, breathe out slowly, four times. Still not calm: arm up.',
      },
      { when: 'goggles fill or a cramp comes', then: 'on your back, fix it, look, go.' },
      { when: 'I shiver, or the hands do not close', then: 'arm up and out. No race is worth it.' },
    ],
    kit: kitList(q.waterC, q.sunny).slice(0, 5),
  };
}

/** Seconds from the start to a place along the course. */
function timeAlong(legs: readonly CardLeg[], alongM: number): number {
  let [left, timeS] = [alongM, 0];
  for (const leg of legs) {
    const share = Math.min(1, left / leg.metres);
    timeS += share * leg.timeS;
    left -= leg.metres;
    if (left <= 0) break;
  }
  return timeS;
}

/** So many feeds are named one by one. */
const NAMED_FEEDS = 6;

/** When to feed, in words; nothing in a short swim. */
function feedWords(timeS: number): string[] {
  const minutes = feedTimes(timeS).map((s) => numberWord(Math.round(s / 60)));
  if (minutes.length === 0) return [];
  const when =
    minutes.length <= NAMED_FEEDS
      ? `at ${listWord(minutes)} minutes`
      : `after ${minutes[0]} minutes, then every ${FEED_EVERY_S / 60}: ${minutes.length} feeds`;
  return [
    `Feed ${when}. Upright, ten seconds, nothing that was not tried in training.`,
    'A dry mouth, a headache or shivering at a feed: tell the craft before you go on.',
  ];
}

/** The first leg on which the swimmer has to breathe to what the other side was advised for. */
function otherSide(
  breathes: CardQuestion['breathes'],
  plans: readonly LegPlan[],
  legs: readonly CardLeg[],
): readonly IfThen[] {
  const at = plans.findIndex(({ side }) => side.because.length > 0 && breathes !== 'both' && side.side !== breathes);
  if (at < 0) return [];
  const { because } = plans[at]!.side;
  const met = [
    ...(because.includes('waves') ? ['water in the face'] : []),
    ...(because.includes('glare') ? ['glare'] : []),
  ];
  const every = Math.max(FEWEST_BETWEEN_LOOKS, legs[at]!.every - CARD_CYCLE);
  return [
    {
      when: `I breathe ${breathes} from ${legs[at]!.name}`,
      then: `expect ${listWord(met)} there: turn the head a little more, look every ${every}.`,
    },
  ];
}

/** Strokes from one breath to the next in a race. */
export const CARD_CYCLE = 2;
