import { drillCard, type DrillId } from '../../library';
import { causeCard } from '../../review';
import { lengthsToMetres } from '../../units';
import { candidate, type Candidate, type Candidates, type Context } from './candidate';
import { cueAfter, cueFor, strokeOf } from './cues';
import { EVERY_THREE, FREE, inRounds, swim, usualRest } from './plainSet';
import { oddness, options, stretched, wholeLengths } from './distances';
import type { AnySet } from '../plan/model';
import { RECIPE } from './recipe';
import { EASY } from '../plan/setMeasure';
import { isWhole, lengthsOfDrill, onTheSpot } from './drillDose';

/** All ways to fill each block of a session in a pool. */
export function poolCandidates(context: Context, speed: boolean): Candidates {
  return {
    'warm-up': thinned(warmUps(context), MOST['warm-up']),
    drills: context.drills.length > 0 ? thinned(drillBlocks(context), MOST.drills) : [],
    main: mains(context),
    speed: speed ? thinned(speeds(context), MOST.speed) : [],
    'swim-down': thinned(swimDowns(context), MOST['swim-down']),
  };
}

/** Ways looked at for each block: the search multiplies them. */
const MOST = { 'warm-up': 9, drills: 40, speed: 7, 'swim-down': 8 } as const;

/** A list thinned out evenly from its shortest to its longest. */
function thinned(list: readonly Candidate[], most: number): readonly Candidate[] {
  if (list.length <= most) return list;
  const sorted = [...list].sort((a, b) => a.lengths - b.lengths || a.seconds - b.seconds);
  return Array.from({ length: most }, (_, i) => sorted[Math.round((i * (sorted.length - 1)) / (most - 1))]!);
}

function warmUps(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const recipe = RECIPE[level];
  const rep = wholeLengths(recipe.warmUpRepM, context.pool);
  const first = level === 'settle' ? rep : 0;
  return options(stretched(recipe.warmUpM, context.reach), context.pool).flatMap((lengths) => {
    const crawlReps = Math.max(1, Math.round(lengths / 2 / rep));
    const choice = lengths - crawlReps * rep;
    if (choice < 1) return [];
    const items = [
      swim('wu-choice', first ? choice / first : 1, first || choice, { stroke: 'choice', rest: first ? 30 : 15 }),
      swim('wu-rise', crawlReps, rep, {
        stroke: strokeOf(context.theme),
        effort: level === 'settle' ? EASY : 0.7,
        rest: level === 'settle' ? 30 : 15,
        note: level === 'settle' ? '' : 'rising',
      }),
    ];
    return candidate(context, 'warm-up', items, 1, oddness(items));
  });
}

function drillBlocks(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const recipe = RECIPE[level];
  const out: Candidate[] = [];
  for (const rounds of level === 'settle' || context.reach > 1.3 ? [1, 2, 3] : [1, 2]) {
    for (const reps of [1, 2]) {
      for (const drillLengths of options(recipe.drillM, context.pool)) {
        for (const whole of options(recipe.wholeM, context.pool)) {
          for (const extra of level === 'settle' ? recipe.extraRestS : [0]) {
            const stroke = strokeOf(context.theme);
            const lengthsOf = (id: DrillId) => lengthsOfDrill(id, drillLengths, context.pool);
            const swum = context.drills.filter((id) => lengthsOf(id) !== null);
            // What is done on the spot, or over less than a length, has a timed part of its own before the rounds.
            const onSpot = context.drills
              .filter((id) => lengthsOf(id) === null && !isWhole(id))
              .map((id, i) => onTheSpot(`dr-spot-${i}`, id, context.groupPlan, stroke));
            const items = (swum.length > 0 ? swum : context.drills).flatMap((id, i) => {
              const lengths = lengthsOf(id);
              const { kit } = drillCard(id);
              return [
                ...(lengths ? [swim(`dr-${i}`, reps, lengths, { drill: id, rest: 20 + extra, kit, stroke })] : []),
                swim(`dr-${i}-whole`, lengths ? 1 : reps * 2, whole, {
                  ...{ stroke, effort: EASY, rest: 15 + extra, note: cueAfter(id, context.groupRequest) },
                }),
              ];
            });
            const wrapped = [...onSpot, ...inRounds('dr', rounds, items)];
            out.push(...candidate(context, 'drills', wrapped, rounds, oddness(items) + extra / 400));
          }
        }
      }
    }
  }
  return out;
}

function mains(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const recipe = RECIPE[level];
  const sighting = causeCard(context.theme).stage === 'open-water skills';
  const crawl = strokeOf(context.theme) === 'front-crawl';
  const breathing = level === 'settle' || !crawl ? FREE : EVERY_THREE;
  const out: Candidate[] = [];
  const most = Math.min(16, Math.max(10, Math.round(10 * context.reach)));
  for (let rounds = 2; rounds <= most; rounds++) {
    for (const long of options(recipe.mainM, context.pool)) {
      for (const short of options(recipe.themeM, context.pool)) {
        if (level !== 'settle' && short >= long) continue;
        for (const extra of recipe.extraRestS) {
          const rest = usualRest(lengthsToMetres(context.pool, long)) + extra;
          const items = [
            swim('ma-steady', 1, long, { stroke: strokeOf(context.theme), effort: recipe.mainEffort, rest, breathing }),
            swim('ma-theme', 1, short, {
              stroke: strokeOf(context.theme),
              effort: level === 'settle' ? EASY : 0.7,
              rest: 15 + extra,
              breathing,
              note: cueFor(context.theme, context.groupRequest),
              sighting: sighting ? { every: level === 'race' ? 6 : 8, forBreath: false } : null,
            }),
          ];
          const odd = (long + short) % 2 === 0 ? 0 : rounds % 2 === 0 ? 0.02 : 0.06;
          out.push(...candidate(context, 'main', inRounds('ma', rounds, items), rounds, odd + extra / 400));
        }
      }
    }
  }
  return out;
}

function speeds(context: Context): Candidate[] {
  const [sprint] = options([25], context.pool);
  return [4, 6, 8, 10, 12, ...(context.reach > 1.3 ? [14, 16] : [])].flatMap((reps) => {
    const fast = {
      stroke: strokeOf(context.theme),
      effort: 1,
      rest: 45,
      note: 'Stop when the stroke breaks.',
    };
    const sprints = swim('sp', reps, sprint!, fast);
    // The same metres with half the sprinting: half a length easy, half all-out.
    const halves: AnySet = { ...sprints, kind: 'halves', id: 'sp-halves', effort: EASY, secondEffort: 1 };
    return [
      ...candidate(context, 'speed', [sprints], 1, 0),
      ...(sprint! >= 1 ? candidate(context, 'speed', [halves], 1, 0.01) : []),
    ];
  });
}

function swimDowns(context: Context): Candidate[] {
  const { level } = context.groupRequest;
  const recipe = RECIPE[level];
  const rep = wholeLengths(recipe.swimDownRepM, context.pool);
  return options(stretched(recipe.swimDownM, context.reach), context.pool).flatMap((lengths) => {
    const items =
      level === 'settle'
        ? [swim('sd', Math.max(1, Math.round(lengths / rep)), rep, { stroke: 'choice', rest: 30 })]
        : [swim('sd', 1, lengths, { stroke: 'choice', rest: 0 })];
    return candidate(context, 'swim-down', items, 1, oddness(items));
  });
}
