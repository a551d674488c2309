// Main parts: one shape, or two different ones when it is long.
import type { Pause } from '../plan/model';
import { BETWEEN_SETS_S } from '../plan/clock';
import { type Candidate, type Context, type Measured, measure } from './candidate';
import { cueFor } from './cues';
import { BEFORE_MAIN_S, ONE_PART_S, RECIPE, THEME_SHARE } from './recipe';
import { type Part, partsOf, secondParts, type Shape, SHAPES, shapesFor, themeLengths } from './shapes';

/** Steps from the least to the most rest that is allowed. */
const MORE_REST = [0, 0.5, 1];
const MORE_REST_FOR_BEGINNERS = [0, 0.2, 0.4, 0.6, 0.8, 1];

/** Main parts take between these shares of the time in the water. */
const SHARE_OF_TIME = [0.15, 0.75] as const;

/** What a shape costs that the seed puts further back, for each place, and the most of it. */
const FURTHER_BACK = 0.16;
const FARTHEST = 0.64;

/** Main parts that differ by less than this in time are one, seconds. */
const ALIKE_S = 8;

type MeasuredPart = Part & Measured & { readonly theme: number };

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
  const measuredPart = (part: Part): MeasuredPart => ({
    ...part,
    ...measure(context, { kind: 'main', id: 'main', landMinutes: 0, items: part.items, note: '' }),
    theme: themeLengths(part.items, cue),
  });
  const rests = (level === 'settle' ? MORE_REST_FOR_BEGINNERS : MORE_REST).map((more) => ({
    more,
    seconds: sendOffs ? secondParts(context, more).map(measuredPart) : [],
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
        const awkward = usual + (pauseS > 90 ? 0.01 : 0);
        const at = Math.round(seconds / ALIKE_S);
        const known = best[at];
        if (!known || awkward < known.awkward) best[at] = { first, second, pauseS, seconds, awkward };
      }
    };
    for (const { more, seconds } of rests) {
      const usual = Math.min(FARTHEST, back * FURTHER_BACK) + (level === 'settle' || more === 0.5 ? 0 : 0.01);
      for (const part of partsOf(shape, context, more)) {
        const first = measuredPart(part);
        if (!sendOffs || first.seconds <= ONE_PART_S) put(first, null, usual);
        for (const second of seconds) {
          const swum = first.seconds + second.seconds;
          // The second part is the smaller one, another, and the theme still lives in a third of both.
          if (swum > most || swum <= ONE_PART_S - BETWEEN_SETS_S || second.seconds > first.seconds) continue;
          if (first.theme + second.theme < THEME_SHARE * (first.lengths + second.lengths) - 1e-9) continue;
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
  !(first.shape === 'pull in turn' && second.shape === 'pull') &&
  !(first.shape === 'kick in turn' && second.shape === 'kick');

function joined(shape: Shape, { first, second, pauseS, seconds, awkward }: Chosen): Candidate {
  return {
    block: () => ({
      kind: 'main',
      id: 'main',
      landMinutes: 0,
      items: [pauseOf(pauseS), ...first.items, ...(second?.items ?? [])],
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
