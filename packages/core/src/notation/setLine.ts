import type { IToken } from 'chevrotain';
import { isDrill, KIT_IDS, knownDrillIds, type DrillId, type KitId } from '../library';
import type { Side } from '../measures';
import {
  EASY,
  fittingLook,
  LONGEST_PAUSE_S,
  lookProblem,
  medleyProblem,
  MOST_BREATHS,
  type AnySet,
  type Breathing,
  type Sighting,
  patternProblem,
  type Timing,
} from '../sessions';
import { parseTime, lengthsOf, poolDistance, type Pool, wholeDistancesBeside } from '../units';
import type { Modifier, RestOf, SetLine } from './grammar';
import { problemAt } from './place';
import type { TextProblem } from './problem';
import { lookUp } from './canonical';
import { MINUTES_BELOW } from './habits/times';
import { suggest } from './suggest';
import { EFFORT_BY_WORD, SET_WORDS, STROKE_BY_WORD } from './words';

/** Limits of what one line may say. */
const MOST = { reps: 200, lengths: 800, seconds: 7200 } as const;

type Say = (token: IToken, message: string, instead?: string) => void;

/** The set that a line says, with every problem found in it; null when it is not even a set. */
export function setOf(
  line: SetLine,
  { id, note, usual }: { readonly id: string; readonly note: string; readonly usual?: 'pull' | 'kick' | undefined },
  pool: Pool,
  outside: boolean,
): { readonly set: AnySet | null; readonly problems: readonly TextProblem[] } {
  const problems: TextProblem[] = [];
  const say: Say = (token, message, instead) => problems.push(problemAt(token, message, 'error', instead));
  const reps = line.reps ? Number(line.reps.image) : 1;
  if (line.reps && (!Number.isInteger(reps) || reps < 1 || reps > MOST.reps))
    say(line.reps, `From 1 to ${MOST.reps} times.`);

  const f = {
    stroke: 'front-crawl' as AnySet['stroke'],
    drill: null as DrillId | null,
    effort: EASY as number,
    secondEffort: null as number | null,
    lastEffort: null as number | null,
    breathing: { kind: 'free' } as Breathing,
    sighting: null as Sighting | null,
    strokeRateSpm: null as number | null,
    timing: { kind: 'rest', seconds: 0 } as Timing,
    kit: [] as KitId[],
  };
  for (const modifier of line.modifiers) apply(modifier, f, say);
  if (!line.modifiers.some(({ kind }) => kind === 'stroke' || kind === 'drill')) {
    if (usual === 'kick') f.stroke = 'kick';
    if (usual === 'pull') f.kit = [...new Set([...f.kit, 'buoy' as const])];
  }

  const pattern = patternProblem(f.stroke, f.breathing);
  const breathe = line.modifiers.find((m) => m.kind === 'breathe' || m.kind === 'breaths');
  if (pattern && breathe) say(breathe.token, pattern);

  const look = line.modifiers.find((m) => m.kind === 'look');
  const unfit = f.sighting && lookProblem(f.breathing, f.sighting);
  if (unfit && look)
    problems.push(problemAt(look.value, unfit, 'warning', String(fittingLook(f.breathing, f.sighting!.every))));

  const { secondEffort, lastEffort, ...rest } = f;
  const fields = { id, reps, ...rest, note };
  const inSeconds = line.unit?.tokenType.name === 'Unit' && line.unit.image.toLowerCase() === 's';
  const isTimed = inSeconds || line.unit?.tokenType.name === 'Minutes';
  if (isTimed || line.extent.tokenType.name === 'Time') {
    const seconds = line.extent.image.includes(':')
      ? parseTime(line.extent.image)
      : Number(line.extent.image) * (inSeconds ? 1 : 60);
    if (seconds === null || seconds <= 0 || seconds > MOST.seconds || seconds % 1 !== 0) {
      say(line.extent, 'Minutes are needed here, like 5 min or 2:30 min.');
      return { set: null, problems };
    }
    return { set: { kind: 'timed', ...fields, seconds }, problems };
  }
  const lengths = lengthsSaid(line, pool, outside, say);
  if (lengths === null) return { set: null, problems };
  const set: AnySet =
    lastEffort !== null
      ? { kind: 'descend', ...fields, lengths, lastEffort }
      : secondEffort !== null
        ? { kind: 'halves', ...fields, lengths, secondEffort }
        : { kind: 'swim', ...fields, lengths };
  const medley = medleyProblem(set, pool);
  const stroke = line.modifiers.find((m) => m.kind === 'stroke');
  if (medley && stroke) problems.push(problemAt(stroke.token, medley, 'warning'));
  return { set, problems };
}

/** Whole or half lengths of a distance, or null when it fits neither. */
function lengthsSaid({ extent, unit }: SetLine, pool: Pool, outside: boolean, say: Say): number | null {
  const value = Number(extent.image);
  if (unit?.tokenType.name === 'Unit' && unit.image.toLowerCase() !== pool.unit) {
    say(unit, `This session is in ${pool.unit === 'm' ? 'metres' : 'yards'}.`, pool.unit);
    return null;
  }
  const inLengths = unit?.tokenType.name === 'Lengths';
  const loops = unit?.tokenType.name === 'Loops';
  if (loops && !outside) say(unit, 'Loops are for open water. Say “loop: 400 m” first, or write metres.');
  const counted = value > 0 && value % 0.5 === 0 ? value : null;
  const lengths = loops || inLengths ? counted : lengthsOf(pool, value);
  if (lengths !== null && lengths <= MOST.lengths) return lengths;
  const near = wholeDistancesBeside(pool, value);
  say(
    extent,
    value > MOST.lengths * pool.length
      ? 'This is too far for one swim.'
      : `${value} is not whole lengths of a ${poolDistance(pool, 1)} ${pool.unit} ${outside ? 'loop' : 'pool'}: ${near.join(' or ')}?`,
    String(near[0]),
  );
  return null;
}

/** Seconds of a rest as it is written; “2 min” is minutes. */
function restOf({ value, unit }: RestOf): number | null {
  const minutes = unit?.tokenType.name === 'Minutes' && !value.image.includes(':');
  return minutes ? Number(value.image) * 60 : parseTime(value.image);
}

/** Seconds of a pause on a line of its own, or null when they make no sense: a small bare number is minutes. */
export function pauseSeconds(rest: RestOf): number | null {
  const { value, unit } = rest;
  const bare = !unit && !value.image.includes(':') && Number(value.image) < MINUTES_BELOW;
  const seconds = bare ? Number(value.image) * 60 : restOf(rest);
  return seconds !== null && seconds >= 1 && seconds <= LONGEST_PAUSE_S && seconds % 1 === 0 ? seconds : null;
}

interface Fields {
  stroke: AnySet['stroke'];
  drill: DrillId | null;
  effort: number;
  secondEffort: number | null;
  lastEffort: number | null;
  breathing: Breathing;
  sighting: Sighting | null;
  strokeRateSpm: number | null;
  timing: Timing;
  kit: KitId[];
}

function apply(modifier: Modifier, f: Fields, say: Say): void {
  switch (modifier.kind) {
    case 'effort':
      f.effort = effortOf(modifier.token, say);
      return;
    case 'halves':
      f.effort = effortOf(modifier.first, say);
      f.secondEffort = effortOf(modifier.second, say);
      return;
    case 'descend':
      f.effort = effortOf(modifier.first, say);
      f.lastEffort = effortOf(modifier.second, say);
      return;
    case 'stroke': {
      const image = modifier.token.image.toLowerCase();
      f.stroke = lookUp(STROKE_BY_WORD, image)!;
      if (image === 'pull') f.kit = [...new Set([...f.kit, 'buoy' as const])];
      return;
    }
    case 'drill':
      f.drill = drillNamed(modifier.token.image) ?? known(modifier.token, knownDrillIds(), 'drill', say) ?? f.drill;
      return;
    case 'word':
      word(modifier.token, f, say);
      return;
    case 'breathe':
      f.breathing = breathingOf(modifier, say);
      return;
    case 'breaths': {
      const [first = NaN, last = first] = modifier.value.image.split('..').map(Number);
      if (![first, last].every((n) => Number.isInteger(n) && n >= 0 && n <= MOST_BREATHS))
        say(modifier.value, 'Breaths in a length, like 4 or 6..3; or in a rep, like 5..2 a rep.');
      else f.breathing = { kind: 'limited', first, last, ...(modifier.perRep ? { per: 'rep' as const } : {}) };
      return;
    }
    case 'look': {
      const every = inRange(modifier.value, 2, 60, 'Strokes between looks', say);
      f.sighting = { every, forBreath: modifier.forBreath };
      return;
    }
    case 'rate':
      f.strokeRateSpm = inRange(modifier.value, 20, 140, 'Strokes a minute', say, false);
      return;
    case 'rest':
    case 'on': {
      const seconds = modifier.kind === 'rest' ? restOf(modifier) : parseTime(modifier.value.image);
      if (seconds === null || seconds > MOST.seconds || (modifier.kind === 'on' && seconds < 1)) {
        say(modifier.value, 'Seconds or minutes are needed, like 20 or 1:30.');
        return;
      }
      f.timing = { kind: modifier.kind === 'on' ? 'send-off' : 'rest', seconds };
      return;
    }
    case 'with':
      f.kit = [
        ...new Set([
          ...modifier.things.flatMap((token) => known(token, KIT_IDS, 'thing to bring', say) ?? []),
          ...f.kit,
        ]),
      ];
  }
}

/** A word by itself: a drill without its key, a thing without “with”, or a slip. */
function word(token: IToken, f: Fields, say: Say): void {
  const text = token.image.toLowerCase();
  const drill = drillNamed(text);
  if (drill) f.drill = drill;
  else if ((KIT_IDS as readonly string[]).includes(text)) f.kit = [...f.kit, text as KitId];
  else {
    const near = suggest(text, [...SET_WORDS, ...knownDrillIds(), ...KIT_IDS]);
    say(token, `“${token.image}” is not known here.${near ? ` Did you mean “${near}”?` : ''}`, near ?? undefined);
  }
}

/** The drill of this id; the club's own also without the `own-` in front. */
function drillNamed(word: string): DrillId | null {
  const text = word.toLowerCase();
  return isDrill(text) ? text : (knownDrillIds().find((id) => id === `own-${text}`) ?? null);
}

function known<T extends string>(token: IToken, list: readonly T[], what: string, say: Say): T | null {
  const text = token.image.toLowerCase();
  const found = list.find((id) => id === text);
  if (found) return found;
  const near = suggest(text, list);
  say(token, `“${token.image}” is not a ${what}.${near ? ` Did you mean “${near}”?` : ''}`, near ?? undefined);
  return null;
}

function effortOf(token: IToken, say: Say): number {
  const word = lookUp(EFFORT_BY_WORD, token.image);
  if (word !== undefined) return word;
  const percent = Number.parseFloat(token.image);
  // In tenths of a percent, so that 53.3 % is read as the number it was written from.
  if (percent >= 30 && percent <= 100) return Math.round(percent * 10) / 1000;
  say(token, 'Effort is from 30 to 100 %.');
  return EASY;
}

function breathingOf(modifier: Extract<Modifier, { kind: 'breathe' }>, say: Say): Breathing {
  const side: Side = (modifier.side?.image.toLowerCase() as Side | undefined) ?? 'right';
  if (!modifier.strokes) return { kind: 'to-side', side };
  const strokes = inRange(modifier.strokes, 1, 20, 'Strokes between breaths', say);
  return { kind: modifier.byLength ? 'by-length' : 'every', strokes, side };
}

function inRange(token: IToken, min: number, max: number, what: string, say: Say, whole = true): number {
  const value = Number(token.image);
  if (value >= min && value <= max && (!whole || Number.isInteger(value))) return value;
  say(token, `${what}: ${whole ? 'a whole number ' : ''}from ${min} to ${max}.`);
  return min;
}
