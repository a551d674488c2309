import { FIND_SIZE, findStrokes, simulatedClip, type Frames, type SimulatedClip } from '.';

const BASE: SimulatedClip = {
  ...{ seed: 1, view: 'side', strokesPerMin: 60, seconds: 10, fps: 25 },
  ...{ noise: 4, blur: 1, waves: 1, shake: 1, drift: -20, uneven: 0.04 },
};

/** What was found beside what is true. */
function tried(change: Partial<SimulatedClip>, seen: (frames: Frames) => Frames = (frames) => frames) {
  const clip = { ...BASE, ...change };
  const { frames, entries } = simulatedClip(clip);
  const found = findStrokes(seen(frames), clip.view);
  if (!found.found) return { why: found.why };
  const trueRate = (60 * (entries.length - 1)) / (entries.at(-1)!.timeS - entries[0]!.timeS);
  const near = found.entries.map(({ timeS, side }) => {
    const nearest = entries.reduce((best, e) => (Math.abs(e.timeS - timeS) < Math.abs(best.timeS - timeS) ? e : best));
    return { off: Math.abs(nearest.timeS - timeS), right: nearest.side === side };
  });
  return {
    rateOff: Math.abs(found.strokesPerMin / trueRate - 1),
    given: found.errorPerMin / found.strokesPerMin,
    missed: entries.length - found.entries.length,
    within: near.filter(({ off }) => off <= 0.1).length / near.length,
    inTurn: found.entries.every(({ side }, i) => i === 0 || side !== found.entries[i - 1]!.side),
    sides: near.filter(({ right }) => right).length / near.length,
  };
}

describe('strokes are found in a simulated clip', () => {
  it.each<[string, Partial<SimulatedClip>]>([
    ['in little light, with grain', { light: 0.4, noise: 6 }],
    ['with glitter', { glare: 0.08 }],
    ['with somebody else behind', { other: 70 }],
    ['from a shaking hand', { shake: 2.5 }],
    ['in waves', { waves: 2 }],
    ['at 15 pictures a second', { fps: 15 }],
    ['at 60 pictures a second', { fps: 60, seconds: 8 }],
    ['through a codec that saves', { coarse: 24 }],
    ['small in the picture', { size: 0.65 }],
    ['of low legs and a dropping arm', { signs: ['legs-low', 'lead-arm-drops'] }],
    ['fast', { strokesPerMin: 88 }],
    ['slow', { strokesPerMin: 42, seconds: 12 }],
    ['from the front', { view: 'front' }],
    ['from the front, crossing over', { view: 'front', signs: ['enters-past-middle', 'head-swings'] }],
    ['from the front, in glitter', { view: 'front', glare: 0.05 }],
  ])('%s', (_, change) => {
    const { rateOff, missed, within, sides, inTurn } = tried(change);
    expect(rateOff).toBeLessThan(0.02);
    expect(missed).toBeLessThanOrEqual(1);
    expect(within).toBeGreaterThanOrEqual(0.9);
    expect(inTurn).toBe(true);
    // From the side it is a guess.
    if (change.view === 'front') expect(sides).toBeGreaterThanOrEqual(0.9);
  });

  it.each(['side', 'front'] as const)('not where it was filmed from elsewhere: %s', (view) => {
    const { frames } = simulatedClip({ ...BASE, view });
    const found = findStrokes(frames, view === 'side' ? 'front' : 'side');
    expect(found.found ? found.likeness : found.why).toMatch(/other-view|no-swimmer/);
  });

  it('also where a third of the pictures was left out', () => {
    const some = ({ width, height, timesS, grey }: Frames): Frames => {
      const kept = timesS.map((_, i) => i).filter((i) => (i * 7) % 11 > 3);
      const size = width * height;
      const out = new Uint8Array(kept.length * size);
      kept.forEach((from, to) => out.set(grey.subarray(from * size, (from + 1) * size), to * size));
      return { width, height, timesS: kept.map((i) => timesS[i]!), grey: out };
    };
    const { rateOff, within } = tried({ fps: 30 }, some);
    expect(rateOff).toBeLessThan(0.02);
    expect(within).toBeGreaterThanOrEqual(0.9);
  });

  it('says how far off the rate may be, and is not farther off', () => {
    const { rateOff, given } = tried({});
    // Two entries of 0.1 s each over nine seconds, by hand: 1.41 × 0.1 ÷ 9 is 1.6 %.
    expect(given).toBeGreaterThan(0.013);
    expect(given).toBeLessThan(0.019);
    expect(rateOff).toBeLessThan(given!);
  });

  it('tells how far it is', () => {
    const shares: number[] = [];
    findStrokes(simulatedClip({ ...BASE, seconds: 8 }).frames, 'side', (share) => shares.push(share));
    expect(shares.at(-1)).toBe(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.length).toBeGreaterThan(4);
  });
});

describe('and are not where nobody swims', () => {
  const nobody = { strokesPerMin: 0 };
  it.each<[string, Partial<SimulatedClip>]>([
    ['still water', { ...nobody, waves: 0, shake: 0, drift: 0, noise: 2 }],
    ['waves', { ...nobody, waves: 2 }],
    ['glitter', { ...nobody, glare: 0.1 }],
    ['a shaking hand', { ...nobody, shake: 2.5 }],
    ['a camera that pans', { ...nobody, drift: -30 }],
    ['somebody far behind', { ...nobody, other: 70 }],
    ['waves from the front', { ...nobody, view: 'front', waves: 2 }],
    ['the dark', { ...nobody, light: 0.02, noise: 8 }],
  ])('%s', (_, change) => expect(tried(change)).toHaveProperty('why'));

  it.each<[string, number, (i: number) => number]>([
    ['a wall', 300, () => 120],
    ['black', 300, () => 0],
    ['one picture', 1, () => 100],
    ['none', 0, () => 100],
    ['a lamp that blinks', 300, (i) => (i % 30 < 15 ? 40 : 220)],
  ])('%s', (_, pictures, light) => {
    const size = FIND_SIZE.width * FIND_SIZE.height;
    const grey = new Uint8Array(pictures * size);
    for (let i = 0; i < pictures; i++) grey.fill(light(i), i * size, (i + 1) * size);
    const timesS = Array.from({ length: pictures }, (__, i) => i / 30);
    expect(findStrokes({ ...FIND_SIZE, timesS, grey }, 'side').found).toBe(false);
  });

  it('nor in three seconds', () => {
    expect(tried({ seconds: 3 })).toEqual({ why: 'too-short' });
  });
});

describe('the simulated clip', () => {
  it('is the same for the same seed, and another for another', () => {
    const grey = (seed: number) => simulatedClip({ ...BASE, seed, seconds: 1 }).frames.grey;
    expect(grey(1)).toEqual(grey(1));
    expect(grey(1)).not.toEqual(grey(2));
  });

  it('has entries of both hands in turn, as often as it says', () => {
    const { entries } = simulatedClip({ ...BASE, uneven: 0 });
    for (const [i, { timeS, side }] of entries.slice(1).entries()) {
      // 60 strokes a minute: one a second.
      expect(timeS - entries[i]!.timeS).toBeCloseTo(1, 2);
      expect(side).not.toBe(entries[i]!.side);
    }
    expect(entries.length).toBeGreaterThanOrEqual(9);
    expect(simulatedClip({ ...BASE, strokesPerMin: 0 }).entries).toEqual([]);
  });
});
