// Who catches the swimmer ahead when a lane swims a set.
export interface LaneSwimmer {
  readonly id: string;
  readonly speedMps: number;
}

export interface LaneRep {
  readonly poolLengthM: number;
  /** Metres of one rep. */
  readonly rep: number;
  readonly gapS: number;
  readonly sendOffS: number;
  readonly reps: number;
}

export interface Catch {
  /** The slower swimmer. */
  readonly who: string;
  readonly caughtBy: string;
  /** From 1. */
  readonly rep: number;
  /** Where in the rep the slower one is caught, metres. */
  readonly atM: number;
}

/**
 * Which swimmers are caught, and who catches them, when a lane swims a set in the order given.
 *
 * Everybody swims at their own steady speed, in a circle on the two sides of the lane. Somebody is
 * caught from behind by a later and faster swimmer, or lapped by the leader over two lengths. Who
 * comes home after the next send-off leaves at once, without rest.
 *
 * @throws RangeError when a number is not over 0 or there are more than 40 swimmers
 * @example
 * simulateLane([{ id: 'slow', speedMps: 1 }, { id: 'fast', speedMps: 1.25 }], { poolLengthM: 50, rep: 50, gapS: 5, sendOffS: 90, reps: 1 })
 * // [{ who: 'slow', caughtBy: 'fast', rep: 1, atM: 25 }]
 */
export function simulateLane(swimmers: readonly LaneSwimmer[], lane: LaneRep): Catch[] {
  if (swimmers.length > 40) throw new RangeError('at most 40 swimmers in a lane');
  if (!(lane.rep > 0 && lane.poolLengthM > 0 && lane.sendOffS > 0 && swimmers.every((s) => s.speedMps > 0)))
    throw new RangeError('distances, speeds and the send-off must be over 0');
  const catches: Catch[] = [];
  let home = swimmers.map(() => 0);
  for (let rep = 1; rep <= lane.reps; rep++) {
    const starts = swimmers.map((_, i) => Math.max((rep - 1) * lane.sendOffS + i * lane.gapS, home[i]!));
    swimmers.forEach((ahead, i) => {
      swimmers.slice(i + 1).forEach((behind, offset) => {
        const atM = caughtAt(ahead, starts[i]!, behind, starts[i + 1 + offset]!, lane);
        if (atM === null) return;
        const slower = ahead.speedMps < behind.speedMps ? ahead : behind;
        const faster = slower === ahead ? behind : ahead;
        catches.push({ who: slower.id, caughtBy: faster.id, rep, atM });
      });
    });
    home = swimmers.map((s, i) => starts[i]! + lane.rep / s.speedMps);
  }
  return catches;
}

/** Where the slower of two is caught in one rep, or null. */
function caughtAt(
  ahead: LaneSwimmer,
  startAhead: number,
  behind: LaneSwimmer,
  startBehind: number,
  { rep, poolLengthM }: LaneRep,
): number | null {
  const gain = behind.speedMps - ahead.speedMps;
  if (gain === 0) return null;
  // A later swimmer closes the head start; the leader must gain a whole circle on the one behind.
  const lead = gain > 0 ? 0 : 2 * poolLengthM;
  const time = (behind.speedMps * startBehind - ahead.speedMps * startAhead - lead) / gain;
  const xAhead = ahead.speedMps * (time - startAhead);
  const xBehind = behind.speedMps * (time - startBehind);
  if (time < Math.max(startAhead, startBehind) || xAhead >= rep - 1e-9 || xBehind >= rep - 1e-9) return null;
  return gain > 0 ? xAhead : xBehind;
}
