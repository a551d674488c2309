// What each check of a day knows, and how it says it: signed days keep codes with their numbers, sentences are made here.
import { waterNoteWords, type WaterNote } from '../../safety';
import { asNoted, counted, listWord, numberWord, plural } from '../../words';
import type { DayReadings, Decision } from './model';

/** Why the numbers of a group cannot be right. */
export type NumbersProblem =
  | { readonly wrong: 'nobody' }
  | { readonly wrong: 'young' | 'first' | 'settle' | 'named'; readonly count: number; readonly swimmers: number };

/** The same as a sentence. @example numbersWords({ wrong: 'nobody' }) // 'Nobody is going in: at least one swimmer is needed.' */
export function numbersWords(problem: NumbersProblem): string {
  if (problem.wrong === 'nobody') return 'Nobody is going in: at least one swimmer is needed.';
  const { count, swimmers } = problem;
  const whose = {
    young: `${count} under 18`,
    first: counted(count, 'first-timer'),
    settle: `${count} at Settle`,
    named: `${count} are named`,
  }[problem.wrong];
  return `${whose} of ${counted(swimmers, 'swimmer')}: the numbers do not add up.`;
}

type Nothing = Readonly<Record<string, never>>;
/** A reading that is asked for. */
export type Reading = keyof DayReadings;

/** By check, the numbers it was made with: metres, m/s, °C, minutes. */
export interface CheckFacts {
  readonly numbers: NumbersProblem;
  readonly cold: { readonly waterC: number; readonly wetsuits: boolean; readonly note: WaterNote | null };
  readonly minutes: {
    readonly minutes: number;
    readonly most: number;
    readonly waterC: number;
    readonly note: WaterNote | null;
  };
  readonly warm: { readonly note: WaterNote };
  readonly air: {
    readonly airC: number;
    /** In the wind, where that is colder; else null. */
    readonly feltC: number | null;
    readonly ask: 'stay-out' | 'shelter' | 'shade';
  };
  readonly lightning: Nothing;
  readonly sewage: Nothing;
  readonly fouled: Nothing;
  readonly current: { readonly currentMps: number; readonly slowestMps: number };
  /** Of a swim with the stream: ways out that are drawn, and whether one is named as the last. */
  readonly exits: { readonly exits: number; readonly lastNamed: boolean };
  readonly escort: Nothing;
  readonly pickup: Nothing;
  readonly swept: { readonly currentMps: number; readonly slowestMps: number };
  readonly turned: Nothing;
  readonly watch:
    | { readonly watching: 0 }
    | { readonly watching: number; readonly swimmers: number; readonly needed: number; readonly per: number };
  readonly caller: Nothing;
  readonly craft: { readonly farthestM: number; readonly beyondM: number };
  readonly settle: Nothing;
  readonly health: { readonly unanswered: number };
  readonly rain: { readonly rainMm: number };
  readonly fog: Nothing;
  readonly dark: Nothing;
  readonly dusk: Nothing;
  readonly waves: { readonly waveHeightM: number };
  readonly traffic: Nothing;
  readonly walked: Nothing;
  readonly depth: { readonly depthM: number };
  readonly chop: { readonly waveHeightM: number; readonly mostM: number };
  readonly breeze: { readonly windMps: number; readonly mostMps: number };
  /** Null where no shore is drawn. */
  readonly shore: { readonly farthestM: number | null; readonly beyondM: number };
  readonly offshore: Nothing;
  readonly wind: { readonly windMps: number; readonly mostMps: number };
  readonly against: Nothing;
  readonly haze: Nothing;
  readonly lane: Nothing;
  readonly wildlife: Nothing;
  readonly bright: Nothing;
  readonly signal: Nothing;
  readonly unknown: { readonly readings: readonly Reading[] };
}
export type CheckId = keyof CheckFacts;

/** A check with what it knows. */
export type Checked = { readonly [K in CheckId]: { readonly id: K; readonly of: CheckFacts[K] } }[CheckId];

export type Check = Checked & {
  readonly weight: Decision;
  /** No written reason lifts this one. */
  readonly absolute: boolean;
};

/** What a day comes to. */
export interface DayDecision {
  readonly decision: Decision;
  /** The worst first; what is fine is not listed. */
  readonly checks: readonly Check[];
  /** Readings that are missing besides those that stop everything: asked for before anyone goes in. */
  readonly missing: readonly Reading[];
  /** Whether the head coach may overrule the stop, naming the local rule or the licensed person who allows it. */
  readonly mayOverrule: boolean;
  /** Longest time in the water for the group, minutes. */
  readonly longestMin: number | null;
}

/** Why a day was decided as it was: a check, a reading that was missing, or a sentence from before there were codes. */
export type DayReason = Checked | { readonly missing: Reading } | { readonly said: string };

const READING_WORD: Readonly<Record<Exclude<Reading, 'windFromDeg' | 'offshoreDeg' | 'currentToDeg'>, string>> = {
  lightning: 'lightning or thunder',
  sewage: 'sewage warnings',
  fouled: 'bloom or floating matter',
  visibility: 'visibility',
  walked: 'whether entry and exits were walked',
  waterC: 'the temperature of the water',
  airC: 'the temperature of the air',
  windMps: 'the wind',
  currentMps: 'the current',
  waveHeightM: 'the waves',
  rainMm72h: 'rain in the last 72 hours',
  traffic: 'boats',
  wildlife: 'seals or nesting birds',
  lightLeftMin: 'daylight',
  depthM: 'the depth at the entry',
};
export const READINGS = Object.keys(READING_WORD) as (keyof typeof READING_WORD)[];

/** A reading by name. @example readingWord('traffic') // 'boats' */
export const readingWord = (reading: Reading): string => READING_WORD[reading as keyof typeof READING_WORD];

const THEIRS = 'first-timers and those under 18';
const also = (note: WaterNote | null) => (note === null ? '' : ` ${waterNoteWords(note)}`);

const WORDS: { readonly [K in CheckId]: (of: CheckFacts[K]) => string } = {
  numbers: numbersWords,
  cold: ({ waterC, wetsuits, note }) =>
    `At ${asNoted(waterC)} °C ${wetsuits ? 'in a wetsuit' : 'without a wetsuit'} this group does not swim.${also(note)}`,
  minutes: ({ minutes, most, waterC, note }) =>
    `${counted(minutes, 'minute')} ${plural(minutes, 'is', 'are')} planned; at ${asNoted(waterC)} °C this group stays ${most} at most.${also(note)}`,
  warm: ({ note }) => waterNoteWords(note),
  air: ({ airC, feltC, ask }) => {
    if (ask === 'stay-out') return `Air of ${asNoted(airC)} °C: too cold to come out into.`;
    if (ask === 'shade') return `Air of ${asNoted(airC)} °C: shade, drink, and a shorter plan.`;
    const felt = feltC === null ? '' : `, felt as ${numberWord(feltC)} °C in the wind`;
    return `Air of ${asNoted(airC)} °C${felt}: warm shelter and clothes are needed at the exit.`;
  },
  lightning: () => 'Lightning: nobody in the water until 30 minutes after the last thunder.',
  sewage: () => 'A sewage warning: another water or another day.',
  fouled: () => 'Bloom or floating matter: stay out. Nobody can see whether a bloom is poisonous.',
  current: ({ currentMps, slowestMps }) =>
    `The current of ${numberWord(currentMps, 2)} m/s is over half of the slowest swimmer’s ${numberWord(slowestMps, 2)} m/s.`,
  exits: ({ exits }) =>
    exits === 0
      ? 'With the stream, and no way out is drawn along it: draw and walk them first.'
      : 'No way out is named as the last before the danger.',
  escort: () => 'With the stream a craft goes along with the swimmers.',
  pickup: () => 'Nobody is named who picks up at the finish and at the exits.',
  swept: ({ currentMps, slowestMps }) =>
    `The stream of ${numberWord(currentMps, 2)} m/s is faster than the slowest swimmer (${numberWord(slowestMps, 2)} m/s): nobody comes back to an exit that was passed. Cross to it early.`,
  turned: () => 'The stream does not run along this course now: it is no swim with the stream.',
  watch: (of) =>
    'needed' in of
      ? `${counted(of.swimmers, 'swimmer')} need ${of.needed} who watch (1 to ${of.per}); there ${of.watching === 1 ? 'is one' : `are ${of.watching}`}.`
      : 'No qualified lifeguard is watching.',
  caller: () => 'Nobody is named to call for help.',
  craft: ({ farthestM, beyondM }) =>
    `The farthest mark is ${numberWord(farthestM)} m out: beyond ${beyondM} m a safety craft is needed.`,
  settle: () => 'A Settle swimmer is in the group: not in deep or open water yet.',
  health: ({ unanswered }) =>
    `${unanswered === 1 ? 'A health note has' : `${unanswered} health notes have`} no answer yet: what the doctor said, medicine at the exit, who stays alongside.`,
  rain: ({ rainMm }) => `${rainMm} mm of rain in 72 hours wash dirt into the water: wait or move.`,
  fog: () => 'Fog: the farthest head cannot be seen.',
  dark: () => 'It gets dark before everyone is out.',
  dusk: () => 'The plan ends too near to dusk.',
  waves: ({ waveHeightM }) => `Waves of ${numberWord(waveHeightM, 1)} m hide swimmers from those who watch.`,
  traffic: () => 'Boats pass through the course.',
  walked: () => 'Entry, exit and other ways out were not walked: do that first.',
  depth: ({ depthM }) => `${numberWord(depthM, 1)} m at the entry: wait for more water.`,
  chop: ({ waveHeightM, mostM }) => `Waves of ${numberWord(waveHeightM, 1)} m: over ${mostM} m nothing for ${THEIRS}.`,
  breeze: ({ windMps, mostMps }) => `Wind of ${windMps} m/s: over ${mostMps} m/s nothing for ${THEIRS}.`,
  shore: ({ farthestM, beyondM }) =>
    farthestM === null
      ? 'No shore is drawn: nobody can say how far out this goes. Stay in standing depth.'
      : `The farthest mark is ${numberWord(farthestM)} m out: beyond ${beyondM} m ${THEIRS} need a craft beside them.`,
  offshore: () =>
    'The wind blows off the shore: getting out is easier than getting back. Swim along the shore, or not at all.',
  wind: ({ windMps, mostMps }) => `Wind of ${windMps} m/s is over ${mostMps}.`,
  against: () => 'Wind against the stream: the water steepens. Wait for slack water or shorten.',
  haze: () => 'Haze: stay nearer, look more often, brighter marks.',
  lane: () => 'A boat lane is near: keep the course clear of it, tow floats for everybody.',
  wildlife: () => 'Seals or nesting birds: keep away, or swim elsewhere.',
  bright: () => 'Bright caps and tow floats are missing.',
  signal: () => 'No stop signal is agreed.',
  unknown: ({ readings }) => `Find out first: ${listWord(readings.map(readingWord))}.`,
};
export const CHECK_IDS = Object.keys(WORDS) as CheckId[];

/**
 * A check as a sentence.
 *
 * @example checkWords({ id: 'wind', of: { windMps: 9, mostMps: 8 } }) // 'Wind of 9 m/s is over 8.'
 */
export const checkWords = ({ id, of }: Checked): string => (WORDS[id] as (facts: typeof of) => string)(of);

/** A reason as a sentence. @example dayReasonWords({ missing: 'windMps' }) // 'Not known: the wind.' */
export function dayReasonWords(reason: DayReason): string {
  if ('said' in reason) return reason.said;
  return 'missing' in reason ? `Not known: ${readingWord(reason.missing)}.` : checkWords(reason);
}
