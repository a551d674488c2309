import { drillCard, type DrillId } from '../../library';
import { effortSpeed } from '../../measures';
import { lengthsToMetres } from '../../units';
import { candidate, type Candidate, type Candidates, type Context } from './candidate';
import { cueFor } from './cues';
import { EVERY_THREE, inRounds, swim, usualRest, type SwimOptions } from './plainSet';
import type { TimedSet } from '../plan/model';
import { RECIPE } from './recipe';
import { usualLook } from '../plan/looks';
import { EASY } from '../plan/setMeasure';

/** All ways to fill each block of a swim-out: skills by the minute, the main part by loops. */
export function openWaterCandidates(context: Context, speed: boolean): Candidates {
  return {
    'warm-up': warmUps(context),
    drills: context.drills.length > 0 ? skills(context) : [],
    main: loops(context),
    speed: speed ? starts(context) : [],
    'swim-down': swimDowns(context),
  };
}

function timed(id: string, reps: number, seconds: number, options: SwimOptions): TimedSet {
  const { lengths: _lengths, ...fields } = swim(id, reps, 1, options);
  return { ...fields, kind: 'timed', seconds };
}

/** Minutes in half-minute steps, as seconds. */
const halfMinutes = (from: number, to: number): number[] =>
  Array.from({ length: (to - from) * 2 + 1 }, (_, i) => (from + i / 2) * 60);

function warmUps(context: Context): Candidate[] {
  return halfMinutes(4, 12).flatMap((seconds) =>
    candidate(
      context,
      'warm-up',
      [
        timed('wu', 1, seconds, {
          effort: EASY,
          rest: 0,
          note: 'Walk in slowly, face in when the breath is calm, then swim along the shore.',
        }),
      ],
      'warm-up',
      0,
    ),
  );
}

function skills(context: Context): Candidate[] {
  const out: Candidate[] = [];
  for (const rounds of [1, 2]) {
    // One try is short, as its card says; where loops are long, more of them fill the time.
    for (const reps of [1, 2, 3, 4, 5]) {
      for (const seconds of halfMinutes(1, 4)) {
        const items = context.drills.map((drill, i) =>
          timed(`dr-${i}`, reps, Math.min(seconds, longestTry(drill, context)), {
            drill,
            rest: 30,
            note: 'Back together after each.',
          }),
        );
        out.push(...candidate(context, 'drills', inRounds('dr', rounds, items), String(rounds), 0));
      }
    }
  }
  return out;
}

/** Seconds of one try that stay within what the card of a drill allows: half-minutes, or fives where a try is shorter. */
function longestTry(id: DrillId, { groupPlan }: Context): number {
  const { dose, factor } = drillCard(id);
  if (dose.kind === 'seconds') return dose.seconds;
  if (dose.kind === 'repeats') return Math.ceil((dose.tries * dose.eachS) / 30) * 30;
  const speed = effortSpeed(groupPlan.v400Mps, EASY, groupPlan.paceTable) * (factor ?? 1);
  const most = dose.mostM / speed;
  const step = most < 30 ? 5 : 30;
  return Math.max(step, Math.floor(most / step) * step);
}

function loops(context: Context): Candidate[] {
  const recipe = RECIPE[context.groupRequest.level];
  const sighting = usualLook(context.groupRequest.level, EVERY_THREE);
  const out: Candidate[] = [];
  // Whole loops only: half a one ends far from where one gets out.
  for (const lengths of [1, 2, 3]) {
    for (let reps = 1; reps <= 24; reps++) {
      for (const extra of [0, 10, 20, 30, 45, 60]) {
        const rest = Math.max(30, usualRest(lengthsToMetres(context.pool, lengths))) + extra;
        const set = swim('ma', reps, lengths, {
          effort: recipe.mainEffort,
          rest,
          breathing: EVERY_THREE,
          sighting,
          note: cueFor(context.theme, context.groupRequest),
        });
        const awkward = (reps > 8 ? 0.03 : 0) + extra / 1000;
        out.push(...candidate(context, 'main', [set], 'loops', awkward));
      }
    }
  }
  return out;
}

function starts(context: Context): Candidate[] {
  return [4, 6, 8].flatMap((reps) =>
    candidate(
      context,
      'speed',
      [
        timed('sp', reps, 20, {
          effort: 1,
          rest: 60,
          note: 'Off the line together; a whistle stops everyone. Stop when the stroke breaks.',
        }),
      ],
      'speed',
      0,
    ),
  );
}

function swimDowns(context: Context): Candidate[] {
  return halfMinutes(2, 10).flatMap((seconds) =>
    candidate(
      context,
      'swim-down',
      [
        timed('sd', 1, seconds, {
          stroke: 'choice',
          effort: EASY,
          rest: 0,
          note: 'Along the shore, then out. Head count.',
        }),
      ],
      'swim-down',
      0,
    ),
  );
}
