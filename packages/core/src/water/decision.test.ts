import fc from 'fast-check';
import { longestInWater, WATER_RULES } from '../safety';
import { decideDay, FIRST_TIME_LADDER, kitList, type DayGroup, type DayReadings } from '.';

const fine: DayReadings = {
  waterC: 19,
  airC: 20,
  windMps: 2,
  windFromDeg: 180,
  offshoreDeg: 0,
  currentMps: 0.05,
  currentToDeg: 90,
  waveHeightM: 0.1,
  rainMm72h: 2,
  visibility: 'clear',
  lightning: false,
  sewage: false,
  fouled: false,
  traffic: 'none',
  wildlife: false,
  walked: true,
  lightLeftMin: 240,
  depthM: null,
};
const adults: DayGroup = {
  swimmers: 8,
  children: 0,
  settle: 0,
  firstTimers: 0,
  slowestMps: 0.9,
  wetsuits: true,
  watching: 1,
  craft: true,
  stopSignal: true,
  caller: 'Maren',
  bright: true,
  minutes: 60,
};
const decide = (r: Partial<DayReadings> = {}, g: Partial<DayGroup> = {}, farthestM: number | null = 80) =>
  // The wind blows onto the shore unless a case says otherwise.
  decideDay({ ...fine, windFromDeg: 0, ...r }, { ...adults, ...g }, farthestM);

describe('the longest time in the water', () => {
  it.each([
    [9.9, 'used', true, 0],
    [11, 'used', false, 5],
    [13, 'first', false, 0],
    [13, 'first', true, 5],
    [15, 'used', true, 40],
    [15, 'child', true, 5],
    [16, 'used', false, 40],
    [19.9, 'child', false, 15],
    [20, 'first', true, 60],
    [30, 'used', true, 0],
    [30, 'used', false, 30],
    [31, 'used', false, 0],
  ] as const)('at %d °C for %s, wetsuit %s: %d min', (c, who, suit, minutes) =>
    expect(longestInWater(c, who, suit).minutes).toBe(minutes),
  );

  it('is never longer for a child or a first-timer than for who is used to it', () => {
    fc.assert(
      fc.property(fc.double({ min: -4, max: 45, noNaN: true }), fc.boolean(), (c, suit) => {
        const of = (who: 'used' | 'first' | 'child') => longestInWater(c, who, suit).minutes;
        expect(of('first')).toBeLessThanOrEqual(of('used'));
        expect(of('child')).toBeLessThanOrEqual(of('first'));
      }),
    );
    expect(() => longestInWater(99, 'used', true)).toThrow(RangeError);
  });
});

describe('go, change, or do not go', () => {
  it('is go when everything is known and fine', () => {
    expect(decide()).toMatchObject({ decision: 'go', checks: [], missing: [], longestMin: 90 });
  });

  it('is not go while something is not known', () => {
    const { decision, missing } = decide({ rainMm72h: null, sewage: null });
    expect(decision).toBe('change');
    expect(missing).toEqual(['rain in the last 72 hours', 'sewage warnings']);
  });

  it.each([
    ['lightning', { lightning: true }, {}],
    ['sewage', { sewage: true }, {}],
    ['current', { currentMps: 0.46 }, {}],
    ['watch', {}, { watching: 0 }],
    ['watch', {}, { swimmers: 9 }],
    ['craft', {}, { craft: false }],
  ] as const)('stops for %s, whatever anybody writes', (id, r, g) => {
    const { decision, checks, mayOverrule } = decide(r, g, 300);
    expect(decision).toBe('stop');
    expect(checks[0]).toMatchObject({ id, weight: 'stop', absolute: true });
    expect(mayOverrule).toBe(false);
  });

  it.each([
    ['fog', { visibility: 'fog' as const }],
    ['rain', { rainMm72h: 40 }],
    ['dusk', { lightLeftMin: 10 }],
    ['fouled', { fouled: true }],
    ['waves', { waveHeightM: 1.5 }],
    ['traffic', { traffic: 'through' as const }],
    ['walked', { walked: false }],
    ['wind', { windMps: 9 }],
    ['offshore', { windMps: 6, windFromDeg: 180 }],
    ['cold', { waterC: 9 }],
    ['depth', { depthM: 0.5 }],
  ])('stops for %s, which grown swimmers may overrule with a reason', (id, r) => {
    const day = decide(r);
    expect(day.decision).toBe('stop');
    expect(day.checks.map((c) => c.id)).toContain(id);
    expect(day.mayOverrule).toBe(true);
    for (const guarded of [{ children: 1 }, { firstTimers: 1, watching: 2 }, { settle: 1 }])
      expect(decide(r, guarded).mayOverrule).toBe(false);
  });

  it.each([
    ['minutes', { waterC: 15 }, {}],
    ['against', { windMps: 4, windFromDeg: 90, currentMps: 0.3, currentToDeg: 90 }, {}],
    ['haze', { visibility: 'hazy' as const }, {}],
    ['chop', { waveHeightM: 0.6 }, { firstTimers: 1, watching: 2, minutes: 20 }],
    ['lane', { traffic: 'lane' as const }, {}],
    ['bright', {}, { bright: false }],
    ['signal', {}, { stopSignal: false }],
    ['caller', {}, { caller: ' ' }],
  ])('asks to change the plan for %s', (id, r, g) => {
    const day = decide(r, g);
    expect(day.decision).toBe('change');
    expect(day.checks.map((c) => c.id)).toContain(id);
  });

  it('needs twice as many who watch for first-timers', () => {
    expect(decide({}, { swimmers: 8, firstTimers: 2, watching: 1, minutes: 20 }).decision).toBe('stop');
    expect(decide({}, { swimmers: 8, firstTimers: 2, watching: 2, minutes: 20 }).decision).toBe('go');
  });

  it('never becomes milder when something gets worse', () => {
    const rank = { go: 0, change: 1, stop: 2 };
    const much = fc.double({ min: 0, max: 3, noNaN: true });
    fc.assert(
      fc.property(much, much, much, much, fc.integer({ min: 0, max: 80 }), (wave, more, current, faster, rain) => {
        const day = (w: number, c: number, mm: number) =>
          rank[decide({ waveHeightM: w, currentMps: c, rainMm72h: mm }).decision];
        expect(day(wave + more, current, rain)).toBeGreaterThanOrEqual(day(wave, current, rain));
        expect(day(wave, current + faster, rain)).toBeGreaterThanOrEqual(day(wave, current, rain));
        expect(day(wave, current, rain + 20)).toBeGreaterThanOrEqual(day(wave, current, rain));
      }),
    );
  });

  it('goes by the club’s own tighter rules', () => {
    const strict = { ...WATER_RULES, perWatcher: 4 };
    expect(decideDay({ ...fine, windFromDeg: 0 }, adults, 80, strict).decision).toBe('stop');
  });
});

it('the kit follows the water, the ladder begins in the pool', () => {
  expect(kitList(14, true)).toEqual(expect.arrayContaining(['wetsuit', expect.stringContaining('tinted')]));
  expect(kitList(24, false)).not.toContain('wetsuit');
  expect(FIRST_TIME_LADDER[0]!.name).toContain('pool');
});
