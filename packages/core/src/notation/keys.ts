import { isDrill, knownDrillIds } from '../library';
import { CAUSE_IDS, type CauseId } from '../review';
import { LOOP_LENGTH, SESSION_KINDS, type GroupPlan, type SessionKind, type StrokeShares } from '../sessions';
import { levelCard, LEVELS, STROKE_MODELS, type StrokeModelId } from '../swimmers';
import { POOL_LENGTH, type Pool, type PoolUnit } from '../units';
import { suggest } from './suggest';
import { STROKE_BY_WORD, type Key } from './words';

/** What the lines with a key say of the whole session. */
export interface Facts {
  title: string;
  date: string | null;
  startTime: string | null;
  theme: CauseId | null;
  kind: SessionKind;
  place: 'pool' | 'open-water';
  pool: Pool | null;
  minutes: number | null;
  seed: number;
}

type Written = Omit<GroupPlan, 'id' | 'blocks'>;
export type GroupFacts = { -readonly [K in keyof Written]: Written[K] };

/** Reads the value of a key into the facts; says what is wrong with it, or nothing. */
export type ReadKey = (value: string, facts: Facts, group: GroupFacts) => string | null;

const DAY = /^(\d{4}-\d{2}-\d{2})?\s*(\d{2}:\d{2})?$/;

const wholeNumber = (text: string, min: number, max: number): number | null => {
  const value = Number(text);
  return /^\d+(\.\d+)?$/.test(text) && value >= min && value <= max ? value : null;
};

/** What may be said of a pool behind its length. */
const POOL_FACTS: Readonly<Record<string, Partial<Pool>>> = {
  'standing depth': { standingDepth: true },
  'no standing depth': { standingDepth: false },
  'level edge': { edge: 'level' },
  'raised edge': { edge: 'raised' },
};

/** `25 m`, `33⅓ m`, `25 yd, standing depth, raised edge`. */
function readLength(value: string): Pool | null {
  const [length = '', ...facts] = value.split(',').map((part) => part.trim());
  const match = /^(\d{1,5}(?:\.\d+)?)\s*([⅓⅔])?\s*(m|yd)?$/.exec(length);
  if (!match || facts.some((fact) => !(fact in POOL_FACTS))) return null;
  const thirds = match[2] === '⅓' ? 1 : match[2] === '⅔' ? 2 : 0;
  return Object.assign(
    {
      length: thirds === 0 ? Number(match[1]) : (Number(match[1]) * 3 + thirds) / 3,
      unit: (match[3] ?? 'm') as PoolUnit,
    },
    ...facts.map((fact) => POOL_FACTS[fact]),
  ) as Pool;
}

const oneOf = (value: string, known: readonly string[], what: string): string | null => {
  if (known.includes(value)) return null;
  const near = suggest(value, known);
  return `“${value}” is not a ${what}.${near ? ` Did you mean “${near}”?` : ` There are ${known.slice(0, 6).join(', ')}${known.length > 6 ? ' and more' : ''}.`}`;
};

/** A key that holds one of a list. */
const chosen =
  (known: readonly string[], what: string, put: (value: string, facts: Facts, group: GroupFacts) => void): ReadKey =>
  (value, facts, group) => {
    const wrong = oneOf(value, known, what);
    if (wrong === null) put(value, facts, group);
    return wrong;
  };

const lengthKey =
  (place: Facts['place'], { min, max }: { readonly min: number; readonly max: number }): ReadKey =>
  (value, facts) => {
    const pool = readLength(value);
    const name = place === 'pool' ? 'pool' : 'loop';
    if (!pool)
      return `A length is needed, like “${name}: ${place === 'pool' ? '25 m, standing depth, level edge' : '400 m'}”.`;
    if (place === 'open-water' && Object.keys(pool).length > 2) return 'A loop has a length and nothing else.';
    if (pool.length < min || pool.length > max) return `A ${name} is between ${min} and ${max} long.`;
    facts.place = place;
    facts.pool = pool;
    return null;
  };

export const READ_KEY: Readonly<Record<Key, ReadKey>> = {
  when: (value, facts) => {
    if (/^\d{1,2}\/\d{1,2}\/\d{4}\b/.test(value))
      return `Which number of ${value.split(' ')[0]!} is the month? Write the day like 2027-06-21.`;
    const match = DAY.exec(value);
    if (!match || (!match[1] && !match[2])) return 'A day and a time are needed, like “when: 2027-06-21 19:00”.';
    const day = match[1] ? new Date(`${match[1]}T00:00:00Z`) : null;
    if (day && !(Number.isFinite(day.getTime()) && day.toISOString().startsWith(match[1]!)))
      return `There is no ${match[1]}.`;
    facts.date = match[1] ?? null;
    facts.startTime = match[2] ?? null;
    return null;
  },
  theme: chosen(CAUSE_IDS, 'theme', (value, facts) => (facts.theme = value as CauseId)),
  kind: chosen(SESSION_KINDS, 'kind of session', (value, facts) => (facts.kind = value as SessionKind)),
  pool: lengthKey('pool', POOL_LENGTH),
  loop: lengthKey('open-water', LOOP_LENGTH),
  minutes: (value, facts) => {
    facts.minutes = wholeNumber(value, 1, 360);
    return facts.minutes === null ? 'Minutes from 1 to 360 are needed.' : null;
  },
  seed: (value, facts) => {
    const seed = wholeNumber(value, 0, 2 ** 31 - 1);
    if (seed === null || seed % 1 !== 0) return 'A whole number is needed.';
    facts.seed = seed;
    return null;
  },
  level: (value, _facts, group) => {
    // By the name that the club gave it, too.
    const id = LEVELS.find((l) => l === value || levelCard(l).name.toLowerCase() === value.toLowerCase());
    if (id === undefined) return oneOf(value, LEVELS, 'level');
    group.level = id;
    return null;
  },
  model: chosen(STROKE_MODELS, 'stroke model', (value, _facts, group) => (group.model = value as StrokeModelId)),
  who: (value, _facts, group) => {
    const match = /^(\d{1,3})\s*swimmers?(?:\s*in\s*(\d{1,2})\s*lanes?)?$/.exec(value);
    if (!match) return 'Write it like “who: 8 swimmers in 2 lanes”.';
    group.swimmers = Number(match[1]);
    group.lanes = Math.max(1, Number(match[2] ?? 1));
    return null;
  },
  pace: (value, _facts, group) => {
    const match = /^(\d(?:\.\d+)?)\s*m\/s(\s*guess)?(?:\s*,\s*(\d(?:\.\d+)?)\s*m a stroke)?$/.exec(value);
    const speed = Number(match?.[1]);
    const stroke = match?.[3] === undefined ? null : Number(match[3]);
    if (!match || !(speed >= 0.1 && speed <= 2.6) || (stroke !== null && !(stroke >= 0.2 && stroke <= 3)))
      return 'Write it like “pace: 1.02 m/s, 0.9 m a stroke”, from 0.1 to 2.6 m/s.';
    group.v400Mps = speed;
    group.paceIsGuess = Boolean(match[2]);
    if (stroke !== null) group.strokeLengthM = stroke;
    return null;
  },
  paces: (value, _facts, group) => {
    const points = value.split(',').map((part) => /^(\d+(?:\.\d+)?)%\s*(\d(?:\.\d+)?)$/.exec(part.trim()));
    const table = points.map((p) => ({ effort: Math.round(Number(p?.[1]) * 10) / 1000, share: Number(p?.[2]) }));
    const rising = table.every((p, i) => i === 0 || p.effort > table[i - 1]!.effort);
    if (points.some((p) => p === null) || !rising || table.some((p) => p.effort > 1 || !(p.share > 0.1)))
      return 'Write it like “paces: 60% 0.84, 80% 0.93”, in rising effort.';
    group.paceTable = table;
    return null;
  },
  strokes: (value, _facts, group) => {
    const shares = value.split(',').map((part) => /^([a-z]+)\s+(\d(?:\.\d+)?)$/i.exec(part.trim()));
    const known = shares.map((s) => [STROKE_BY_WORD[s?.[1]?.toLowerCase() ?? ''], Number(s?.[2])] as const);
    if (known.some(([stroke, share]) => !stroke || stroke === 'front-crawl' || !(share >= 0.2 && share <= 1.6)))
      return 'Write it like “strokes: backstroke 0.88, breaststroke 0.75”, as a share of crawl.';
    group.strokeShares = Object.fromEntries(known) as StrokeShares;
    return null;
  },
  knows: (value, _facts, group) => {
    const ids = value.split(',').map((part) => part.trim());
    const wrong = ids.map((id) => (isDrill(id) ? null : oneOf(id, knownDrillIds(), 'drill'))).find((text) => text);
    if (wrong) return wrong;
    group.knownDrills = ids as GroupFacts['knownDrills'];
    return null;
  },
  lifeguard: (value, _facts, group) => {
    const match = /^"([^"]{0,80})"(\s*,\s*rules told)?(\s*,\s*minors agreed)?$/.exec(value);
    if (!match) return 'Write it like “lifeguard: "Mo Bekk", rules told”.';
    group.breathRecord = {
      lifeguard: match[1]!,
      rulesTold: match[2] !== undefined,
      minorsAgreed: match[3] !== undefined,
    };
    return null;
  },
};
