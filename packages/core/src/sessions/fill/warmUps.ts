// Warm-ups: easy to choice, then a part that wakes up what the session needs.
import { causeCard } from '../../review';
import type { DescendSet, Item } from '../plan/model';
import { EASY } from '../plan/setMeasure';
import { isOneSided } from '../plan/weakSide';
import { atHome, type Candidate, type Context, easyNote } from './candidate';
import { strokeOf } from './cues';
import { ONE_LENGTH, saidLengths, saidOptions } from './distances';
import { inRounds, swim } from './plainSet';
import { RECIPE } from './recipe';
import { kickKit } from './setMaker';
import { blockSizesFor, longRising } from './sizes';

/** What follows the easy part: as many reps of a distance, each kind another way to wake up. */
type Second = (context: Context, reps: number, rep: number, rest: number) => readonly Item[] | null;

const rising: Second = (context, reps, rep, rest) => [
  swim('wu-rise', reps, rep, {
    stroke: strokeOf(context.theme),
    effort: 0.7,
    rest,
    note: easyNote(context, 'Rising.'),
  }),
];

/** Each one a little faster, up to the pace of the session. */
const descending: Second = (context, reps, rep, rest) => {
  if (reps < 3 || reps > 6) return null;
  const { kind: _, ...fields } = swim('wu-descend', reps, rep, { stroke: strokeOf(context.theme), rest });
  const set: DescendSet = { kind: 'descend', ...fields, effort: EASY, lastEffort: 0.75 };
  return [set];
};

/** Kick and swim in turn, with what there is to kick with. */
const kicking: Second = (context, reps, rep, rest) => {
  const kit = kickKit(context);
  if (!kit || reps % 2 !== 0) return null;
  return inRounds('wu-kick', reps / 2, [
    swim('wu-kick-1', 1, rep, { stroke: 'kick', kit: [kit], rest }),
    swim('wu-kick-2', 1, rep, { stroke: strokeOf(context.theme), rest }),
  ]);
};

/** On the back and in front in turn: the shoulders both ways round. */
const bothWays: Second = (context, reps, rep, rest) =>
  reps % 2 === 0
    ? inRounds('wu-back', reps / 2, [
        swim('wu-back-1', 1, rep, { stroke: 'backstroke', rest, note: 'Shoulders loose.' }),
        swim('wu-back-2', 1, rep, { stroke: strokeOf(context.theme), rest }),
      ])
    : null;

const SECONDS: readonly Second[] = [rising, kicking, descending, bothWays];

/** The second part of the warm-up that a seed proposes. Who breathes to one side all session begins with it. */
function secondOf({ theme, seed }: Context): Second {
  if (isOneSided(theme)) return rising;
  // Kick before a session about the kick would tire what is to be looked at.
  const fitting = causeCard(theme).stage === 'kick' ? SECONDS.filter((s) => s !== kicking) : SECONDS;
  return fitting[(seed - 1 + theme.length) % fitting.length]!;
}

/** What it costs a group to wake up in another way than the others. */
const UNLIKE_THE_OTHERS = 0.1;

/** All warm-ups of a group in a pool. */
export function warmUps(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const { pool } = context;
  const recipe = RECIPE[level];
  const settle = level === 'settle';
  const rep = settle ? ONE_LENGTH : saidLengths(recipe.rising.distance, pool);
  if (rep === null) return [];
  const choices = settle ? [1, 2, 3, 4] : saidOptions(blockSizesFor(context).warmUp, pool);
  const second = secondOf(context);
  // Those who need more rest in the hour begin with it.
  const rests = settle ? [30] : level === 'build' ? [15, 30] : [15];
  return rests.flatMap((rest) =>
    choices.flatMap((choice) =>
      [...recipe.rising.reps, ...longRising(context)].flatMap((reps) => {
        const woken = settle ? null : second(context, reps, rep, rest);
        const items = settle
          ? [
              swim('wu-choice', choice, ONE_LENGTH, { stroke: 'choice', rest }),
              swim('wu-rise', reps, rep, { stroke: strokeOf(context.theme), rest }),
            ]
          : [
              swim('wu-choice', 1, choice, { stroke: 'choice', rest, note: easyNote(context) }),
              ...(woken ?? rising(context, reps, rep, rest)!),
            ];
        // Part choice, part crawl: about the same of both.
        const uneven = Math.abs(choice - reps * rep) / (choice + reps * rep) / 20;
        const other = settle || woken ? 0 : UNLIKE_THE_OTHERS;
        return atHome(context, 'warm-up', items, 'warm-up', uneven + rest / 1500 + other);
      }),
    ),
  );
}
