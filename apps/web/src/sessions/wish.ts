import type { SessionProposal } from '@upwell/contract/sessions';
import type { PoolTime } from '@upwell/contract/swimmers';
import { dayMs } from '@upwell/core/days';
import type { KitId } from '@upwell/core/library';
import type { CauseId } from '@upwell/core/review';
import {
  FIRST_THEME,
  type Block,
  type BuildRequest,
  type SessionKind,
  type SessionPlace,
  type WeekKind,
} from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import { type Pool, POOL_LENGTH, usualPools, type PoolUnit, type UsualPool } from '@upwell/core/units';
import { v7, validate } from 'uuid';

/** What the coach wants of a new session; kept on the device until it is stored. */
export interface Wish {
  readonly id: string;
  readonly date: string;
  readonly startTime: string;
  readonly minutes: number;
  readonly squadIds: readonly string[];
  readonly kind: SessionKind;
  /** Null takes what serves most swimmers. */
  readonly theme: CauseId | null;
  readonly pool: PoolChoice;
  readonly otherLength: string;
  readonly otherUnit: Pool['unit'];
  /** What was said of the pool besides its length. */
  readonly poolFacts?: Pick<Pool, 'standingDepth' | 'edge'>;
  /** Pool, or a loop outside of `loopM` metres. */
  readonly place: SessionPlace;
  readonly loopM: number;
  /** The course whose lap is the loop; null for one that nobody drew. */
  readonly courseId: string | null;
  readonly week: WeekKind;
  readonly leftOut: readonly LevelId[];
  /** Lengths asked of a level; without it the level's own band. */
  readonly lengths: Readonly<Partial<Record<LevelId, number>>>;
  /** Blocks that stay as they are, by level. */
  readonly locked: Readonly<Partial<Record<LevelId, readonly Block[]>>>;
  readonly seed: number;
  /** What lies at the pool tonight; null or left out takes what the club owns. */
  readonly kit?: readonly KitId[] | null;
  /** Whether the hour is filled even where that is more than the load of the week. */
  readonly fillHour?: boolean;
}

/** One of the usual pools, or one whose length is typed. */
export type PoolChoice = UsualPool | 'other';

export function newWish(date: string, unit: PoolUnit): Wish {
  return {
    id: v7(),
    date,
    startTime: '19:00',
    minutes: 60,
    squadIds: [],
    kind: 'aerobic',
    theme: null,
    pool: usualPools(unit)[0],
    otherLength: '33.33',
    otherUnit: unit,
    place: 'pool',
    loopM: 400,
    courseId: null,
    week: 'normal',
    leftOut: [],
    lengths: {},
    locked: {},
    seed: 1,
  };
}

/** The hired hour that an address asks a session for; null where it asks for none, or for what is no hour. */
export function hourOf({ date, start, squad }: Readonly<Record<string, unknown>>): Hour | null {
  const fits =
    typeof date === 'string' &&
    /^\d{4}-\d\d-\d\d$/.test(date) &&
    Number.isFinite(dayMs(date)) &&
    typeof start === 'string' &&
    /^([01]\d|2[0-3]):[0-5]\d$/.test(start) &&
    typeof squad === 'string' &&
    validate(squad);
  return fits ? { date, startTime: start, squadIds: [squad] } : null;
}

export type Hour = Pick<Wish, 'date' | 'startTime' | 'squadIds'>;

/** What a hired hour settles of a session: when, how long and in which pool. */
export function wishAt(
  { startTime, minutes, pool: { length, unit, ...poolFacts } }: PoolTime,
  pools: readonly UsualPool[],
) {
  const usual = pools.find((p) => p === `${length} ${unit}`);
  const pool = usual ? { pool: usual } : ({ pool: 'other', otherLength: String(length), otherUnit: unit } as const);
  return { startTime, minutes, place: 'pool', poolFacts, ...pool } as const;
}

/** The pool that is wished for, or what is wrong with it. */
export function poolOf(wish: Wish): Pool | string {
  if (wish.place === 'open-water') return { length: wish.loopM, unit: 'm' };
  if (wish.pool !== 'other') {
    const [length, unit] = wish.pool.split(' ') as [string, Pool['unit']];
    return { length: Number(length), unit, ...wish.poolFacts };
  }
  const length = Number(wish.otherLength.replace(',', '.'));
  if (!(length >= POOL_LENGTH.min && length <= POOL_LENGTH.max)) {
    return `A pool is between ${POOL_LENGTH.min} and ${POOL_LENGTH.max} long.`;
  }
  // 33.3 and 33.33 are how people write 33⅓.
  const third = Math.round(length * 3) / 3;
  return { length: Math.abs(length - third) < 0.04 ? third : length, unit: wish.otherUnit, ...wish.poolFacts };
}

/** The request for the builder, or what is missing. */
export function requestOf(wish: Wish, proposal: SessionProposal): BuildRequest | string {
  const pool = poolOf(wish);
  if (typeof pool === 'string') return pool;
  const groups = proposal.groups
    .filter((g) => !wish.leftOut.includes(g.level))
    .map((g) => ({ ...g, lengths: wish.lengths[g.level] ?? g.lengths ?? null, locked: wish.locked[g.level] ?? [] }));
  if (groups.length === 0)
    return proposal.swimmers === 0 ? 'Nobody trains in these squads yet.' : 'Choose at least one level.';
  return {
    kind: wish.kind,
    theme: wish.theme ?? proposal.themes[0]?.cause ?? FIRST_THEME,
    minutes: wish.minutes,
    place: wish.place,
    week: wish.week,
    pool,
    kit: wish.kit ?? proposal.kit,
    fillHour: wish.fillHour ?? false,
    seed: wish.seed,
    groups,
  };
}
