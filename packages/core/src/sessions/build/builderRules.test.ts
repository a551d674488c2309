import { drillCard, KIT_IDS, STEPS_TO_TEN_METRES, type KitId } from '../../library';
import { CAUSE_IDS, causeCard, type CauseId } from '../../review';
import { LEVELS, type LevelId } from '../../swimmers';
import { lengthsToMetres, seeded, type Pool } from '../../units';
import { runs } from '../../../test/runs';
import {
  buildSession,
  groupClock,
  groupTotals,
  restSeconds,
  repSeconds,
  setsOf,
  WEEK_KINDS,
  type AnySet,
  type Block,
  type BuildRequest,
  type GroupPlan,
  type Item,
  type SessionPlan,
} from '..';

/** Another sample on every day of the deep run. */
const SEED = Number(process.env.PROPERTY_SEED ?? 1);

// The numbers of a session that a coach would sign, written a second time, by hand.
const SAID = [25, 50, 75, 100, 150, 200, 250, 300, 400, 500, 600, 800, 1000];
const MOVING: Record<LevelId, [number, number]> = {
  settle: [0.25, 0.45],
  build: [0.5, 0.65],
  hold: [0.6, 0.72],
  race: [0.65, 0.8],
};
const POOLS: Pool[] = [
  { length: 25, unit: 'm' },
  { length: 50, unit: 'm' },
  { length: 25, unit: 'yd' },
  { length: 100 / 3, unit: 'm' },
  { length: 20, unit: 'm' },
  { length: 17, unit: 'm' },
];
const USUAL_KIT: KitId[] = ['fins', 'board', 'buoy', 'beeper'];

/** One request of the sample: theme × pool × levels × minutes × kit × week. */
function asked(n: number): BuildRequest {
  const at = (k: number) => seeded(SEED * 7919 + n, k);
  const of = <T>(list: readonly T[], k: number): T => list[Math.floor(at(k) * list.length)]!;
  const levels = LEVELS.filter((_, i) => at(10 + i) < 0.6);
  return {
    kind: of(['aerobic', 'aerobic', 'technique', 'speed'] as const, 1),
    theme: of(CAUSE_IDS, 2),
    pool: of([POOLS[0]!, POOLS[0]!, ...POOLS], 3),
    minutes: of([45, 60, 60, 75, 90], 4),
    week: of(['normal', 'normal', ...WEEK_KINDS] as const, 5),
    kit: of<readonly KitId[]>([USUAL_KIT, USUAL_KIT, [], KIT_IDS, ['board']], 6),
    seed: 1 + Math.floor(at(7) * 20),
    groups: (levels.length > 0 ? levels : (['hold'] as const)).map((level, i) => ({
      level,
      swimmers: 8,
      lanes: 2,
      v400Mps:
        at(20 + i) < 0.5 ? null : { settle: 0.5, build: 0.8, hold: 1, race: 1.25 }[level] * (0.9 + 0.2 * at(30 + i)),
      ladderSteps: { confidence: at(40 + i) < 0.8 ? STEPS_TO_TEN_METRES : 2 },
      loadLimit: at(50 + i) < 0.7 ? null : 1200 + 2500 * at(60 + i),
    })),
  };
}

const sets = (block: Block | undefined): AnySet[] => (block ? setsOf(block.items).map(({ set }) => set) : []);
const roundsIn = (items: readonly Item[]): number[] =>
  items.flatMap((i) => (i.kind === 'rounds' ? [i.rounds, ...roundsIn(i.items)] : []));

interface Seen {
  readonly request: BuildRequest;
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly main: Block;
  readonly earlierMin: number;
  readonly notes: readonly string[];
}

const sample = Array.from({ length: runs(60, 2000) }, (_, n) => asked(n));
const builtOf = sample.map((request) => ({ request, result: buildSession(request) }));
const inLengths: Seen[] = builtOf.flatMap(({ request, result }) => {
  if (result.kind === 'clash') return [];
  return result.plan.groups
    .filter((g) => g.blocks.every((b) => b.kind === 'drills' || sets(b).every((s) => s.kind !== 'timed')))
    .map((group) => ({
      ...{ request, plan: result.plan, group, earlierMin: result.earlierMin, notes: result.notes },
      main: group.blocks.find((b) => b.kind === 'main')!,
    }));
});

/** What is wrong, each with its request, so that one failing line says where to look. */
const wrong = (check: (seen: Seen) => unknown): unknown[] =>
  inLengths
    .flatMap((seen) => {
      const found = check(seen);
      const { theme, kind, minutes, pool, week, seed } = seen.request;
      return found ? [[found, seen.group.level, theme, kind, minutes, pool.length, week, seed]] : [];
    })
    .slice(0, 5);

const swum = (s: AnySet): s is Exclude<AnySet, { kind: 'timed' }> => s.kind !== 'timed';
const lengthsOf = (block: Block) =>
  setsOf(block.items).reduce((sum, { set, times }) => sum + (swum(set) ? set.lengths * set.reps * times : 0), 0);
const isUsual = (pool: Pool) => pool.length === 25 || pool.length === 50;

describe('a session that a coach would sign', () => {
  it('is found for nearly everything that is asked', () => {
    const clashes = builtOf.filter(({ result }) => result.kind === 'clash');
    expect(clashes.length / sample.length).toBeLessThan(0.12);
  });

  it('has distances that coaches say, and ends every block at the home wall', () => {
    expect(wrong(({ group }) => group.blocks.find((b) => lengthsOf(b) % 2 !== 0)?.kind)).toEqual([]);
    expect(
      wrong(({ group, plan: { pool } }) =>
        group.blocks
          .flatMap((b) => (b.kind === 'speed' ? [] : sets(b)))
          .find((s) => {
            if (!swum(s) || group.level === 'settle') return false;
            return isUsual(pool) ? !SAID.includes(s.lengths * pool.length) : s.lengths % 2 !== 0;
          }),
      ),
    ).toEqual([]);
  });

  it('repeats nothing more than eight times through or twelve in a row', () => {
    expect(wrong(({ group }) => group.blocks.flatMap((b) => roundsIn(b.items)).find((n) => n > 8))).toEqual([]);
    expect(
      wrong(({ group }) =>
        group.blocks
          .filter((b) => b.kind !== 'speed')
          .flatMap(sets)
          .find((s) => s.reps > 12),
      ),
    ).toEqual([]);
  });

  it('leaves on the clock in Hold and Race, in steps of 5 s, and rests no more than half of the swim', () => {
    expect(
      wrong(({ group, main }) => {
        if (group.level !== 'hold' && group.level !== 'race') return false;
        const broken = main.note.startsWith('A long swim broken');
        return sets(main).find((s) => (s.timing.kind !== 'send-off' && !broken) || s.timing.seconds % 5 !== 0);
      }),
    ).toEqual([]);
    expect(
      wrong(({ group, main, plan: { pool } }) => {
        if (group.level === 'settle') return false;
        return sets(main).find((s) => {
          const repS = repSeconds(s, group, pool);
          const rest = restSeconds(s, repS);
          // A send-off is in steps of 5 s.
          return rest > repS / 2 + 5 || rest < 0 || (s.timing.kind === 'send-off' && s.timing.seconds < repS);
        });
      }),
    ).toEqual([]);
  });

  it('rests 10 to 20 s for each 100 m of steady swimming, as nearly as steps of 5 s can', () => {
    expect(
      wrong(({ group, main, plan: { pool } }) => {
        if (group.level === 'settle' || main.note.startsWith('A long swim broken')) return false;
        return sets(main).find((s) => {
          if (s.kind !== 'swim' || s.effort > 0.85) return false;
          const rest = restSeconds(s, repSeconds(s, group, pool));
          const metres = lengthsToMetres(pool, s.lengths);
          return rest < metres / 10 - 5 || rest > metres / 5 + 5;
        });
      }),
    ).toEqual([]);
  });

  it('gives one to two minutes to drink and to hear the main set', () => {
    expect(
      wrong(({ main }) => {
        const [first] = main.items;
        return !(first?.kind === 'pause' && first.seconds >= 60 && first.seconds <= 120);
      }),
    ).toEqual([]);
  });

  it('gives the same before the second part', () => {
    expect(
      wrong(({ main: { items } }) => {
        const at = items.findIndex((i) => i.id.includes('-mb-') && i.kind !== 'pause');
        if (at < 0) return false;
        const before = items[at - 1]!;
        return !(before.kind === 'pause' && before.seconds >= 60 && before.seconds <= 120);
      }),
    ).toEqual([]);
  });

  it('rests fully after all-out reps: three times the swim, from 45 to 90 s, in steps of 15 s', () => {
    expect(
      wrong(({ group, plan: { pool } }) =>
        sets(group.blocks.find((b) => b.kind === 'speed')).find((s) => {
          if (s.kind !== 'swim' || s.effort < 1) return false;
          const repS = repSeconds(s, group, pool);
          const { seconds } = s.timing;
          return seconds % 15 !== 0 || seconds < 45 || seconds > 90 || seconds < Math.min(90, 3 * repS);
        }),
      ),
    ).toEqual([]);
  });

  it('calls nothing a ladder in which two rungs are the same', () => {
    expect(
      wrong(({ main, group }) => {
        if (!/ladder|pyramid/.test(main.note) || group.level === 'settle') return false;
        const first = main.items.find((i) => i.kind !== 'pause')!;
        const rungs = first.kind === 'rounds' ? first.items : main.items.filter((i) => !i.id.includes('-mb-'));
        const said = rungs.flatMap((i) => ('lengths' in i ? [i.lengths] : []));
        return said.length < 3 || said.some((d, i) => d === said[i + 1]);
      }),
    ).toEqual([]);
  });

  it('wakes up in another way from one session to the next, never by kicking before the kick', () => {
    const secondOf = (theme: CauseId, seed: number, level: LevelId) => {
      const result = buildSession({
        ...{ kind: 'aerobic' as const, theme, minutes: 60, pool: POOLS[0]!, kit: USUAL_KIT, seed },
        groups: [{ level, swimmers: 8, lanes: 2, v400Mps: null }],
      });
      if (result.kind === 'clash') throw new Error(theme);
      const warmUp = result.plan.groups[0]!.blocks.find((b) => b.kind === 'warm-up')!;
      const second = sets(warmUp)[1]!;
      if (second.kind === 'descend') return 'faster';
      return second.note.includes('Rising.') ? 'rising' : second.stroke;
    };
    const over = (theme: CauseId, level: LevelId) => [1, 2, 3, 4].map((seed) => secondOf(theme, seed, level));
    for (const level of ['build', 'hold', 'race'] as const) {
      expect(new Set(over('crosses-midline', level)).size).toBeGreaterThanOrEqual(3);
      expect(over('knee-kick', level)).not.toContain('kick');
      expect(new Set(over('one-sided', level))).toEqual(new Set(['rising']));
    }
  });

  it('lets the theme live in a third of the main part, with its cue', () => {
    expect(
      wrong(({ request, main, group }) => {
        const { cue, openTurnCue = cue } = causeCard(request.theme) as { cue: string; openTurnCue?: string };
        const says = (note: string) =>
          [cue, openTurnCue].some((c) => note.toLowerCase().includes(c.toLowerCase().replace(/\.$/, '')));
        const themed = setsOf(main.items).reduce(
          (sum, { set, times }) =>
            sum + (swum(set) && (says(set.note) || set.sighting) ? set.lengths * set.reps * times : 0),
          0,
        );
        return themed / lengthsOf(main) < 1 / 3 - 1e-6 && `${themed} of ${lengthsOf(main)} ${group.level}`;
      }),
    ).toEqual([]);
  });

  it('has two different parts in a long main part of Hold and Race', () => {
    expect(
      wrong(({ group, main, plan: { pool } }) => {
        if (group.level !== 'hold' && group.level !== 'race') return false;
        const [, ...parts] = main.items;
        const { totalS } = groupClock({ ...group, blocks: [{ ...main, items: parts }] }, pool);
        // A second part follows the first as an item of its own: of other kit, stroke, distance or shape.
        const firstIds = parts.filter((i) => i.id.includes('-mb-'));
        return totalS > 20 * 60 + 1 && firstIds.length === 0;
      }),
    ).toEqual([]);
  });

  it('moves as much of the time as the level should', () => {
    const shares = inLengths.map((seen) => {
      const [low, high] = MOVING[seen.group.level];
      const { plan, group, earlierMin } = seen;
      const share = groupClock(group, plan.pool).swimS / ((plan.minutes - earlierMin) * 60);
      return { seen, off: Math.max(low - share, share - high) };
    });
    // A slow stroke rests as much for each 100 m and swims longer: a little more of the time.
    // An hour of a usual week, in a pool in which all distances can be said: always.
    const usual = shares.filter(
      ({ seen: { request, earlierMin, group } }) =>
        request.minutes >= 60 &&
        request.week === 'normal' &&
        request.kind !== 'speed' &&
        request.pool.length === 25 &&
        earlierMin === 0 &&
        !request.groups.some((g) => g.loadLimit) &&
        (group.level !== 'build' || request.minutes < 90),
    );
    expect(usual.length).toBeGreaterThan(3);
    expect(
      usual
        .filter(
          ({ off, seen: { request } }) => off > (causeCard(request.theme).strokes[0] === 'breaststroke' ? 0.05 : 0.03),
        )
        .map(({ seen: { request, group }, off }) => [group.level, request.theme, off]),
    ).toEqual([]);
    // Short, fast and easy ones, and other pools: mostly.
    expect(shares.filter(({ off }) => off < 0.02).length / shares.length).toBeGreaterThan(0.7);
  });

  it('keeps the load of the week, or says by how much it does not', () => {
    expect(
      wrong(({ request, plan, group, notes }) => {
        const of = request.groups[plan.groups.indexOf(group)]!;
        const [low, high] = { settle: [100, 600], build: [1200, 2000], hold: [1800, 2600], race: [2400, 3600] }[
          group.level
        ] as [number, number];
        const usual = ((low + high) / 2) * (plan.minutes / 60) * 1.25 * 1.1;
        const limit = (of.loadLimit ?? usual) * { normal: 1, recovery: 0.7, taper: 0.5 }[request.week!];
        const { load } = groupTotals(group, plan.pool);
        return (
          load > limit * 1.006 &&
          !notes.some((n) => n.startsWith(group.name) && n.includes('above the limit')) &&
          load / limit
        );
      }),
    ).toEqual([]);
  });

  it('looks in the rhythm of the breath, more and less often side by side', () => {
    const cycle = (s: AnySet) =>
      s.breathing.kind === 'every' || s.breathing.kind === 'by-length'
        ? s.breathing.strokes
        : s.breathing.kind === 'to-side'
          ? 2
          : 1;
    expect(
      wrong(({ group }) => group.blocks.flatMap(sets).find((s) => s.sighting && s.sighting.every % cycle(s) !== 0)),
    ).toEqual([]);
    expect(
      wrong(({ request, main, group }) => {
        if (causeCard(request.theme).stage !== 'open-water skills' || group.level === 'settle') return false;
        const every = new Set(sets(main).flatMap((s) => s.sighting?.every ?? []));
        return !(every.has(4) && every.has(8)) && [...every];
      }),
    ).toEqual([]);
  });

  it('swims the stroke of the theme, and turns where the theme is the turn', () => {
    const breast = (theme: CauseId) => causeCard(theme).strokes[0] === 'breaststroke';
    expect(
      wrong(
        ({ request, main }) =>
          breast(request.theme) && sets(main).filter((s) => s.stroke !== 'breaststroke' && s.stroke !== 'kick').length,
      ),
    ).toEqual([]);
    expect(
      wrong(({ request, group }) => {
        if (!breast(request.theme)) return false;
        const drills = sets(group.blocks.find((b) => b.kind === 'drills')).filter((s) => s.drill);
        return drills.find((s) => s.stroke !== 'breaststroke')?.drill;
      }),
    ).toEqual([]);
    expect(
      wrong(
        ({ request, main, group }) =>
          causeCard(request.theme).stage === 'turns' &&
          group.level !== 'settle' &&
          sets(main).find((s) => swum(s) && s.lengths < 2),
      ),
    ).toEqual([]);
  });

  it('swims a drill as far as its card says, and no drill of the water on land', () => {
    expect(
      wrong(
        ({ group, plan: { pool } }) =>
          sets(group.blocks.find((b) => b.kind === 'drills')).find((s) => {
            if (!s.drill || !swum(s)) return false;
            const { dose } = drillCard(s.drill);
            if (dose.kind !== 'distance') return true;
            const metres = lengthsToMetres(pool, s.lengths);
            return metres > dose.mostM * 1.02 && !s.note.includes('then easily to the wall');
          })?.drill,
      ),
    ).toEqual([]);
    expect(wrong(({ group }) => group.blocks.find((b) => b.kind === 'land')!.items.length)).toEqual([]);
  });
});
