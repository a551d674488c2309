// A set in a few words.
import { drillCard } from '../../library';
import { formatTime, poolDistance, type Pool } from '../../units';
import type { AnySet, Breathing, Pause, SessionPlace, SessionPlan, Sighting, SwimStroke, Timing } from './model';
import { isPull } from './strokePace';
import { counted, percent } from '../../words';

export const STROKE_WORD: Readonly<Record<SwimStroke, string>> = {
  'front-crawl': 'crawl',
  backstroke: 'backstroke',
  breaststroke: 'breaststroke',
  butterfly: 'butterfly',
  medley: 'medley',
  kick: 'kick',
  choice: 'choice',
};

/**
 * An effort in words, with the number for those who like it.
 *
 * @example effortWord(0.8) // 'steady 80 %'
 */
export function effortWord(effort: number): string {
  const share = percent(effort);
  if (effort <= 0.62) return 'easy';
  if (effort <= 0.75) return `relaxed ${share}`;
  if (effort <= 0.85) return `steady ${share}`;
  if (effort <= 0.94) return `strong ${share}`;
  return 'all-out';
}

/** The effort of a set in words; both halves, or the first and the last rep, when they differ. */
export function setEffortWord(set: AnySet): string {
  if (set.kind === 'halves') return `half ${effortWord(set.effort)}, half ${effortWord(set.secondEffort)}`;
  if (set.kind === 'descend') return `each faster, ${effortWord(set.effort)} to ${effortWord(set.lastEffort)}`;
  return effortWord(set.effort);
}

/** A distance of some lengths in the pool's unit. @example distanceWord({ length: 25, unit: 'yd' }, 2) // '50 yd' */
export function distanceWord(pool: Pool, lengths: number): string {
  return `${poolDistance(pool, lengths)} ${pool.unit}`;
}

/** Where a session is swum. @example placeWord(plan) // '25 m pool' */
export function placeWord({ pool, place }: Pick<SessionPlan, 'pool' | 'place'>): string {
  const length = Math.round(pool.length * 100) / 100;
  return place === 'pool' ? `${length} ${pool.unit} pool` : `loop of ${length} ${pool.unit}`;
}

/** What is swum: the drill, or the stroke; crawl with a pull buoy is pull. */
export function whatWord(set: Pick<AnySet, 'drill' | 'stroke' | 'kit'>): string {
  if (set.drill) return drillCard(set.drill).name.toLowerCase();
  return isPull(set) ? 'pull' : STROKE_WORD[set.stroke];
}

/** A pause in words, as in the notation. @example pauseWord({ kind: 'pause', id: 'p', seconds: 120, note: '' }) // 'rest 2 min' */
export function pauseWord({ seconds }: Pause): string {
  if (seconds % 60 === 0) return `rest ${seconds / 60} min`;
  return seconds < 60 ? `rest ${seconds} s` : `rest ${formatTime(seconds)}`;
}

/** How a set is breathed, as said on deck; nothing when it is free. */
export function breathingWord(breathing: Breathing): string {
  switch (breathing.kind) {
    case 'free':
      return '';
    case 'every':
      return `breathe every ${breathing.strokes}${breathing.strokes % 2 === 0 ? ` ${breathing.side}` : ''}`;
    case 'to-side':
      return `breathe ${breathing.side}`;
    case 'by-length':
      return `breathe every ${breathing.strokes}, change side each length, ${breathing.side} first`;
    case 'limited':
      return breathing.first === breathing.last
        ? `${counted(breathing.first, 'breath')} a ${breathing.per ?? 'length'}`
        : `${breathing.first} breaths a ${breathing.per ?? 'length'}, stepping to ${breathing.last}`;
  }
}

export function sightingWord(sighting: Sighting | null): string {
  if (!sighting) return '';
  return `look each ${sighting.every}${sighting.forBreath ? ' in place of a breath' : ''}`;
}

export function timingWord(timing: Timing): string {
  return timing.kind === 'rest' ? `rest ${timing.seconds} s` : `leave every ${formatTime(timing.seconds)}`;
}

/**
 * A set in one line, as on a whiteboard.
 *
 * @param most characters that have room; the name of a drill that does not fit becomes “drill”
 * @example describeSet(set, pool) // '4 × 50 six, one, six'
 */
export function describeSet(set: AnySet, pool: Pool, place: SessionPlace = 'pool', most = Infinity): string {
  const line = (what: string) => `${set.reps > 1 ? `${set.reps} × ` : ''}${repWord(set, pool, place)} ${what}`;
  const whole = line(whatWord(set));
  return set.drill && whole.length > most ? line('drill') : whole;
}

function repWord(set: AnySet, pool: Pool, place: SessionPlace): string {
  if (set.kind === 'timed')
    return set.seconds < 60
      ? `${set.seconds} s`
      : `${set.seconds % 60 === 0 ? set.seconds / 60 : formatTime(set.seconds)} min`;
  if (place === 'pool') return String(poolDistance(pool, set.lengths));
  return `${set.lengths === 0.5 ? '½' : set.lengths} ${set.lengths > 1 ? 'loops' : 'loop'}`;
}

/** How a set is swum: effort or the cue of its drill, breathing, looks, rate. @example setHow(set) // ['steady 80 %', 'breathe every 3'] */
export function setHow(set: AnySet): string[] {
  const drill = set.drill ? drillCard(set.drill) : null;
  return [
    drill ? `“${drill.cue}”` : setEffortWord(set),
    breathingWord(set.breathing),
    sightingWord(set.sighting),
    set.strokeRateSpm ? `rate ${set.strokeRateSpm}` : '',
  ].filter(Boolean);
}

/** How a set is swum, with its rest and its note, as said on deck. @example setDetails(set) // ['steady 80 %', 'rest 15 s'] */
export const setDetails = (set: AnySet): string[] =>
  [...setHow(set), set.timing.seconds > 0 ? timingWord(set.timing) : '', set.note].filter(Boolean);
