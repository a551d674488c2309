// Main parts: one shape, or two different ones when it is long.
import type { Item, Pause } from '../plan/model';
import { setsOf } from '../plan/setMeasure';
import { inRounds } from './plainSet';
import { BETWEEN_SETS_S } from '../plan/clock';
import { type Candidate, type Context, type Measured, measure } from './candidate';
import { cueFor } from './cues';
import { BEFORE_MAIN_S, ONE_PART_S, RECIPE, THEME_SHARE } from './recipe';
import { type Part, partsOf, secondParts, type Shape, SHAPES, shapesFor, themeLengths } from './shapes';

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

type MeasuredPart = Part & Measured & { readonly theme: number; readonly unusual: number };

/** Numbers of repeats that nobody says, and what they cost. */
const UNUSUAL_REPEATS = [7, 9, 11];
const UNUSUAL = 0.03;

/** Rest, drink and hear the main set. */
const pauseOf = (seconds: number): Pause => ({
  kind: 'pause',
  id: 'ma-pause',
  seconds,
  note: 'Drink, and hear the main set.',
});

/** All main parts of a group in a pool that are worth looking at. */
export function mains(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const { sendOffs } = RECIPE[level];
  const cue = cueFor(context.theme, context.groupRequest);
  const [least, most] = SHARE_OF_TIME.map((share) => share * context.waterS) as [number, number];
  const once = (items: readonly Item[]): Measured =>
    measure(context, { kind: 'main', id: 'main', landMinutes: 0, items, note: '' });
  // Every time through but the first takes equally long, so two are measured and the others follow.
  let known: {
    readonly items: readonly Item[];
    readonly one: Measured;
    readonly two: Measured;
    readonly theme: number;
  };
  const measuredPart = (part: Part): MeasuredPart => {
    const { items, times } = part;
    if (known?.items !== items) {
      const one = once(items);
      const two = times === 1 ? one : once(inRounds('ma', 2, items));
      known = { items, one, two, theme: themeLengths(items, cue) };
    } else if (times > 1 && known.two === known.one) {
      known = { ...known, two: once(inRounds('ma', 2, items)) };
    }
    const { one, two, theme } = known;
    const of = (key: keyof Measured) => one[key] + (times - 1) * (two[key] - one[key]);
    return {
      ...part,
      seconds: of('seconds'),
      movingS: of('movingS'),
      lengths: of('lengths'),
      load: of('load'),
      theme: theme * times,
      unusual:
        setsOf(items).some(({ set }) => UNUSUAL_REPEATS.includes(set.reps)) || UNUSUAL_REPEATS.includes(times)
          ? UNUSUAL
          : 0,
    };
  };
  const themed = (theme: number, lengths: number) => theme >= THEME_SHARE * lengths - 1e-9;
  const rests = (level === 'settle' ? MORE_REST_FOR_BEGINNERS : MORE_REST).map((more) => ({
    more,
    seconds: secondParts(context, more).map(measuredPart),
  }));
  // For each shape the least awkward way to fill each stretch of time; put together only where it is kept.
  const out: Candidate[] = [];
  shapesFor(context.theme, context.seed).forEach((shape, back) => {
    const best: (Chosen | undefined)[] = [];
    const put = (first: MeasuredPart, second: MeasuredPart | null, usual: number) => {
      const swum = first.seconds + (second ? BETWEEN_SETS_S + second.seconds : 0);
      for (const pauseS of BEFORE_MAIN_S) {
        const seconds = pauseS + swum;
        if (seconds < least || seconds > most) continue;
        const awkward = usual + (pauseS > 90 ? 0.01 : 0) + first.unusual + (second?.unusual ?? 0);
        const at = Math.round(seconds / ALIKE_S);
        const known = best[at];
        if (!known || awkward < known.awkward) best[at] = { first, second, pauseS, seconds, awkward };
      }
    };
    for (const { more, seconds } of rests) {
      const usual = Math.min(FARTHEST, back * FURTHER_BACK) + (level === 'settle' || more === 0.5 ? 0 : 0.01);
      for (const part of partsOf(shape, context, more)) {
        const first = measuredPart(part);
        if ((!sendOffs || first.seconds <= ONE_PART_S) && themed(first.theme, first.lengths)) put(first, null, usual);
        for (const second of seconds) {
          const swum = first.seconds + second.seconds;
          // The second part is the smaller one, but worth its name, another, and the theme still lives in a third of both.
          if (swum > most || swum <= ONE_PART_S - BETWEEN_SETS_S || second.seconds > first.seconds) continue;
          if (second.seconds < SECOND_PART * first.seconds) continue;
          if (!themed(first.theme + second.theme, first.lengths + second.lengths)) continue;
          if (differs(first, second)) put(first, second, usual);
        }
      }
    }
    for (const chosen of best) if (chosen) out.push(joined(shape, chosen));
  });
  return out;
}

interface Chosen {
  readonly first: MeasuredPart;
  readonly second: MeasuredPart | null;
  readonly pauseS: number;
  readonly seconds: number;
  readonly awkward: number;
}

const differs = (first: Part, second: Part): boolean =>
  second.shape !== first.shape &&
  !(second.shape === 'straight' && distancesOf(first).includes(distancesOf(second)[0]!)) &&
  !(first.shape === 'pull in turn' && second.shape === 'pull') &&
  !(first.shape === 'kick in turn' && second.shape === 'kick');

const distancesOf = ({ items }: Part): number[] =>
  setsOf(items).map(({ set }) => (set.kind === 'timed' ? 0 : set.lengths));

function joined(shape: Shape, { first, second, pauseS, seconds, awkward }: Chosen): Candidate {
  return {
    block: () => ({
      kind: 'main',
      id: 'main',
      landMinutes: 0,
      items: [pauseOf(pauseS), ...inRounds('ma', first.times, first.items), ...(second?.items ?? [])],
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
