import { drillCard, type DrillId, type KitId } from '../library';
import { CAUSES, type CauseId } from '../review';
import { lengthsToMetres, type Pool } from '../units';
import { BETWEEN_SETS_S, EASY, groupClock } from './clock';
import { chooseDrills } from './chooseDrills';
import type { Block, BlockKind, Breathing, GroupPlan, Item, SessionKind, SwimSet, SwimStroke } from './model';
import { RECIPE } from './recipe';
import type { GroupRequest } from './request';
import { blockLengths } from './totals';

/** One way to fill a block, with what the search needs to know of it. */
export interface Candidate {
  readonly block: Block;
  readonly seconds: number;
  readonly lengths: number;
  /** Rounds, so that groups of the same shape can be matched. */
  readonly rounds: number;
  /** Cost of an awkward candidate: odd number of lengths, added rest. */
  readonly awkward: number;
}

export type Candidates = Readonly<Record<Exclude<BlockKind, 'land'>, readonly Candidate[]>>;

interface Context {
  readonly group: GroupPlan;
  readonly request: GroupRequest;
  readonly pool: Pool;
  readonly theme: CauseId;
  readonly kit: readonly KitId[];
  readonly drills: readonly DrillId[];
}

const FREE: Breathing = { kind: 'free' };
const EVERY_THREE: Breathing = { kind: 'every', strokes: 3, side: 'right' };

/** All ways to fill each block of a group's session. */
export function blockCandidates(
  group: GroupPlan,
  request: GroupRequest,
  pool: Pool,
  theme: CauseId,
  kind: SessionKind,
  kit: readonly KitId[],
): Candidates {
  const drills = chooseDrills(theme, request, kit, RECIPE[request.level].drillCount);
  const context: Context = { group, request, pool, theme, kit, drills };
  return {
    'warm-up': warmUps(context),
    drills: drills.length > 0 ? drillBlocks(context) : [],
    main: mains(context),
    speed: kind === 'speed' && request.level !== 'settle' ? speeds(context) : [],
    'swim-down': swimDowns(context),
  };
}

/** The land block: always there, with the theme's land drill when it has one. */
export function landBlock(context: Pick<Context, 'theme' | 'request' | 'kit'>, minutes: number): Block {
  const [onLand] = chooseDrills(context.theme, context.request, context.kit, 1, 'none');
  const note = `Shoulders, ankles, trunk.${onLand ? ` ${drillCard(onLand).name}: ${drillCard(onLand).cue}` : ''}`;
  return { kind: 'land', id: 'land', landMinutes: minutes, items: [], note };
}

function warmUps(context: Context): Candidate[] {
  const { level } = context.request;
  const recipe = RECIPE[level];
  const rep = wholeLengths(recipe.warmUpRepM, context.pool);
  const first = level === 'settle' ? rep : 0;
  return options(recipe.warmUpM, context.pool).flatMap((lengths) => {
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
  const { level } = context.request;
  const recipe = RECIPE[level];
  const out: Candidate[] = [];
  for (const rounds of level === 'settle' ? [1, 2, 3] : [1, 2]) {
    for (const reps of [1, 2]) {
      for (const drillLengths of options(recipe.drillM, context.pool)) {
        for (const whole of options(recipe.wholeM, context.pool)) {
          for (const extra of level === 'settle' ? recipe.extraRestS : [0]) {
            const items = context.drills.flatMap((id, i) => [
              swim(`dr-${i}`, reps, drillLengths, {
                drill: id,
                rest: 20 + extra,
                kit: drillCard(id).kit,
                stroke: strokeOf(context.theme),
              }),
              swim(`dr-${i}-whole`, 1, whole, {
                stroke: strokeOf(context.theme),
                effort: EASY,
                rest: 15 + extra,
                note: drillCard(id).cue,
              }),
            ]);
            const wrapped = inRounds('dr', rounds, items);
            out.push(...candidate(context, 'drills', wrapped, rounds, oddness(items) + extra / 400));
          }
        }
      }
    }
  }
  return out;
}

function mains(context: Context): Candidate[] {
  const { level } = context.request;
  const recipe = RECIPE[level];
  const sighting = CAUSES[context.theme].stage === 'open-water skills';
  const breathing = level === 'settle' ? FREE : EVERY_THREE;
  const out: Candidate[] = [];
  for (let rounds = 2; rounds <= 10; rounds++) {
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
              note: CAUSES[context.theme].cue,
              sightEvery: sighting ? (level === 'race' ? 6 : 8) : null,
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
  return [4, 6, 8, 10, 12].flatMap((reps) =>
    candidate(
      context,
      'speed',
      [
        swim('sp', reps, sprint!, {
          stroke: strokeOf(context.theme),
          effort: 1,
          rest: 45,
          note: 'Stop when the stroke breaks.',
        }),
      ],
      1,
      0,
    ),
  );
}

function swimDowns(context: Context): Candidate[] {
  const { level } = context.request;
  const recipe = RECIPE[level];
  const rep = wholeLengths(recipe.swimDownRepM, context.pool);
  return options(recipe.swimDownM, context.pool).flatMap((lengths) => {
    const items =
      level === 'settle'
        ? [swim('sd', Math.max(1, Math.round(lengths / rep)), rep, { stroke: 'choice', rest: 30 })]
        : [swim('sd', 1, lengths, { stroke: 'choice', rest: 0 })];
    return candidate(context, 'swim-down', items, 1, oddness(items));
  });
}

interface SwimOptions {
  readonly stroke?: SwimStroke;
  readonly drill?: DrillId;
  readonly effort?: number;
  readonly rest: number;
  readonly breathing?: Breathing;
  readonly kit?: readonly KitId[];
  readonly note?: string;
  readonly sightEvery?: number | null;
}

function swim(id: string, reps: number, lengths: number, o: SwimOptions): SwimSet {
  return {
    kind: 'swim',
    id,
    reps,
    lengths,
    stroke: o.stroke ?? 'front-crawl',
    drill: o.drill ?? null,
    effort: o.effort ?? EASY,
    breathing: o.breathing ?? FREE,
    sightEvery: o.sightEvery ?? null,
    strokeRateSpm: null,
    timing: { kind: 'rest', seconds: o.rest },
    kit: o.kit ?? [],
    note: o.note ?? '',
  };
}

function inRounds(id: string, rounds: number, items: readonly Item[]): readonly Item[] {
  return rounds === 1 ? items : [{ kind: 'rounds', id, rounds, items }];
}

/** Rest after a steady swim: 15 to 20 s for each 100 m, in steps of 5 s, from 10 to 60 s. */
function usualRest(repM: number): number {
  return Math.min(60, Math.max(10, Math.round((repM * 0.175) / 5) * 5));
}

function candidate(
  context: Context,
  kind: BlockKind,
  items: readonly Item[],
  rounds: number,
  awkward: number,
): Candidate[] {
  if (items.some((item) => item.kind === 'swim' && !Number.isInteger(item.reps))) return [];
  const block: Block = { kind, id: kind, landMinutes: 0, items, note: '' };
  const clock = groupClock({ ...context.group, blocks: [block] }, context.pool);
  // Alone on the clock the block has no pause before it; in the session only the first one has none.
  const pause = kind === 'warm-up' ? 0 : BETWEEN_SETS_S;
  return [{ block, seconds: clock.totalS + pause, lengths: blockLengths(block), rounds, awkward }];
}

/** Distances in metres as distinct numbers of pool lengths, shortest first; halves only in long pools. */
function options(metres: readonly number[], pool: Pool): number[] {
  return [...new Set(metres.map((m) => wholeLengths(m, pool)))].sort((a, b) => a - b);
}

function wholeLengths(metres: number, pool: Pool): number {
  const exact = metres / lengthsToMetres(pool, 1);
  return exact <= 0.6 ? 0.5 : Math.max(1, Math.round(exact));
}

/** Sets that end at the far side cost a little: the coach stands at the other end. */
function oddness(items: readonly SwimSet[]): number {
  return items.reduce((sum, { reps, lengths }) => sum + ((reps * lengths) % 2 === 0 ? 0 : 0.02), 0);
}

function strokeOf(theme: CauseId): SwimStroke {
  return CAUSES[theme].strokes[0] === 'breaststroke' ? 'breaststroke' : 'front-crawl';
}
