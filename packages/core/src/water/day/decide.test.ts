import fc from 'fast-check';
import { longestInWater, WATER_RULES } from '../../safety';
import {
  decideDay,
  FIRST_TIME,
  kitList,
  NEW_GROUP,
  numbersProblem,
  numbersWords,
  readingWord,
  type DayGroup,
  type DayReadings,
} from '..';

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
  ...NEW_GROUP,
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

  it.each(['lightning', 'sewage', 'fouled', 'visibility', 'walked'] as const)(
    'is not go, and not overruled, before %s is answered',
    (of) => {
      const { decision, checks, mayOverrule } = decide({ [of]: null });
      expect([decision, mayOverrule]).toEqual(['stop', false]);
      expect(checks).toEqual([expect.objectContaining({ id: 'unknown', absolute: true })]);
    },
  );

  it('asks to find out the rest', () => {
    const { decision, missing } = decide({ rainMm72h: null, airC: null, traffic: null, waterC: null });
    expect(decision).toBe('change');
    expect(missing.map(readingWord)).toEqual([
      'the temperature of the water',
      'the temperature of the air',
      'rain in the last 72 hours',
      'boats',
    ]);
  });

  it('is a stop when nothing is known at all', () => {
    const nothing = Object.fromEntries(Object.keys(fine).map((key) => [key, null])) as unknown as DayReadings;
    const unknown = { ...nothing, windFromDeg: 0, offshoreDeg: 0, currentToDeg: 0 };
    expect(decideDay(unknown, adults, null)).toMatchObject({ decision: 'stop', mayOverrule: false });
  });

  // Nobody, ever.
  it.each<[string, Partial<DayReadings>, Partial<DayGroup>]>([
    ['lightning', { lightning: true }, {}],
    ['sewage', { sewage: true }, {}],
    ['fouled', { fouled: true }, {}],
    ['current', { currentMps: 0.46 }, {}],
    ['watch', {}, { watching: 0 }],
    ['watch', {}, { swimmers: 9 }],
    ['caller', {}, { caller: ' ' }],
    ['craft', {}, { craft: false }],
    ['fog', { visibility: 'fog' }, {}],
    ['dark', { lightLeftMin: -1 }, {}],
    ['dark', { lightLeftMin: -60 }, { lights: true, craft: false }],
    ['cold', { waterC: 9.9 }, {}],
    ['cold', { waterC: 2 }, { wetsuits: false }],
    ['walked', { walked: false }, {}],
    ['traffic', { traffic: 'through' }, { craft: false }],
    ['settle', {}, { settle: 1 }],
    ['numbers', {}, { swimmers: 0 }],
    ['health', {}, { health: [{ swimmerId: 'x', flag: 'asthma', answer: ' ' }] }],
  ])('stops for %s, whatever anybody writes', (id, r, g) => {
    const { decision, checks, mayOverrule } = decide(r, g, 300);
    expect([decision, mayOverrule]).toEqual(['stop', false]);
    expect(checks.find((c) => c.id === id)).toMatchObject({ weight: 'stop', absolute: true });
  });

  // The head coach, naming the rule or the person.
  it.each<[string, Partial<DayReadings>, Partial<DayGroup>]>([
    ['rain', { rainMm72h: 40 }, {}],
    ['dusk', { lightLeftMin: 29 }, {}],
    ['dark', { lightLeftMin: -20 }, { lights: true }],
    ['waves', { waveHeightM: 1.3 }, {}],
    ['traffic', { traffic: 'through' }, {}],
    ['wind', { windMps: 9 }, {}],
    ['offshore', { windMps: 6, windFromDeg: 180 }, {}],
    ['cold', { waterC: 9 }, { winterRules: true }],
    ['cold', { waterC: 27 }, {}],
    ['depth', { depthM: 0.5 }, {}],
    ['air', { airC: -10 }, { warmExit: true }],
    ['air', { airC: 4.9 }, {}],
    // 7 °C in 6 m/s of wind feels like 4, 4 °C like 1; 1 °C like −4.
    ['air', { airC: 1, windMps: 6 }, {}],
    ['bright', { traffic: 'lane' }, { bright: false }],
  ])('stops for %s, which is lifted for grown-ups only', (id, r, g) => {
    const day = decide(r, g);
    expect(day.decision).toBe('stop');
    expect(day.checks.find((c) => c.id === id)).toMatchObject({ weight: 'stop', absolute: false });
    expect(day.mayOverrule).toBe(true);
    for (const guarded of [
      { children: 1 },
      { minors: 1 },
      { minors: 1, minorsAgreed: true },
      { firstTimers: 1, watching: 2 },
      { settle: 1 },
    ])
      expect(decide(r, { ...g, ...guarded }).mayOverrule).toBe(false);
  });

  it.each<[string, Partial<DayReadings>, Partial<DayGroup>]>([
    ['minutes', { waterC: 15 }, {}],
    ['against', { windMps: 4, windFromDeg: 90, currentMps: 0.3, currentToDeg: 90 }, {}],
    ['haze', { visibility: 'hazy' }, {}],
    ['lane', { traffic: 'lane' }, {}],
    ['bright', {}, { bright: false }],
    ['signal', {}, { stopSignal: false }],
    ['wildlife', { wildlife: true }, {}],
    ['air', { airC: 31 }, {}],
    ['warm', { waterC: 25 }, {}],
    ['shore', {}, { firstTimers: 1, watching: 2, minutes: 20, craft: false }],
  ])('asks to change the plan for %s', (id, r, g) => {
    const day = decide(r, g, id === 'shore' ? null : 80);
    expect(day.decision).toBe('change');
    expect(day.checks.map((c) => c.id)).toContain(id);
  });

  describe('with first-timers or children', () => {
    const firsts = { firstTimers: 1, watching: 2, minutes: 20 };
    const at = (r: Partial<DayReadings>, g: Partial<DayGroup> = {}, m = 40) => decide(r, { ...firsts, ...g }, m);

    it('has the limits of the table, written a second time', () =>
      expect(FIRST_TIME).toEqual({ wavesM: 0.3, windMps: 4, fromShoreM: 50 }));

    it.each<[string, Partial<DayReadings>, Partial<DayGroup>, number]>([
      ['chop', { waveHeightM: 0.31 }, {}, 40],
      ['breeze', { windMps: 4.1 }, {}, 40],
      ['shore', {}, { craft: false }, 51],
      // 13 °C in a wetsuit: five minutes.
      ['minutes', { waterC: 13 }, { minutes: 6 }, 40],
    ])('%s is a stop', (id, r, g, m) => {
      const day = at(r, g, m);
      expect([day.decision, day.mayOverrule]).toEqual(['stop', false]);
      expect(day.checks[0]!.id).toBe(id);
      // Those of 16 and 17 count as first-timers, until the guardian and the head coach say otherwise.
      const young = { minors: 1, watching: 2, minutes: g.minutes ?? 20, ...g };
      expect(decide(r, young, m).decision).toBe('stop');
      expect(decide(r, { ...young, minorsAgreed: true }, m).decision).not.toBe('stop');
    });

    it('is go just inside them', () => {
      expect(at({ waveHeightM: 0.3, windMps: 4 }).decision).toBe('go');
      expect(at({}, { craft: false }, 50).decision).toBe('go');
      expect(at({ waterC: 13 }, { minutes: 5 }).decision).toBe('go');
    });
  });

  it('needs twice as many who watch for first-timers', () => {
    expect(decide({}, { swimmers: 8, firstTimers: 2, watching: 1, minutes: 20 }).decision).toBe('stop');
    expect(decide({}, { swimmers: 8, firstTimers: 2, watching: 2, minutes: 20 }).decision).toBe('go');
  });

  it('lets a cold day go where shelter and clothes wait at the exit, and health notes are answered', () => {
    expect(decide({ airC: 3 }, { warmExit: true }).decision).toBe('go');
    expect(decide({ airC: -6 }, { warmExit: true }).decision).toBe('stop');
    const health = [{ swimmerId: 'x', flag: 'asthma', answer: 'Inhaler at the exit.' }] as const;
    expect(decide({}, { health }).decision).toBe('go');
  });

  it.each<[Partial<DayGroup>, string]>([
    [{ swimmers: 0 }, 'Nobody is going in'],
    [{ swimmers: 2, children: 9 }, '9 under 18 of 2'],
    [{ swimmers: 2, children: 1, minors: 2 }, '3 under 18 of 2'],
    [{ swimmers: 2, firstTimers: 3 }, '3 first-timers of 2'],
    [{ swimmers: 2, settle: 3 }, '3 at Settle of 2'],
    [{ swimmers: 1, swimmerIds: ['a', 'b'] }, '2 are named of 1'],
  ])('wants numbers that fit: %p', (g, said) => {
    expect(numbersWords(numbersProblem({ ...adults, ...g })!)).toContain(said);
    expect(decide({}, g).decision).toBe('stop');
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

  it('is never milder for a group with somebody young or new in it', () => {
    const rank = { go: 0, change: 1, stop: 2 };
    const reading = fc.record({
      waterC: fc.double({ min: 0, max: 32, noNaN: true }),
      airC: fc.double({ min: -10, max: 35, noNaN: true }),
      windMps: fc.double({ min: 0, max: 12, noNaN: true }),
      waveHeightM: fc.double({ min: 0, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(reading, fc.constantFrom('children', 'minors', 'firstTimers', 'settle'), (r, who) => {
        const [grown, young] = [decide(r, { watching: 2 }), decide(r, { watching: 2, [who]: 1 })];
        expect(rank[young.decision]).toBeGreaterThanOrEqual(rank[grown.decision]);
        expect(young.mayOverrule).toBe(false);
      }),
    );
  });

  it('goes by the club’s own tighter rules', () => {
    const strict = { ...WATER_RULES, perWatcher: 4 };
    expect(decideDay({ ...fine, windFromDeg: 0 }, adults, 80, strict).decision).toBe('stop');
  });
});

it('the kit follows the water', () => {
  expect(kitList(14, true)).toEqual(expect.arrayContaining(['wetsuit', expect.stringContaining('tinted')]));
  expect(kitList(24, false)).not.toContain('wetsuit');
});
