// Main parts: one shape, or two different ones when it is long.
import type { Item, Pause } from '../plan/model';
import { repLengths, setsOf } from '../plan/setMeasure';
import { type Candidate, type Context, type Measured, measure } from './candidate';
import { cueFor } from './cues';
import { BEFORE_MAIN_S, ONE_PART_S, RECIPE, THEME_SHARE } from './recipe';
import { type Part, partsOf, secondParts, type Shape, SHAPES, shapesFor, swum, themeLengths } from './shapes';

/** Steps from the least to the most rest that is allowed. */
const MORE_REST = [0, 0.5, 1];
const MORE_REST_FOR_BEGINNERS = [0, 0.2, 0.4, 0.6, 0.8, 1];

/** Main parts take between these shares of the time in the water; few where a session ends much earlier. */
const SHARE_OF_TIME = [0.06, 0.75] as const;

/** What a shape costs that the seed puts further back, for each place, and the most of it. */
const FURTHER_BACK = 0.16;
const FARTHEST = 0.64;

/** Least of a second part beside the first. */
const SECOND_PART = 0.25;

/** Main parts that differ by less than this in time are one, seconds. */
const ALIKE_S = 8;

interface MeasuredPart extends Part, Measured {
  readonly theme: number;
  readonly unusual: number;
  /** The distance of each of its sets, lengths. */
  readonly distances: readonly number[];
}

/** Numbers of repeats that nobody says, and what they cost. */
const UNUSUAL_REPEATS = [7, 9, 11];
const UNUSUAL = 0.1;

/** Rest, drink and hear the main set. */
const pauseOf = (seconds: number, part: 'main set' | 'second part'): Pause => ({
  kind: 'pause',
  id: part === 'main set' ? 'ma-pause' : 'mb-pause',
  seconds,
  note: `Drink, and hear the ${part}.`,
});

/** Pauses before the main part and before its second part: every sum of the two once, the longer one first. */
const PAUSES_OF_ONE = BEFORE_MAIN_S.map((s) => [s, 0] as const);
const [SHORT, MIDDLE, LONG] = BEFORE_MAIN_S;
const PAUSES_OF_TWO = [
  [SHORT, SHORT],
  [MIDDLE, SHORT],
  [MIDDLE, MIDDLE],
  [LONG, MIDDLE],
  [LONG, LONG],
] as const;

/** All main parts of a group in a pool that are worth looking at. */
export function mains(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const { sendOffs } = RECIPE[level];
  const cue = cueFor(context.theme, context.groupRequest);
  const [least, most] = SHARE_OF_TIME.map((share) => share * context.waterS) as [number, number];
  const once = (items: readonly Item[]): Measured =>
    measure(context, { kind: 'main', id: 'main', landMinutes: 0, items, note: '' });
  // Every time through and every rep but the first takes equally long, so two are measured and the others follow.
  let known: {
    readonly items: readonly Item[];
    readonly one: Measured;
    readonly two: Measured;
    readonly theme: number;
    readonly unusual: boolean;
    readonly distances: readonly number[];
  };
  const measuredPart = (part: Part): MeasuredPart => {
    const { items, times } = part;
    const through = (n: number) => once(swum({ ...part, times: n }));
    if (known?.items !== items) {
      const one = through(1);
      const two = times === 1 ? one : through(2);
      const sets = setsOf(items).map(({ set }) => set);
      known = {
        ...{ items, one, two, theme: themeLengths(items, cue) },
        unusual: sets.some(({ reps }) => UNUSUAL_REPEATS.includes(reps)),
        distances: sets.map(repLengths),
      };
    } else if (times > 1 && known.two === known.one) {
      known = { ...known, two: through(2) };
    }
    const { one, two, theme, unusual, distances } = known;
    const of = (key: keyof Measured) => one[key] + (times - 1) * (two[key] - one[key]);
    return {
      ...part,
      seconds: of('seconds'),
      movingS: of('movingS'),
      lengths: of('lengths'),
      load: of('load'),
      theme: theme * times,
      unusual: unusual || UNUSUAL_REPEATS.includes(times) ? UNUSUAL : 0,
      distances,
    };
  };
  const themed = (theme: number, lengths: number) => theme >= THEME_SHARE * lengths - 1e-9;
  const rests = (level === 'settle' ? MORE_REST_FOR_BEGINNERS : MORE_REST).map((more) => ({
    more,
    seconds: secondParts(context, more)
      .map(measuredPart)
      .sort((a, b) => a.seconds - b.seconds),
  }));
  // For each shape the least awkward way to fill each stretch of time; put together only where it is kept.
  const out: Candidate[] = [];
  shapesFor(context.theme, context.seed).forEach((shape, back) => {
    const best = new Map<string, Chosen>();
    const put = (first: MeasuredPart, second: MeasuredPart | null, usual: number) => {
      const odd = usual + first.unusual + (second?.unusual ?? 0);
      const swumS = first.seconds + (second?.seconds ?? 0);
      for (const [pauseS, betweenS] of second ? PAUSES_OF_TWO : PAUSES_OF_ONE) {
        const seconds = pauseS + betweenS + swumS;
        if (seconds < least || seconds > most) continue;
        const awkward = odd + (pauseS > 90 ? 0.01 : 0);
        // Beginners rest as they need: of the same time, the few and the many reps are both worth looking at.
        const apart = level === 'settle' ? first.lengths + (second?.lengths ?? 0) : 0;
        const at = `${Math.round(seconds / ALIKE_S)} ${apart}`;
        const known = best.get(at);
        if (!known || awkward < known.awkward) best.set(at, { first, second, pauseS, betweenS, seconds, awkward });
      }
    };
    for (const { more, seconds } of rests) {
      const usual = Math.min(FARTHEST, back * FURTHER_BACK) + (level === 'settle' || more === 0.5 ? 0 : 0.01);
      for (const part of partsOf(shape, context, more)) {
        const first = measuredPart(part);
        if ((!sendOffs || first.seconds <= ONE_PART_S) && themed(first.theme, first.lengths)) put(first, null, usual);
        for (const second of seconds) {
          // The second part is the smaller one, but worth its name, another, and the theme still lives in a third of both.
          if (second.seconds > first.seconds || first.seconds + second.seconds > most) break;
          if (first.seconds + second.seconds <= ONE_PART_S - BEFORE_MAIN_S[0]) continue;
          if (second.seconds < SECOND_PART * first.seconds) continue;
          if (!themed(first.theme + second.theme, first.lengths + second.lengths)) continue;
          if (differs(first, second)) put(first, second, usual);
        }
      }
    }
    for (const chosen of best.values()) out.push(joined(shape, chosen));
  });
  return out;
}

interface Chosen {
  readonly first: MeasuredPart;
  readonly second: MeasuredPart | null;
  readonly pauseS: number;
  readonly betweenS: number;
  readonly seconds: number;
  readonly awkward: number;
}

const differs = (first: MeasuredPart, second: MeasuredPart): boolean =>
  second.shape !== first.shape &&
  !(second.shape === 'straight' && first.distances.includes(second.distances[0]!)) &&
  !(first.shape === 'pull in turn' && second.shape === 'pull') &&
  !(first.shape === 'kick in turn' && second.shape === 'kick');

function joined(shape: Shape, { first, second, pauseS, betweenS, seconds, awkward }: Chosen): Candidate {
  const rest = second ? [pauseOf(betweenS, 'second part'), ...swum(second)] : [];
  return {
    block: () => ({
      kind: 'main',
      id: 'main',
      landMinutes: 0,
      items: [pauseOf(pauseS, 'main set'), ...swum(first), ...rest],
      note: SHAPES[shape],
    }),
    shape,
    awkward,
    seconds,
    movingS: first.movingS + (second?.movingS ?? 0),
    lengths: first.lengths + (second?.lengths ?? 0),
    load: first.load + (second?.load ?? 0),
  };
}
