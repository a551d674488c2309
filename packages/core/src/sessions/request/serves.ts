import type { DrillId } from '../../library';
import { causeCard, type CauseId } from '../../review';
import { NOTHING_NEW_DAYS } from '../../swimmers';
import type { WeekKind } from '../load/loadLimit';

/** What a swimmer works on, as far as a session for the group is concerned. */
export interface Served {
  readonly name: string;
  /** The open focus. */
  readonly focus: CauseId | null;
  /** Theme and kind of the week in the swimmer's own plan; null without one. */
  readonly planTheme: CauseId | null;
  readonly week: WeekKind | null;
  /** Days from the session to the swimmer's race; null without one. */
  readonly raceInDays: number | null;
}

/** A theme, and how many of those who come need it. */
export interface ThemeServes {
  readonly cause: CauseId;
  readonly swimmers: number;
}

/** Focus and theme of the plan, each once. */
export function needsOf({
  focus,
  planTheme,
}: {
  readonly focus: CauseId | null;
  readonly planTheme?: CauseId | null;
}): CauseId[] {
  return [...new Set([focus, planTheme ?? null])].filter((cause) => cause !== null);
}

/** A cause's drills with the general type rather than the literal one. */
const answering = (cause: CauseId): readonly DrillId[] => causeCard(cause).answers;

/** Drills of a session and how many of those who come need what each answers. */
export function drillsServe(
  drills: readonly DrillId[],
  attendees: readonly Pick<Served, 'focus' | 'planTheme'>[],
): { readonly drill: DrillId; readonly swimmers: number }[] {
  return [...new Set(drills)].map((drill) => ({
    drill,
    swimmers: attendees.filter((c) => needsOf(c).some((cause) => answering(cause).includes(drill))).length,
  }));
}

/** A theme that serves less than this share of those who come, while another serves more, is worth a word. */
const FEW = 0.25;
const NAMES = 4;

/**
 * Where the plans of those who come pull apart from the session as it is asked for.
 *
 * @returns sentences, empty when all pull the same way
 */
export function planConflicts(attendees: readonly Served[], asked: { theme: CauseId; week: WeekKind }): string[] {
  const name = causeCard(asked.theme).name;
  const among = (some: readonly Served[]) =>
    `${some.length} of ${attendees.length} (${[...some.slice(0, NAMES).map((c) => c.name), ...(some.length > NAMES ? ['…'] : [])].join(', ')})`;
  const lighter = attendees.filter((c) => c.week === 'taper' || c.week === 'recovery');
  const near = attendees.filter(
    (c) =>
      c.raceInDays !== null &&
      c.raceInDays >= 0 &&
      c.raceInDays <= NOTHING_NEW_DAYS &&
      !needsOf(c).includes(asked.theme),
  );
  const working = attendees.filter((c) => c.week === 'normal');
  const served = attendees.filter((c) => needsOf(c).includes(asked.theme)).length;
  const counts = new Map<CauseId, number>();
  for (const cause of attendees.flatMap(needsOf)) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  const best = [...counts].sort((a, b) => b[1] - a[1])[0];
  return [
    ...(asked.week === 'normal' && lighter.length > 0
      ? [
          `${among(lighter)} have a lighter week in their plan: let them leave out the last part of the main set${lighter.length > attendees.length / 2 ? ', or choose a lighter week for all' : ''}.`,
        ]
      : []),
    ...(asked.week !== 'normal' && working.length > 0
      ? [`${among(working)} have a normal week in their plan: they may do one round more.`]
      : []),
    ...(near.length > 0
      ? [
          `${among(near)} race within ${NOTHING_NEW_DAYS} days and do not work on “${name}”: nothing new for them, only what they know.`,
        ]
      : []),
    ...(best && served < attendees.length * FEW && best[1] > served && best[0] !== asked.theme
      ? [`“${name}” helps ${served} of ${attendees.length}; “${causeCard(best[0]).name}” would help ${best[1]}.`]
      : []),
  ];
}
