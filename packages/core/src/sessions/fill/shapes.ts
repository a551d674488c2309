// Shapes of a main part: each a way to practise the theme, with the distances of the level.
import { causeCard, type CauseId } from '../../review';
import { seeded } from '../../units';
import type { AnySet, DescendSet, HalfSet, Item } from '../plan/model';
import { usualRateSpm } from '../plan/prescription';
import { isSet, setsOf } from '../plan/setMeasure';
import { inRounds } from './plainSet';
import type { Context } from './candidate';
import { cueFor, strokeOf } from './cues';
import { ONE_LENGTH, endsAtHome, saidLengths, saidOptions } from './distances';
import { MOST_REPEATS, MOST_ROUNDS, RECIPE } from './recipe';
import { kickKit, looks, SetMaker } from './setMaker';
import { sizesFor } from './sizes';

/** Shapes of a main part, and what a coach says of each. */
export const SHAPES = {
  'in turn': 'The theme and the whole stroke in turn.',
  straight: 'The same again, every one like the first.',
  ladder: 'A ladder.',
  pyramid: 'Up the pyramid and down again.',
  descend: 'Each one faster than the one before, with the same stroke.',
  'negative split': 'The second half of each is the faster one.',
  broken: 'A long swim broken by short rests: the pace of the parts, the stroke of the whole.',
  'pull in turn': 'Pull and swim in turn: feel it with the arms alone, then keep it.',
  'kick in turn': 'Kick and swim in turn.',
  'rate steps': 'The rate changes in steps; everything else stays.',
  'over-distance': 'Long swims, as on the day.',
} as const;
export type Shape = keyof typeof SHAPES;

/** A main part, or one of its two: some items, and how often they are swum. */
export interface Part {
  readonly shape: Shape | 'pull' | 'kick' | 'medley' | 'choice';
  readonly items: readonly Item[];
  readonly times: number;
  /** Whether all items are swum through so often, or each of them, which then has one rep here, so often in a row. */
  readonly repeat: 'rounds' | 'reps';
}

/** The items of a part as they are swum. */
export function swum({ items, times, repeat }: Omit<Part, 'shape'>): readonly Item[] {
  if (repeat === 'rounds') return inRounds('ma', times, items);
  return items.map((item) => (isSet(item) ? { ...item, reps: times } : item));
}

/** Shapes in which a stage is best practised; every other one follows. */
const BEST: Readonly<Partial<Record<string, readonly Shape[]>>> = {
  'catch and pull': ['pull in turn', 'in turn'],
  kick: ['kick in turn', 'in turn'],
  'timing and rate': ['rate steps', 'in turn'],
  turns: ['straight', 'in turn'],
  'open-water skills': ['in turn', 'over-distance'],
};

/** Shapes that keep both intervals between looks beside one another. */
const WITH_LOOKS: readonly Shape[] = ['in turn', 'over-distance', 'straight', 'pyramid', 'ladder'];

/** The shapes in the order in which a theme proposes them; the seed says which comes first. */
export function shapesFor(theme: CauseId, seed: number): readonly Shape[] {
  const { stage } = causeCard(theme);
  const all = looks(theme) ? WITH_LOOKS : (Object.keys(SHAPES) as Shape[]).filter((s) => s !== 'over-distance');
  const best = (BEST[stage] ?? ['in turn']).filter((s) => all.includes(s));
  const order = [...best, ...all.filter((s) => !best.includes(s))];
  const first = (seed - 1) % order.length;
  return [...order.slice(first), ...order.slice(0, first)];
}

/** The same items with each number of reps. */
const repeated = (shape: Part['shape'], items: readonly Item[], reps: readonly number[]): Part[] =>
  reps.map((times) => ({ shape, items, times, repeat: 'reps' }));

/** Whole numbers from one to another. */
const counts = (from: number, to: number, step = 1): number[] =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / step) + 1) }, (_, i) => from + i * step);

/**
 * All parts of one shape for a level: every size, every number of rounds.
 *
 * @param more how much of the rest that is allowed is taken, 0–1
 * @returns parts that end at the home wall
 */
export function partsOf(shape: Shape, context: Context, more: number): Part[] {
  const make = new SetMaker(context, more, 'ma');
  const { pool, groupRequest, kit } = context;
  const { level } = groupRequest;
  const sizes = sizesFor(context);
  const settle = level === 'settle';
  const breast = strokeOf(context.theme) === 'breaststroke';
  const steps = context.theme === 'spins' ? SLOWER : QUICKER;
  const of = (distance: number) => (settle ? ONE_LENGTH : saidLengths(distance, pool));
  const options = (distances: readonly number[]) =>
    settle ? (distances.length > 0 ? [ONE_LENGTH] : []) : saidOptions(distances, pool);
  const rounds = (items: readonly Item[], most = MOST_ROUNDS, least = 1): Part[] =>
    counts(least, most).map((times) => ({ shape, items, times, repeat: 'rounds' }));
  const all = (distances: readonly number[]): number[] | null => {
    const lengths = distances.map(of);
    return lengths.every((l) => l !== null) ? lengths : null;
  };
  const parts = (): Part[] => {
    switch (shape) {
      case 'in turn':
        return sizes.inTurn.flatMap(([t, w]) => {
          const pair = all([t, w]);
          if (!pair) return [];
          const [theme, whole] = pair as [number, number];
          const keeps = theme * 2 < whole && !looks(context.theme);
          const cue = keeps ? `Keep it: ${lowerFirst(cueFor(context.theme, groupRequest))}` : '';
          return rounds([...make.theme(1, theme), make.set(1, whole, { note: cue })], MOST_ROUNDS, 2);
        });
      case 'straight':
        return options(sizes.straight).flatMap((d) => {
          const items = make.theme(1, d, settle ? {} : { effort: RECIPE[level].mainEffort - 0.05 });
          return repeated(shape, items, counts(3, MOST_REPEATS));
        });
      case 'ladder':
      case 'pyramid':
        return sizes[shape === 'ladder' ? 'ladders' : 'pyramids'].flatMap((list) => {
          const rungs = all(list);
          // In some pools two rungs are the same distance: no ladder.
          if (!rungs || rungs.some((d, i) => d === rungs[i + 1])) return [];
          const items = rungs.map((d, i) =>
            looks(context.theme)
              ? make.one(d, i)
              : i % 2 === 0
                ? make.one(d, i, { effort: RECIPE[level].themeEffort })
                : make.set(1, d),
          );
          return rounds(items, 3);
        });
      case 'descend':
        return options(sizes.descend).flatMap((d) =>
          [3, 4].flatMap((n) => {
            const set = (): DescendSet => {
              const { kind: _, ...fields } = make.one(d, 0, { effort: 0.7 });
              return make.rest({ kind: 'descend', ...fields, reps: n, lastEffort: FASTEST[level] });
            };
            return rounds([set()], Math.floor(MOST_REPEATS / n));
          }),
        );
      case 'negative split':
        return options(sizes.negativeSplit)
          .filter((d) => Number.isInteger(d / 2))
          .flatMap((d) => {
            const { kind: _, ...fields } = make.one(d, 0, { effort: 0.7 });
            const half: HalfSet = { kind: 'halves', ...fields, secondEffort: 0.85 };
            return repeated(shape, [make.rest(half)], counts(2, MOST_ROUNDS));
          });
      case 'broken':
        return sizes.broken.flatMap(({ parts: n, of: d, easy }) => {
          const pair = all([d, easy]);
          if (!pair || breast) return [];
          const [each, after] = pair as [number, number];
          const whole = n * each;
          return rounds(
            [
              {
                ...make.set(n, each, { effort: 0.85, note: 'Short rests: as if it were one swim.' }),
                timing: { kind: 'rest' as const, seconds: 10 },
              },
              // The rest after a broken swim lets the next one be as good.
              { ...make.one(after, 0, { effort: 0.65 }), timing: { kind: 'rest' as const, seconds: 30 } },
            ],
            whole > 6 ? 6 : MOST_ROUNDS,
            2,
          );
        });
      case 'pull in turn':
        if (!kit.includes('buoy') || breast) return [];
        return options(sizes.pull).flatMap((d) =>
          rounds([make.set(1, d, { kit: ['buoy'], effort: 0.75 }), make.one(d, 0)], MOST_ROUNDS, 2),
        );
      case 'kick in turn': {
        const thing = kickKit(context);
        if (!thing) return [];
        return options(sizes.kick).flatMap((k) =>
          options(sizes.straight)
            .filter((d) => d <= MOST_TO_KICK * k)
            .flatMap((d) =>
              rounds(
                [
                  make.set(1, k, {
                    stroke: 'kick',
                    kit: [thing],
                    effort: 0.7,
                    note: breast ? BREAST_KICK : 'From the hip.',
                  }),
                  make.one(d, 0),
                ],
                MOST_ROUNDS,
                2,
              ),
            ),
        );
      }
      case 'rate steps': {
        if (!kit.includes('beeper') || breast) return [];
        const now = usualRateSpm(context.groupPlan, RECIPE[level].mainEffort);
        return options(sizes.rateSteps).flatMap((d) =>
          rounds(
            [0, 1, 2].map((step) =>
              make.set(1, d, {
                rate: now + step * steps.by,
                kit: ['beeper'],
                // The cue at the first and at the last: between them the ear listens to the beep.
                note: [step > 0 ? steps.said : '', step !== 1 ? cueFor(context.theme, groupRequest) : '']
                  .filter(Boolean)
                  .join(' '),
              }),
            ),
            MOST_ROUNDS,
            2,
          ),
        );
      }
      case 'over-distance':
        return options(sizes.overDistance).flatMap((d) =>
          counts(2, 5).map((n) => ({
            shape,
            times: 1,
            repeat: 'rounds',
            items: Array.from({ length: n }, (_, i) => make.one(d, i, { effort: 0.75 })),
          })),
        );
    }
  };
  return good(parts(), context);
}

/** The parts that end at the home wall, with a wall in every rep where that is the theme. */
function good(parts: readonly Part[], { theme, groupRequest }: Context): Part[] {
  const least = causeCard(theme).stage === 'turns' && groupRequest.level !== 'settle' ? 2 : 0;
  // The same items come with every number of rounds, one after the other: measured once.
  let known: { readonly items: readonly Item[]; readonly lengths: number; readonly walls: boolean } | undefined;
  return parts.filter(({ items, times }) => {
    if (known?.items !== items) {
      const walls = setsOf(items).every(({ set }) => set.kind === 'timed' || set.lengths >= least);
      known = { items, lengths: lengthsOf(items), walls };
    }
    return known.walls && endsAtHome(known.lengths * times);
  });
}

/** Effort of the last of a set that descends. */
const FASTEST = { settle: 0.7, build: 0.85, hold: 0.9, race: 0.9 } as const;

/** Steps of the rate: it moves by at most four strokes a minute in a week; hands that are too fast are slowed. */
const QUICKER = { by: 2, said: 'Two strokes a minute quicker.' } as const;
const SLOWER = { by: -2, said: 'Two strokes a minute slower.' } as const;

/** Most of the swim beside the kick in turn with it. */
const MOST_TO_KICK = 3;

/** What is said of the kick of breaststroke. */
const BREAST_KICK = 'Breaststroke kick: turn the feet out, then squeeze.';

/** Most of a second part. */
const MOST_SECOND = 8;

/**
 * What can follow the first part of a long main part: pull, kick, medley where it is swum, or a straight set.
 */
export function secondParts(context: Context, more: number): Part[] {
  const { pool, groupRequest, groupPlan, kit, theme, seed } = context;
  const make = new SetMaker(context, more, 'mb');
  const sizes = sizesFor(context);
  const reps = (shape: Part['shape'], distances: readonly number[], set: (d: number) => AnySet): Part[] =>
    saidOptions(distances, pool).flatMap((d) => repeated(shape, [set(d)], counts(2, MOST_SECOND)));
  const thing = kickKit(context);
  const crawl = strokeOf(theme) === 'front-crawl';
  const medley = groupPlan.strokeShares?.medley !== undefined || groupPlan.strokeShares?.butterfly !== undefined;
  if (groupRequest.level === 'settle')
    return repeated(
      'choice',
      [make.set(1, ONE_LENGTH, crawl ? { stroke: 'choice', note: 'Any stroke, calm.' } : { note: 'Calm.' })],
      counts(2, MOST_SECOND, 2),
    );
  const kinds: readonly (readonly Part[])[] = [
    kit.includes('buoy') && crawl
      ? reps('pull', sizes.pull, (d) => make.set(1, d, { kit: ['buoy'], effort: 0.75, note: 'Long and calm.' }))
      : [],
    thing
      ? reps('kick', sizes.kick, (d) =>
          make.set(1, d, { stroke: 'kick', kit: [thing], effort: 0.7, note: crawl ? 'From the hip.' : BREAST_KICK }),
        )
      : [],
    medley
      ? reps('medley', [100, 200], (d) =>
          make.set(1, d, { stroke: 'medley', effort: 0.75, note: 'Crawl for those who do not swim all four.' }),
        )
      : [],
    reps('straight', sizes.straight, (d) => make.set(1, d)),
  ];
  const possible = kinds.filter((parts) => parts.length > 0);
  // Which of them comes is the seed's; the last is always possible.
  const at = Math.floor(seeded(seed, 77) * possible.length);
  const chosen = possible.length > 2 ? [possible[at]!, possible[(at + 1) % possible.length]!] : possible;
  return good(chosen.flat(), context);
}

const lengthsOf = (items: readonly Item[]): number =>
  setsOf(items).reduce((sum, { set, times }) => sum + (set.kind === 'timed' ? 0 : set.lengths * set.reps * times), 0);

/** Lengths of a main part in which the theme lives: those that carry its cue, or looks. */
export function themeLengths(items: readonly Item[], cue: string): number {
  const said = cue.toLowerCase().replace(/\.$/, '');
  return setsOf(items).reduce((sum, { set, times }) => {
    const on = set.sighting !== null || set.note.toLowerCase().includes(said);
    return on && set.kind !== 'timed' ? sum + set.lengths * set.reps * times : sum;
  }, 0);
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
