// A filmed swimmer whose strokes are known to the millisecond: what finds strokes is tried on these.
import { drawnFigure, posedBy, type Figure, type FigureSide } from '../figure';
import type { SignId } from '../review';
import { seeded, seededNormal } from '../units';
import { FIND_SIZE, type Frames } from './shapes';

/** Asked for millions of times: by name at hand. */
const { PI, floor, hypot, max, min, round, sin } = Math;

/** What is filmed, and how badly. */
export interface SimulatedClip {
  readonly seed: number;
  readonly view: Exclude<FigureSide, 'top'>;
  /** Strokes a minute; 0 films nobody. */
  readonly strokesPerMin: number;
  readonly seconds: number;
  readonly fps: number;
  readonly signs?: readonly SignId[];
  /** Standard deviation of the noise of each point, grey levels. */
  readonly noise?: number;
  /** Radius of the blur, points. */
  readonly blur?: number;
  /** Height of the waves, points. */
  readonly waves?: number;
  /** How far a hand shakes the camera, points. */
  readonly shake?: number;
  /** Share of the surface that glitters. */
  readonly glare?: number;
  /** Light there is, 1 for all of it. */
  readonly light?: number;
  /** Grey levels that a codec makes one of, in blocks of eight points. */
  readonly coarse?: number;
  /** Somebody else swims by behind, strokes a minute. */
  readonly other?: number;
  /** How the ground moves through the picture, points a second: the camera follows, or it stands. */
  readonly drift?: number;
  /** How uneven the strokes are, share of a stroke. */
  readonly uneven?: number;
  /** How large the swimmer is, 1 fills the picture. */
  readonly size?: number;
}

/** When a hand went in. */
export interface TrueEntry {
  readonly timeS: number;
  readonly side: 'left' | 'right';
}

export interface Filmed {
  readonly frames: Frames;
  readonly entries: readonly TrueEntry[];
}

const SKY = 215;
const WATER = 130;
const SKIN = 175;
const FAR_SKIN = 120;
const CAP = 70;
/** Points of the picture for one stature, in the side view of a swimmer who fills it. */
const SIDE_SCALE = 0.62;
const FRONT_SCALE = 0.95;

/** Films a simulated swimmer. The same clip is the same to the last point. */
export function simulatedClip(clip: SimulatedClip): Filmed {
  const { width, height } = FIND_SIZE;
  const { seed, view, strokesPerMin, seconds, fps, light = 1, size = 1, drift = 0 } = clip;
  const frames = round(seconds * fps);
  const grey = new Uint8Array(frames * width * height);
  const timesS = Array.from({ length: frames }, (_, i) => i / fps);
  const phases = strokesPerMin > 0 ? phasesOf(clip) : null;
  const others = clip.other ? phasesOf({ ...clip, seed: seed + 7, strokesPerMin: clip.other, uneven: 0.03 }) : null;
  const pose = posedBy(clip.signs ?? []);
  const scale = width * (view === 'side' ? SIDE_SCALE : FRONT_SCALE) * size;
  const surface = height * 0.42;
  const middle = view === 'side' ? width * 0.34 : width * 0.5;
  const picture = new Float64Array(width * height);
  for (let n = 0; n < frames; n++) {
    const t = timesS[n]!;
    const shakeX = shakeAt(seed, t, clip.shake ?? 0);
    const shakeY = shakeAt(seed + 1, t, clip.shake ?? 0);
    ground(picture, {
      seed,
      t,
      surface: surface + shakeY,
      left: shakeX + drift * t,
      waves: clip.waves ?? 0,
      glare: clip.glare ?? 0,
    });
    if (others) {
      const x = ((t / seconds) * 1.6 - 0.3) * width;
      draw(
        picture,
        drawnFigure('front-crawl', 'side', posedBy([]), others(t)),
        x + shakeX,
        surface - 5 + shakeY,
        scale * 0.5,
      );
    }
    if (phases)
      draw(picture, drawnFigure('front-crawl', view, pose, phases(t)), middle + shakeX, surface + shakeY, scale);
    finish(picture, grey.subarray(n * width * height, (n + 1) * width * height), clip, n, light);
  }
  return {
    frames: { width, height, timesS, grey },
    entries: phases ? entriesOf(phases, seconds, pose.coordination) : [],
  };
}

/** The phase of the left arm at a time: cycles of slightly different lengths, one after the other. */
function phasesOf({ seed, strokesPerMin, seconds, uneven = 0 }: SimulatedClip): (timeS: number) => number {
  const cycleS = 120 / strokesPerMin;
  const starts = [-seeded(seed, 3) * cycleS];
  for (let i = 0; starts.at(-1)! < seconds; i++)
    starts.push(starts.at(-1)! + cycleS * (1 + uneven * max(-2, min(2, seededNormal(seed, 100 + i)))));
  return (timeS) => {
    let i = 0;
    while (i + 2 < starts.length && starts[i + 1]! <= timeS) i++;
    return i + (timeS - starts[i]!) / (starts[i + 1]! - starts[i]!);
  };
}

/** Entries of both hands: the left one where its phase is whole, the other by the coordination of the arms. */
function entriesOf(phase: (timeS: number) => number, seconds: number, coordination: number): TrueEntry[] {
  const found: TrueEntry[] = [];
  const stepS = 0.001;
  for (let t = stepS; t < seconds; t += stepS)
    for (const [side, ahead] of [
      ['left', 0],
      ['right', coordination],
    ] as const)
      if (floor(phase(t) + ahead) > floor(phase(t - stepS) + ahead)) found.push({ timeS: t, side });
  return found;
}

/** Where a shaking hand holds the camera: three slow swings that never meet. */
function shakeAt(seed: number, timeS: number, by: number): number {
  if (by === 0) return 0;
  const swing = (k: number) => sin(2 * PI * ((0.4 + 1.3 * seeded(seed, 20 + k)) * timeS + seeded(seed, 30 + k)));
  return (by * (swing(0) + swing(1) + swing(2))) / 2;
}

interface Ground {
  readonly seed: number;
  readonly t: number;
  readonly surface: number;
  readonly left: number;
  readonly waves: number;
  readonly glare: number;
}

/** Tiles above, water with waves and glitter below. */
function ground(picture: Float64Array, { seed, t, surface, left, waves, glare }: Ground): void {
  const { width, height } = FIND_SIZE;
  for (let x = 0; x < width; x++) {
    const at = x - left;
    const wave = waves * (sin(at * 0.21 + t * 4.1) * 0.6 + sin(at * 0.083 - t * 2.3 + seeded(seed, 9) * 6) * 0.8);
    const line = surface + wave;
    for (let y = 0; y < height; y++) {
      let light: number;
      if (y < line - 0.5) light = SKY - 25 * (floor(at / 14) & 1) - 18 * (floor((y - surface) / 9) & 1);
      else {
        const depth = y - line;
        light = WATER - depth * 0.9 + 14 * sin(at * 0.35 + depth * 0.5 + t * 1.7 * (waves + 0.3));
        if (glare > 0 && depth < 14 && seeded(seed + floor(t * 12), floor(at) * 64 + y) < glare) light = 250;
      }
      picture[y * width + x] = light;
    }
  }
}

/** A figure over the picture: what lies far first. */
function draw(picture: Float64Array, { limbs, head, splash }: Figure, x: number, y: number, scale: number): void {
  const dot = (at: { readonly x: number; readonly y: number }) => ({ x: x + at.x * scale, y: y + at.y * scale });
  for (const far of [true, false])
    for (const limb of limbs)
      if (limb.far === far)
        capsule(picture, dot(limb.from), dot(limb.to), limb.r0 * scale, limb.r1 * scale, far ? FAR_SKIN : SKIN, y);
  const middle = dot(head.centre);
  capsule(picture, middle, middle, head.radius * scale, head.radius * scale, CAP, y);
  if (splash.size > 0) {
    const at = dot(splash.at);
    capsule(picture, at, at, splash.size * 0.05 * scale, splash.size * 0.05 * scale, 240, y);
  }
}

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** A tapered bone with round ends; what is under the surface is seen through water. */
function capsule(
  picture: Float64Array,
  a: Spot,
  b: Spot,
  r0: number,
  r1: number,
  light: number,
  surface: number,
): void {
  const { width, height } = FIND_SIZE;
  const r = max(r0, r1) + 1;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const long = dx * dx + dy * dy;
  const from = (low: number) => max(0, floor(low - r));
  for (let y = from(min(a.y, b.y)); y < min(height, max(a.y, b.y) + r); y++)
    for (let x = from(min(a.x, b.x)); x < min(width, max(a.x, b.x) + r); x++) {
      const along = long === 0 ? 0 : max(0, min(1, ((x - a.x) * dx + (y - a.y) * dy) / long));
      const off = hypot(x - a.x - along * dx, y - a.y - along * dy) - (r0 + (r1 - r0) * along);
      const cover = max(0, min(1, 0.5 - off)) * (y > surface ? 0.55 : 1);
      if (cover > 0) picture[y * width + x] = picture[y * width + x]! * (1 - cover) + light * cover;
    }
}

/** Grains of a film, drawn from again and again. */
const GRAINS = 8192;
const GRAIN = Float64Array.from({ length: GRAINS }, (_, i) => seededNormal(1, i));

/** What lens, chip and codec make of it. */
function finish(picture: Float64Array, out: Uint8Array, clip: SimulatedClip, n: number, light: number): void {
  const { width, height } = FIND_SIZE;
  const { seed, noise = 0, blur = 0, coarse = 0 } = clip;
  const seen = blur > 0 ? blurred(picture, blur) : picture;
  for (let i = 0; i < width * height; i++) {
    const grain = noise > 0 ? noise * GRAIN[(seed + n * 7919 + i * 31 + (i >> 5)) & (GRAINS - 1)]! : 0;
    out[i] = max(0, min(255, round(seen[i]! * light + grain)));
  }
  if (coarse > 0) blocks(out, coarse, n % 12 === 0);
}

function blurred(picture: Float64Array, radius: number): Float64Array {
  const { width, height } = FIND_SIZE;
  const r = round(radius);
  const pass = (
    from: Float64Array,
    step: number,
    size: number,
    at: (i: number, k: number) => number,
    lines: number,
  ) => {
    const to = new Float64Array(from.length);
    for (let line = 0; line < lines; line++)
      for (let k = 0; k < size; k++) {
        let sum = 0;
        let n = 0;
        for (let j = max(0, k - r); j <= min(size - 1, k + r); j++, n++) sum += from[at(line, j)]!;
        to[at(line, k)] = sum / n;
      }
    return to;
  };
  const across = pass(picture, 1, width, (y, x) => y * width + x, height);
  return pass(across, width, height, (x, y) => y * width + x, width);
}

/** A codec that saves: levels are made coarse in blocks, less so in its key frames. */
function blocks(out: Uint8Array, coarse: number, key: boolean): void {
  const { width, height } = FIND_SIZE;
  const step = key ? coarse / 2 : coarse;
  for (let by = 0; by < height; by += 8)
    for (let bx = 0; bx < width; bx += 8) {
      let sum = 0;
      let n = 0;
      for (let y = by; y < min(height, by + 8); y++)
        for (let x = bx; x < min(width, bx + 8); x++, n++) sum += out[y * width + x]!;
      const mean = sum / n;
      for (let y = by; y < min(height, by + 8); y++)
        for (let x = bx; x < min(width, bx + 8); x++) {
          const i = y * width + x;
          out[i] = max(0, min(255, mean + round((out[i]! - mean) / step) * step));
        }
    }
}
