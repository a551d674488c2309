import {
  bearingTo,
  lowestTide,
  NEW_GROUP,
  type Course,
  type DayGroup,
  type DayReadings,
  type DayWeather,
  type WaterRead,
} from '@upwell/core/water';
import { v7 } from 'uuid';

/** A decision while it is made; what was read belongs to the water of the hour, not to it. */
export interface DayDraft {
  readonly id: string;
  readonly group: DayGroup;
  readonly reason: string;
  /** Names of those with a health note who go in, by id. */
  readonly names: Readonly<Record<string, string>>;
  /** Depth at the entry when the tide is at its mean, metres; null where nobody knows or there is no tide. */
  readonly depthAtMeanM?: number | null;
}

export function newDayDraft(): DayDraft {
  return {
    id: v7(),
    group: NEW_GROUP,
    names: {},
    reason: '',
  };
}

/** Readings of a day: the forecast where nothing was read, and what nobody can forecast left open. */
export function dayOn(
  course: Course,
  at: Date,
  { forecast, read }: { readonly forecast: DayWeather; readonly read: Partial<WaterRead> },
  { group, depthAtMeanM = null }: Pick<DayDraft, 'group' | 'depthAtMeanM'>,
): DayReadings {
  const first = course.marks[0] ?? course.finish;
  const { waterC, airC, windMps, windFromDeg, waveHeightM, rainMm72h, currentMps, currentToDeg, sunsetMs } = forecast;
  const { waveFromDeg: _waves, cloudy: _sky, ...known } = read;
  return {
    ...{ waterC, airC, windMps, windFromDeg, waveHeightM, rainMm72h, currentMps, currentToDeg },
    offshoreDeg: bearingTo(course.start, first).bearingDeg,
    lightLeftMin: sunsetMs === null ? 600 : Math.round((sunsetMs - at.getTime()) / 60_000 - group.minutes),
    ...{ visibility: null, lightning: null, sewage: null, fouled: null, traffic: null, wildlife: null },
    walked: null,
    // The least of the whole time: the tide goes out under the swimmers.
    depthM:
      depthAtMeanM === null
        ? null
        : Math.max(0, depthAtMeanM + lowestTide({ fromMs: at.getTime(), toMs: at.getTime() + group.minutes * 60_000 })),
    ...(known as Partial<DayReadings>),
  };
}
