// The water of a course at the hour that is looked at: one record for every page, told to the server as it is read.
import { dayIn } from '@upwell/core/days';
import {
  legWater,
  mergeRead,
  takenOver,
  valuesOf,
  waterHour,
  type DayWeather,
  type LegWater,
  type Noted,
  type WaterRead,
} from '@upwell/core/water';
import type { CourseView, WaterReading } from '@upwell/contract/water';
import { useEffect, useState } from 'react';
import { useReadingsQuery } from '@/courses';
import { useDraft } from '@/state/hooks';
import { useNoteReadingMutation } from './api';
import { firstConditions, momentOf, type Conditions } from './conditions';
import { WEATHER } from './weather';

/** Readings that are not on their way yet, by day and hour. */
type Pending = Readonly<Record<string, Noted>>;

/** A reading is told this long after the last tap: a number that is stepped is told once. */
const TOLD_AFTER_MS = 600;
const NOTHING: Pending = {};
const keyOf = (date: string, hour: number) => `${date}/${hour}`;

export interface Water {
  /** Whether it is known what was read: until then nothing is decided. */
  readonly ready: boolean;
  readonly when: Conditions;
  readonly setWhen: (change: Partial<Conditions>) => void;
  readonly at: Date;
  /** What was read for this hour. */
  readonly noted: Noted;
  readonly read: Partial<WaterRead>;
  readonly forecast: DayWeather;
  readonly leg: LegWater;
  /** Notes what is read now. */
  readonly note: (change: Partial<WaterRead>) => void;
  /** Takes readings of another hour over, as they were read then, without what is looked for each time. */
  readonly takeOver: (noted: Noted) => void;
  /** Another hour of this day that was read, the nearest; null when this one was, or none. */
  readonly near: WaterReading | null;
  readonly error: unknown;
}

/** What one device holds of a course at an hour, put together from the server and what waits here. */
export function useWater({ id, course, timeZone }: CourseView): Water {
  const [first] = useState(() => firstConditions(dayIn(timeZone, Date.now())));
  const [when, setAll] = useDraft<Conditions>(`when:${id}`, first);
  const { data: kept, isLoading } = useReadingsQuery(id);
  const [pending, setPending] = useDraft<Pending>(`read:${id}`, NOTHING);
  const [tell, { error }] = useNoteReadingMutation();
  const key = keyOf(when.date, waterHour(when.hour));

  useEffect(() => {
    if (Object.keys(pending).length === 0) return;
    const timer = setTimeout(() => {
      for (const [where, read] of Object.entries(pending)) {
        const [date, hour] = where.split('/') as [string, string];
        void tell({ id, date, hour: Number(hour), read }).then((answer) => {
          // What was read while this was on its way stays for the next.
          if (!('error' in answer)) setPending((now) => (now[where] === read ? without(now, where) : now));
        });
      }
    }, TOLD_AFTER_MS);
    return () => clearTimeout(timer);
  }, [pending, tell, id, setPending]);

  const here = (kept ?? []).find((r) => keyOf(r.date, r.hour) === key)?.read ?? {};
  const noted = mergeRead(here, pending[key] ?? {});
  const add = (read: Noted) => setPending((now) => ({ ...now, [key]: mergeRead(now[key] ?? {}, read) }));
  const at = momentOf(when, timeZone);
  const forecast = WEATHER(course.start, at);
  return {
    ready: !isLoading,
    when,
    setWhen: (change) => setAll((now) => ({ ...now, ...change })),
    at,
    noted,
    read: valuesOf(noted),
    forecast,
    leg: legWater(noted, forecast, when.tried),
    note: (change) => {
      const atMs = Date.now();
      add(Object.fromEntries(Object.entries(change).map(([field, value]) => [field, { value, atMs }])) as Noted);
    },
    takeOver: (other) => add(takenOver(other)),
    near: Object.keys(noted).length > 0 ? null : nearest(kept ?? [], when.date, waterHour(when.hour)),
    error: error ?? null,
  };
}

const without = (pending: Pending, where: string): Pending =>
  Object.fromEntries(Object.entries(pending).filter(([key]) => key !== where));

/** The hour of a day that was read nearest to another. */
function nearest(kept: readonly WaterReading[], date: string, hour: number): WaterReading | null {
  const far = (r: WaterReading) => Math.abs(r.hour - hour);
  return kept.filter((r) => r.date === date).sort((a, b) => far(a) - far(b))[0] ?? null;
}
