// What the parts of the demo have in common: ids, days and best times.
import { addDays, dayIn } from '@upwell/core/days';
import { defaultModel, type StrokeModelId } from '@upwell/core/swimmers';
import { CLUB, type Person } from './people';
import { idFor } from './random';

export const CLUB_ID = idFor('club');

export const swimmerId = (p: Person): string => idFor(`${p.given} ${p.family}`);

export function modelOf(p: Person): StrokeModelId {
  return defaultModel({
    level: p.level,
    place: p.goal ? (p.goal.open ? 'open-water' : 'pool') : null,
    goalDistanceM: p.goal?.distanceM ?? null,
    catchLadderPassed: p.level === 'race',
  });
}

/** The club's calendar day some days away. */
export const isoDay = (now: Date, inDays: number): string => addDays(dayIn(CLUB.timeZone, now), inDays);

/** Best times that follow from the 400 m time: the shape of a steady swimmer. */
export function bestTimesOf(p: Person): { distanceM: number; timeS: number }[] {
  if (p.t400S === null) return [];
  const tenth = (s: number) => Math.round(s * 10) / 10;
  return [
    { distanceM: 100, timeS: tenth((p.t400S / 4) * 0.88) },
    { distanceM: 200, timeS: tenth((p.t400S / 2) * 0.945) },
    { distanceM: 400, timeS: p.t400S },
  ];
}
