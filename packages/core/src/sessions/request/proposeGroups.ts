import type { DrillId, LadderId } from '../../library';
import { raceTime, type Trial } from '../../measures';
import type { CauseId } from '../../review';
import { type HealthFlag, levelCard, type LevelId, LEVELS, type StrokeModelId } from '../../swimmers';
import { byFrequency } from './frequency';
import { type PastLoad, sessionLoadLimit } from '../load/loadLimit';
import type { GroupRequest } from './model';
import { groupShares, ownShares, type StrokeTime } from './ownShares';
import { needsOf, type ThemeServes } from './serves';

/** What a swimmer brings to a session. */
export interface Attendee {
  readonly level: LevelId;
  readonly model: StrokeModelId;
  readonly bestTimes: readonly Trial[];
  /** Best times in other strokes; none when left out. */
  readonly strokeTimes?: readonly StrokeTime[];
  readonly focus: CauseId | null;
  /** Theme of the swimmer's own plan in the week of the session; null without a plan. */
  readonly planTheme?: CauseId | null;
  readonly healthFlags: readonly HealthFlag[];
  /** Steps passed on each ladder that is kept. */
  readonly ladderSteps?: Readonly<Partial<Record<LadderId, number>>>;
}

/** What a level did before. */
export interface LevelHistory {
  readonly knownDrills: readonly DrillId[];
  /** Loads of each squad by itself: a swimmer trains with one. */
  readonly loadsBySquad: readonly (readonly PastLoad[])[];
}

/** Swimmers one lane holds by default. */
const PER_LANE = 6;

/**
 * Groups for the builder out of the people who come: one per level, with the pace of its slower
 * half, the open focuses, the drills it knows, what its health flags rule out and the load left.
 */
export function proposeGroups(
  attendees: readonly Attendee[],
  history: Readonly<Partial<Record<LevelId, LevelHistory>>>,
): GroupRequest[] {
  return LEVELS.flatMap((level): GroupRequest[] => {
    const here = attendees.filter((c) => c.level === level);
    if (here.length === 0) return [];
    const speeds = here.flatMap((c) => speedOver400(c.bestTimes) ?? []).sort((a, b) => a - b);
    return [
      {
        level,
        name: levelCard(level).name,
        swimmers: here.length,
        lanes: Math.ceil(here.length / PER_LANE),
        // A clock that the slower half can keep: the lower quartile.
        v400Mps: speeds.length > 0 ? speeds[Math.floor((speeds.length - 1) / 4)]! : null,
        strokeShares: groupShares(here.map((c) => ownShares(c.strokeTimes ?? [], c.bestTimes))),
        model: mostCommon(here.map((c) => c.model)),
        focuses: here.flatMap(needsOf),
        healthFlags: [...new Set(here.flatMap((c) => c.healthFlags))],
        knownDrills: history[level]?.knownDrills ?? [],
        // A beginner without a noted confidence step has not begun.
        ladderSteps:
          level === 'settle'
            ? { ...leastSteps(here), confidence: Math.min(...here.map((c) => c.ladderSteps?.confidence ?? 0)) }
            : leastSteps(here),
        loadLimit: tightest(history[level]?.loadsBySquad ?? []),
      },
    ];
  });
}

/** Themes by how many of the swimmers they serve, by focus or by plan, the most useful first. */
export function proposeThemes(attendees: readonly Pick<Attendee, 'focus' | 'planTheme'>[]): ThemeServes[] {
  const needs = attendees.flatMap(needsOf);
  return byFrequency(needs).map((cause) => ({ cause, swimmers: needs.filter((f) => f === cause).length }));
}

/** Speed over 400 m: swum, or predicted from the nearest swims; null without any. */
export function speedOver400(bestTimes: readonly Trial[]): number | null {
  const swum = bestTimes.find((t) => t.distanceM === 400);
  if (swum) return 400 / swum.timeS;
  // Sprints say nothing about 400 m.
  const usable = bestTimes.filter((t) => t.distanceM >= 100);
  if (usable.length === 0) return null;
  try {
    return 400 / raceTime(usable, 400).timeS;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** For each ladder in use, the steps that all of its swimmers have passed. */
function leastSteps(attendees: readonly Attendee[]): Partial<Record<LadderId, number>> {
  const least: Partial<Record<LadderId, number>> = {};
  for (const { ladderSteps = {} } of attendees) {
    for (const [ladder, steps] of Object.entries(ladderSteps) as [LadderId, number][]) {
      least[ladder] = Math.min(least[ladder] ?? Infinity, steps);
    }
  }
  return least;
}

/** The smallest limit among the squads that have enough records, or null. */
function tightest(loadsBySquad: readonly (readonly PastLoad[])[]): number | null {
  const limits = loadsBySquad.flatMap((loads) => sessionLoadLimit(loads) ?? []);
  return limits.length > 0 ? Math.min(...limits) : null;
}

function mostCommon<T>(values: readonly T[]): T {
  const counts = new Map<T, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].reduce((best, entry) => (entry[1] > best[1] ? entry : best))[0];
}
