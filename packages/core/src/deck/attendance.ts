// How often a swimmer came, month by month, and whether somebody should ask after them.
import type { Attendance } from './model';

/** A session that somebody came to or missed. */
export interface Attended {
  /** ISO date. */
  readonly on: string;
  readonly as: Attendance;
}

export interface AttendanceMonth {
  /** The first of the month, ISO date. */
  readonly month: string;
  readonly there: number;
  /** Sessions at which heads were counted. */
  readonly counted: number;
}

export interface AttendanceSeason {
  /** The last twelve months up to this one, the earliest first; those before the first session are left out. */
  readonly months: readonly AttendanceMonth[];
  readonly there: number;
  readonly counted: number;
  /** Sessions missed one after the other up to the last one counted. */
  readonly missed: number;
}

/** Months of a season that are looked back on. */
const MONTHS = 12;
/** As many sessions missed one after the other are worth a question. */
export const MISSED_TO_ASK = 3;

/**
 * How often somebody came in the last twelve months.
 *
 * @param today ISO date
 * @example attendanceOf([{ on: '2026-11-24', as: 'in' }], '2026-11-29') // { months: [{ month: '2026-11-01', there: 1, counted: 1 }], there: 1, counted: 1, missed: 0 }
 */
export function attendanceOf(attended: readonly Attended[], today: string): AttendanceSeason {
  const since = monthBefore(today, MONTHS - 1);
  const season = attended.filter(({ on }) => on >= since && on <= today).sort((a, b) => b.on.localeCompare(a.on));
  const months: AttendanceMonth[] = [];
  for (let back = MONTHS - 1; back >= 0; back--) {
    const month = monthBefore(today, back);
    const of = season.filter(({ on }) => on.slice(0, 7) === month.slice(0, 7));
    if (months.length > 0 || of.length > 0) months.push({ month, there: thereIn(of), counted: of.length });
  }
  const back = season.findIndex(({ as }) => as !== 'absent');
  return { months, there: thereIn(season), counted: season.length, missed: back < 0 ? season.length : back };
}

const thereIn = (some: readonly Attended[]): number => some.filter(({ as }) => as !== 'absent').length;

/** The first of the month some months before a day's. */
function monthBefore(day: string, months: number): string {
  const [year, month] = day.split('-').map(Number) as [number, number];
  const whole = year * 12 + (month - 1) - months;
  return `${Math.floor(whole / 12)}-${String((whole % 12) + 1).padStart(2, '0')}-01`;
}
