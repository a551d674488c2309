// The hired water of a week beside what is planned in it: which hours still have nothing.
import { addDays, weekdayOf } from '../days';

/** Hired water of a squad: when in the week, and how long. */
export interface HiredHour {
  /** 1 is Monday, 7 Sunday. */
  readonly weekday: number;
  readonly startTime: string;
  readonly minutes: number;
}

/** A squad with its hired water. */
export interface WeekSquad {
  readonly id: string;
  readonly poolTimes: readonly HiredHour[];
}

/** A session as far as its place in the week goes. */
export interface WeekSession {
  readonly id: string;
  readonly date: string;
  readonly startTime: string;
  readonly minutes: number;
  readonly squadIds: readonly string[];
}

/** One hired hour on its day, with the session that is swum in it. */
export interface WeekHour<S extends WeekSession> {
  readonly day: string;
  readonly startTime: string;
  readonly minutes: number;
  /** Null while nothing is planned. */
  readonly session: S | null;
}

/** A squad's week: its hired hours, and sessions at other hours. */
export interface SquadHours<S extends WeekSession> {
  readonly squadId: string;
  readonly hours: readonly WeekHour<S>[];
  /** Planned for the squad, though it has hired no water then. */
  readonly others: readonly S[];
}

const minuteOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/**
 * What is planned in each hired hour of a week, squad by squad, in the order of time. A session fills an hour of its
 * squads when the two overlap; the one that begins nearest to it, where there are two.
 *
 * @param monday the first day of the week, ISO date
 * @example poolWeek([{ id: 'a', poolTimes: [{ weekday: 2, startTime: '19:00', minutes: 60 }] }], [], '2026-11-30')[0].hours[0]
 * // { day: '2026-12-01', startTime: '19:00', minutes: 60, session: null }
 */
export function poolWeek<S extends WeekSession>(
  squads: readonly WeekSquad[],
  sessions: readonly S[],
  monday: string,
): SquadHours<S>[] {
  const sunday = addDays(monday, 6);
  return squads.map(({ id, poolTimes }) => {
    const left = new Set(sessions.filter((s) => s.squadIds.includes(id) && s.date >= monday && s.date <= sunday));
    const hours = [...poolTimes]
      .sort((a, b) => a.weekday - b.weekday || minuteOf(a.startTime) - minuteOf(b.startTime))
      .map(({ weekday, startTime, minutes }) => {
        const from = minuteOf(startTime);
        const away = (s: S) => Math.abs(minuteOf(s.startTime) - from);
        const session =
          [...left]
            .filter((s) => weekdayOf(s.date) === weekday)
            .filter((s) => minuteOf(s.startTime) < from + minutes && from < minuteOf(s.startTime) + s.minutes)
            .sort((a, b) => away(a) - away(b))[0] ?? null;
        if (session) left.delete(session);
        return { day: addDays(monday, weekday - 1), startTime, minutes, session };
      });
    const others = [...left].sort((a, b) => a.date.localeCompare(b.date) || a.startTime.localeCompare(b.startTime));
    return { squadId: id, hours, others };
  });
}
