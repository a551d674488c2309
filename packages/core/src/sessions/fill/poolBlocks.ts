import { drillCard, type DrillId } from '../../library';
import { atHome, candidate, type Candidate, type Candidates, type Context, easyNote } from './candidate';
import { cueAfter, strokeOf } from './cues';
import { fullRest, inRounds, STRONG_REST_S, swim } from './plainSet';
import { endsAtHome, ONE_LENGTH, saidOptions, sprintLengths } from './distances';
import type { AnySet, Pause } from '../plan/model';
import { mains } from './mainSets';
import { BEFORE_DRILLS_S, RECIPE } from './recipe';
import { blockSizesFor } from './sizes';
import { EASY } from '../plan/setMeasure';
import { warmUps } from './warmUps';
import { drillNote, isWhole, lengthsOfDrill, onTheSpot } from './drillDose';

/** All ways to fill each block of a session in a pool. */
export function poolCandidates(context: Context, speed: boolean): Candidates {
  return {
    'warm-up': thinned(warmUps(context), MOST['warm-up']),
    drills:
      context.drills.length > 0
        ? thinned(drillBlocks(context), context.groupRequest.level === 'settle' ? MOST_FOR_BEGINNERS : MOST.drills)
        : [],
    main: mains(context),
    speed: speed ? thinned(speeds(context), MOST.speed) : [],
    'swim-down':
      context.groupRequest.lengths == null ? thinned(swimDowns(context), MOST['swim-down']) : swimDowns(context),
  };
}

/** Ways looked at for each block: the search multiplies them. */
const MOST = { 'warm-up': 8, drills: 30, speed: 5, 'swim-down': 6 } as const;

/** Beginners do more on the spot, for which there are more ways. */
const MOST_FOR_BEGINNERS = 70;

/** A list thinned out evenly from its shortest to its longest. */
function thinned(list: readonly Candidate[], most: number): readonly Candidate[] {
  if (list.length <= most) return list;
  const sorted = [...list].sort((a, b) => a.lengths - b.lengths || a.seconds - b.seconds);
  return Array.from({ length: most }, (_, i) => sorted[Math.round((i * (sorted.length - 1)) / (most - 1))]!);
}

/** Tries of each drill in a row, and times through. */
const TRIES = [1, 2, 3, 4];

function drillBlocks(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const { pool } = context;
  const recipe = RECIPE[level];
  const settle = level === 'settle';
  const stroke = strokeOf(context.theme);
  const lengthsOf = (id: DrillId) => lengthsOfDrill(id, pool, level);
  const swum = context.drills.filter((id) => lengthsOf(id) !== null);
  // What is done on the spot, or over less than a length, has a timed part of its own before the rounds.
  const onSpot = context.drills
    .filter((id) => lengthsOf(id) === null && !isWhole(id))
    .map((id, i) => onTheSpot(`dr-spot-${i}`, id, context.groupPlan, stroke));
  const wholes = settle ? [ONE_LENGTH] : saidOptions(blockSizesFor(context).whole, pool);
  const out: Candidate[] = [];
  for (const rounds of [1, 2]) {
    for (const tries of TRIES) {
      for (const whole of wholes) {
        for (const more of recipe.drillRest) {
          // Every drill and its whole stroke end at the home wall.
          if (swum.some((id) => !endsAtHome(tries * lengthsOf(id)! + whole))) continue;
          const items = (swum.length > 0 ? swum : context.drills).flatMap((id, i): AnySet[] => {
            const lengths = lengthsOf(id);
            const after = { stroke, effort: EASY, rest: 15 + more, note: cueAfter(id, context.groupRequest) };
            // On the spot nothing was swum: as much of the whole stroke instead.
            if (!lengths) return [swim(`dr-${i}-whole`, tries * 2, whole, after)];
            return [
              swim(`dr-${i}`, tries, lengths, {
                drill: id,
                rest: 20 + more,
                kit: drillCard(id).kit,
                stroke,
                note: drillNote(id, lengths, pool),
              }),
              swim(`dr-${i}-whole`, 1, whole, after),
            ];
          });
          for (const often of settle && onSpot.length > 0 ? [1, 2, 3] : [1]) {
            // With nothing else to swim, what is done on the spot and the whole stroke take turns.
            const drills =
              swum.length > 0
                ? [...onSpot.flatMap((s) => inRounds(`${s.id}-rounds`, often, [s])), ...inRounds('dr', rounds, items)]
                : inRounds('dr', rounds * often, [...onSpot, ...items]);
            // As many tries as the card says, in one go or twice through.
            const off = Math.abs(tries * rounds - 4) / 100;
            for (const pauseS of BEFORE_DRILLS_S[level]) {
              const pause: Pause = {
                kind: 'pause',
                id: 'dr-pause',
                seconds: pauseS,
                note: 'Drink, and hear the drills.',
              };
              const all = pauseS > 0 ? [pause, ...drills] : drills;
              out.push(
                ...atHome(context, 'drills', all, String(rounds), off + more / 400 + pauseS / 3000 + often / 100),
              );
            }
          }
        }
      }
    }
  }
  return out;
}

function speeds(context: Context): Candidate[] {
  const lengths = sprintLengths(context.pool);
  return [4, 6, 8, 10, 12, 14, 16].flatMap((reps) => {
    const fast = { stroke: strokeOf(context.theme), effort: 1, note: 'Stop when the stroke breaks.' };
    const sprints = fullRest(swim('sp', reps, lengths, fast), context);
    // The same metres with half the sprinting: half a length easy, half all-out.
    const halves: AnySet = {
      ...swim('sp-halves', reps, lengths, { ...fast, effort: EASY, rest: STRONG_REST_S }),
      kind: 'halves',
      secondEffort: 1,
    };
    return [
      ...atHome(context, 'speed', [sprints], 'sprints', 0),
      ...(lengths >= 1 ? atHome(context, 'speed', [halves], 'halves', 0.01) : []),
    ];
  });
}

function swimDowns(context: Context): Candidate[] {
  const { level, lengths: asked } = context.groupRequest;
  const { pool } = context;
  const note = easyNote(context);
  if (level === 'settle')
    return [2, 4, 6].flatMap((reps) =>
      candidate(context, 'swim-down', [swim('sd', reps, ONE_LENGTH, { stroke: 'choice', rest: 30 })], 'swim-down', 0),
    );
  const said = saidOptions(blockSizesFor(context).swimDown, pool);
  const one = (lengths: number, awkward: number) =>
    candidate(
      context,
      'swim-down',
      [swim('sd', 1, lengths, { stroke: 'choice', rest: 0, note })],
      'swim-down',
      awkward,
    );
  if (asked == null) return said.filter(endsAtHome).flatMap((lengths) => one(lengths, 0));
  // A distance that was asked for is met here, where one unusual distance does no harm.
  const most = said[said.length - 1] ?? 2;
  return Array.from({ length: most }, (_, i) => i + 1)
    .filter((lengths) => lengths % 2 === asked % 2)
    .flatMap((lengths) => one(lengths, said.includes(lengths) ? 0 : 0.03));
}
