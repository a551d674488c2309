import { seeded } from '../../units';
import { normalTable, TABLE } from './normalTable';

/** One leg, swum many times: what the swimmer does and what the water does. Angles in radians. */
export interface LegSwim {
  readonly distanceM: number;
  readonly strokeLengthM: number;
  readonly speedMps: number;
  readonly biasRad: number;
  readonly sdRad: number;
  /** Error of the aim after a look, standard deviation. */
  readonly aimSdRad: number;
  readonly lookCostS: number;
  /** Chance that a look shows the mark: waves and small marks hide it. */
  readonly seeProbability: number;
  /** The mark counts as reached within this, metres. */
  readonly turnRadiusM: number;
  /** Flow along the leg and across it to the right, m/s. */
  readonly current: { readonly along: number; readonly across: number };
  /** The swimmer turns up against the current at each look, as far as the current asks; else straight at the mark. */
  readonly holdUp?: boolean;
  /** The leg begins with a turn: the swimmer looks a second time soon after it. */
  readonly afterTurn?: boolean;
  readonly seed: number;
}

/** One swim of the leg. */
export interface Swum {
  strokes: number;
  looks: number;
}

/** Strokes to the second look after a missed one: after the next breath. */
const AGAIN_AFTER = 2;
/** Looks that may miss in a row before the swimmer goes on at the usual interval. */
const MISSES = 3;
/** A second look soon after a turn. */
const AFTER_TURN = 8;
/** A swim that needs more than this times the direct strokes has no end: the water carries the swimmer away. */
export const LOST = 6;
const MASK = TABLE - 1;

/** Two look-ups in it make a random number. */
const NORMAL = normalTable();

/** Beyond this turn from the line of the last look, radians, sine and cosine are taken exactly. */
const SMALL = 1;

/** Random bits of one swim: xorshift32 (Marsaglia 2003). */
let bits = 1;
function next(): number {
  bits ^= bits << 13;
  bits ^= bits >>> 17;
  bits ^= bits << 5;
  return bits;
}

/**
 * One swim, stroke by stroke. Between looks the strokes are added up in the frame of the last look, where the
 * angles are small and two short polynomials stand for sine and cosine; only looks and the end need a root.
 *
 * @param path receives x (along) and y (right) of every look, when given
 */
export function swim(leg: LegSwim, interval: number, track: number, out: Swum, path?: number[]): void {
  const { strokeLengthM, biasRad, sdRad, aimSdRad, seeProbability, turnRadiusM, distanceM } = leg;
  const strokeS = strokeLengthM / leg.speedMps;
  const flowX = leg.current.along * strokeS;
  const flowY = leg.current.across * strokeS;
  const sure = seeProbability >= 1;
  bits = (seeded(leg.seed, track * 64 + interval) * 0xffffffff) | 1;
  for (let warm = 0; warm < 4; warm++) next();
  const most = Math.ceil((LOST * distanceM) / strokeLengthM) + 100;
  const stepLength = strokeLengthM + Math.hypot(flowX, flowY);

  let x = 0;
  let y = 0;
  let strokes = 0;
  let looks = 0;
  let misses = 0;
  // Unit vector of the aim at the last look that saw the mark, and the turn away from it since.
  let ux = 1;
  let uy = 0;
  let theta = 0;
  let first = leg.afterTurn === true;
  for (;;) {
    const dx = distanceM - x;
    const dy = -y;
    const left = Math.sqrt(dx * dx + dy * dy);
    if (left <= turnRadiusM || strokes >= most) break;
    if (path) path.push(x, y);
    looks++;
    let run: number;
    if (sure || (next() >>> 8) * 2 ** -24 < seeProbability) {
      ux = dx / left;
      uy = dy / left;
      if (leg.holdUp) {
        // Across the way to the mark the stroke must undo what the water does.
        const s = Math.max(-0.95, Math.min(0.95, (uy * flowX - ux * flowY) / strokeLengthM));
        const c = Math.sqrt(1 - s * s);
        [ux, uy] = [ux * c - uy * s, uy * c + ux * s];
      }
      theta = aimSdRad === 0 ? 0 : aimSdRad * NORMAL[next() & MASK]!;
      misses = 0;
      run = first && interval > AFTER_TURN ? AFTER_TURN : interval;
      first = false;
    } else {
      misses++;
      run = misses <= MISSES ? Math.min(AGAIN_AFTER, interval) : interval;
    }
    if (left > turnRadiusM + (run + 1) * stepLength) {
      // The mark is out of reach before the next look: nothing but the sums is needed.
      let along = 0;
      let aside = 0;
      let n = run;
      for (; n >= 2; n -= 2) {
        bits ^= bits << 13;
        bits ^= bits >>> 17;
        bits ^= bits << 5;
        theta += biasRad + sdRad * NORMAL[(bits >>> 20) & MASK]!;
        let t2 = theta * theta;
        along += 1 - t2 * (0.5 - t2 * (1 / 24 - t2 * (1 / 720)));
        aside += theta * (1 - t2 * (1 / 6 - t2 * (1 / 120 - t2 * (1 / 5040))));
        theta += biasRad + sdRad * NORMAL[(bits >>> 4) & MASK]!;
        t2 = theta * theta;
        along += 1 - t2 * (0.5 - t2 * (1 / 24 - t2 * (1 / 720)));
        aside += theta * (1 - t2 * (1 / 6 - t2 * (1 / 120 - t2 * (1 / 5040))));
      }
      if (n === 1) {
        theta += biasRad + sdRad * NORMAL[(next() >>> 20) & MASK]!;
        along += Math.cos(theta);
        aside += Math.sin(theta);
      }
      x += strokeLengthM * (along * ux - aside * uy) + run * flowX;
      y += strokeLengthM * (along * uy + aside * ux) + run * flowY;
      strokes += run;
      // A long row of missed looks may turn far: the frame is turned along, so that the angles stay small.
      if (theta > SMALL || theta < -SMALL) {
        const [c, s] = [Math.cos(theta), Math.sin(theta)];
        [ux, uy] = [ux * c - uy * s, ux * s + uy * c];
        theta = 0;
      }
      continue;
    }
    for (let n = 0; n < run; n++) {
      theta += biasRad + sdRad * NORMAL[(next() >>> 20) & MASK]!;
      const c = Math.cos(theta);
      const s = Math.sin(theta);
      x += strokeLengthM * (c * ux - s * uy) + flowX;
      y += strokeLengthM * (c * uy + s * ux) + flowY;
      strokes++;
      const near = (distanceM - x) ** 2 + y * y;
      if (near <= turnRadiusM * turnRadiusM) break;
    }
  }
  // The first look is at the start, where the direction is known.
  out.strokes = strokes;
  out.looks = Math.max(0, looks - 1);
  if (path) path.push(x, y);
}
