// Swimming across a current.
import { RAD } from '../../units';

export interface Crossing {
  /** Turn up-current from the leg, degrees; to the right when the current pushes left. */
  readonly headingDeg: number;
  readonly groundMps: number;
}

/** The water is faster than the swimmer: the leg cannot be swum. */
export class ImpossibleCrossing extends RangeError {}

/**
 * The heading to hold across a current: `asin(cross / swim)`.
 *
 * @param crossMps flow across the leg, to the right positive
 * @param alongMps flow along the leg, with the swimmer positive
 * @returns the turn against the flow, 0–90 degrees, and the speed over ground
 * @throws ImpossibleCrossing when the cross-current, or what is left against a head current, leaves no way forward
 * @example crossing(1.1, 0.25, 0) // 13.1°, 1.07 m/s
 */
export function crossing(swimMps: number, crossMps: number, alongMps: number): Crossing {
  if (!(swimMps > 0)) throw new RangeError('swimMps must be over 0');
  if (Math.abs(crossMps) >= swimMps)
    throw new ImpossibleCrossing('The current across is as fast as the swimmer: this leg cannot be swum.');
  const turn = Math.asin(crossMps / swimMps);
  const groundMps = swimMps * Math.cos(turn) + alongMps;
  if (groundMps <= 0)
    throw new ImpossibleCrossing('The current against is as fast as the swimmer: this leg cannot be swum.');
  return { headingDeg: Math.abs(turn / RAD), groundMps };
}
