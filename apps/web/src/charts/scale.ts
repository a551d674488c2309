/** The scale of a chart that a person can read: it begins and ends on round numbers, evenly spaced. */
import { tickStep } from 'd3-array';

export interface Scale {
  readonly bottom: number;
  readonly step: number;
  readonly sections: number;
}

/** Parts that a chart of its height has room for. */
const SECTIONS = 4;
/** How near a point may come to the edge, as a part of a step. */
const EDGE = 0.1;

/**
 * The scale around some values.
 *
 * @param least the smallest step that its labels can show, over 0
 * @example scaleOf([18.6, 23.8], 1) // { bottom: 18, step: 1, sections: 6 }
 */
export function scaleOf(values: readonly number[], least: number): Scale {
  const low = Math.min(...values);
  const high = Math.max(...values);
  const step = Math.max(least, tickStep(low, high, SECTIONS) || least);
  // A point is drawn whole: none stands on the lowest or the highest line.
  const below = Math.floor(low / step - EDGE) * step;
  const bottom = low >= 0 ? Math.max(0, below) : below;
  const sections = Math.ceil((high - bottom) / step + EDGE);
  return { bottom, step, sections };
}
