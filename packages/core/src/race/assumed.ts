import { levelCard, type LevelId } from '../swimmers';
import type { RaceChoices, RaceFacts } from './facts';
import { GROWTH, type Growth, type RaceHabits, WETSUIT_GAIN } from './raceGap';

/** Where a number comes from: the coach, a record, or a guess. */
export type Source = 'coach' | 'record' | 'guess';

/** The numbers behind a prediction, each with its source. */
export interface Assumed {
  readonly today: RaceHabits;
  readonly then: RaceHabits;
  readonly growth: Growth;
  readonly rateSpm: number;
  readonly wetsuitGain: number;
  readonly currentMps: number;
  readonly from: Readonly<Record<'extra' | 'feet' | 'lost' | 'growth' | 'rate', Source>>;
}

/** Extra distance of a level in open water when it was not measured, as a share: our guess, shown as one. */
const EXTRA: Readonly<Record<LevelId, number>> = { settle: 0.15, build: 0.12, hold: 0.08, race: 0.05 };
/** Half of the extra distance can be trained away, down to this share at best. */
const STRAIGHT_SHARE = 0.5;
const STRAIGHTEST = 0.01;
/** Share of the race spent drafting: none today; trained, this much. */
const FEET_THEN = 0.3;
/** Seconds lost outside in every 400 m to turns, congestion and missed breaths: today and trained. */
const LOST_PER_400_S = { today: 3, then: 1.5 };

/** The numbers a prediction uses, and where each comes from. */
export function assumed(facts: RaceFacts, choices: RaceChoices): Assumed {
  const outside = facts.place === 'open-water';
  const extra = choices.extraToday ?? facts.extra?.share ?? (outside ? EXTRA[facts.level] : 0);
  const per400 = outside ? facts.distanceM / 400 : 0;
  const feetToday = choices.feetToday ?? 0;
  const lostToday = choices.lostTodayS ?? Math.round(LOST_PER_400_S.today * per400);
  const growth = facts.level === 'settle' || facts.level === 'build' ? GROWTH.new : GROWTH.trained;
  const speed = facts.trials.at(-1);
  const strokeLengthM = levelCard(facts.level).defaultStrokeLengthM;
  const guessSpm = Math.round(
    ((speed ? speed.distanceM / speed.timeS : levelCard(facts.level).defaultV400Mps) * 60) / strokeLengthM,
  );
  const source = (chosen: unknown, record: boolean): Source =>
    chosen !== undefined ? 'coach' : record ? 'record' : 'guess';
  return {
    today: { extraShare: extra, feetShare: feetToday, lostS: lostToday },
    then: {
      extraShare: choices.extraThen ?? Math.min(extra, Math.max(STRAIGHTEST, extra * STRAIGHT_SHARE)),
      feetShare: choices.feetThen ?? (outside ? Math.max(feetToday, FEET_THEN) : 0),
      lostS: choices.lostThenS ?? Math.min(lostToday, Math.round(LOST_PER_400_S.then * per400)),
    },
    growth: {
      low: choices.growthLow ?? growth.low,
      high: Math.max(choices.growthHigh ?? growth.high, choices.growthLow ?? growth.low),
    },
    rateSpm: choices.rateSpm ?? facts.rampSpm ?? guessSpm,
    wetsuitGain: choices.wetsuit ? (choices.wetsuitGain ?? WETSUIT_GAIN) : 0,
    currentMps: choices.currentMps ?? 0,
    from: {
      extra: source(choices.extraToday, facts.extra !== null || !outside),
      feet: source(choices.feetThen, !outside),
      lost: source(choices.lostTodayS, !outside),
      growth: source(choices.growthLow ?? choices.growthHigh, false),
      rate: source(choices.rateSpm, facts.rampSpm !== null),
    },
  };
}
