import { AIR_C, WATER_RULES } from '../../safety';
import {
  checkWords,
  decideDay,
  DUSK_MIN,
  FIRST_TIME,
  kitList,
  NEW_GROUP,
  numbersProblem,
  numbersWords,
  readingWord,
  type DayGroup,
  type DayReadings,
} from '..';

/** A fine day: nothing to say. The wind comes from where one swims to, onto the shore. */
const DAY: DayReadings = {
  ...{ waterC: 19, airC: 20, windMps: 1, windFromDeg: 0, offshoreDeg: 0, currentMps: 0, currentToDeg: 180 },
  ...{ waveHeightM: 0.1, rainMm72h: 0, visibility: 'clear', lightning: false, sewage: false, fouled: false },
  ...{ traffic: 'none', wildlife: false, walked: true, lightLeftMin: 240, depthM: null },
};
const GROUP: DayGroup = {
  ...NEW_GROUP,
  ...{ swimmers: 8, slowestMps: 0.9, watching: 1, craft: true, stopSignal: true, caller: 'Maren', bright: true },
};
/** What is said on such a day, as `weight id`, and `!` where nobody may overrule it. */
const said = (r: Partial<DayReadings>, g: Partial<DayGroup> = {}, farthestM: number | null = 40): string[] =>
  decideDay({ ...DAY, ...r }, { ...GROUP, ...g }, farthestM).checks.map(
    ({ weight, id, absolute }) => `${weight} ${id}${absolute ? '!' : ''}`,
  );
const textOf = (id: string, r: Partial<DayReadings>, g: Partial<DayGroup> = {}, farthestM: number | null = 40) =>
  checkWords(decideDay({ ...DAY, ...r }, { ...GROUP, ...g }, farthestM).checks.find((c) => c.id === id)!);

describe('limits of the day, written a second time', () => {
  it('are these', () => {
    expect(WATER_RULES).toEqual({
      ...{ perWatcher: 8, perWatcherFirst: 4, craftBeyondM: 100, windMps: 8, rainMm: 20, leastDepthM: 1 },
    });
    expect(AIR_C).toEqual({ shelter: 5, feltShelter: 0, stop: -5, hot: 30 });
    expect(FIRST_TIME).toEqual({ wavesM: 0.3, windMps: 4, fromShoreM: 50 });
    expect(DUSK_MIN).toBe(30);
    expect(said({})).toEqual([]);
  });

  /** [what, nothing is said at this value, this is said at that one]. */
  it.each<[string, Partial<DayReadings>, Partial<DayReadings>, string]>([
    ['half of the slowest is the most current', { currentMps: 0.45 }, { currentMps: 0.451 }, 'stop current!'],
    ['20 mm of rain in three days', { rainMm72h: 20 }, { rainMm72h: 20.1 }, 'stop rain'],
    ['half an hour before dusk', { lightLeftMin: 30 }, { lightLeftMin: 29 }, 'stop dusk'],
    ['waves of 1.2 m', { waveHeightM: 1.2 }, { waveHeightM: 1.21 }, 'stop waves'],
    ['a metre at the entry', { depthM: 1 }, { depthM: 0.99 }, 'stop depth'],
    ['8 m/s of wind onto the shore', { windMps: 8 }, { windMps: 8.1 }, 'stop wind'],
    ['2 m/s off the shore', { windMps: 2, windFromDeg: 180 }, { windMps: 2.1, windFromDeg: 180 }, 'change offshore'],
    ['60° beside the shore', { windMps: 3, windFromDeg: 120 }, { windMps: 3, windFromDeg: 121 }, 'change offshore'],
    ['60° on the other side', { windMps: 3, windFromDeg: 240 }, { windMps: 3, windFromDeg: 239 }, 'change offshore'],
    ['air of 30 °C', { airC: 30 }, { airC: 30.1 }, 'change air'],
    ['air of 5 °C', { airC: 5 }, { airC: 4.9 }, 'stop air'],
    ['water under 24 °C in a wetsuit', { waterC: 23.9 }, { waterC: 24 }, 'change warm'],
  ])('%s', (_, fine, over, words) => {
    expect(said(fine)).toEqual([]);
    expect(said(over)).toEqual([words]);
  });

  it('wind off the shore is a stop over 5 m/s', () => {
    expect(said({ windMps: 5, windFromDeg: 180 })).toEqual(['change offshore']);
    expect(said({ windMps: 5.1, windFromDeg: 180 })).toEqual(['stop offshore']);
  });

  it('wind against the stream counts from 3 m/s, 0.15 m/s and within 60° on', () => {
    const against = { windMps: 3.1, windFromDeg: 0, currentMps: 0.16, currentToDeg: 59 };
    expect(said(against)).toEqual(['change against']);
    for (const less of [{ windMps: 3 }, { currentMps: 0.15 }, { currentMps: null }, { currentToDeg: 60 }])
      expect(said({ ...against, ...less })).toEqual([]);
    expect(said({ ...against, windMps: null })).toEqual([]);
  });

  it('without lights and a craft the dark is for nobody to allow', () => {
    expect(said({ lightLeftMin: 0 })).toEqual(['stop dusk']);
    expect(said({ lightLeftMin: -1 }, { lights: true })).toEqual(['stop dark']);
    expect(said({ lightLeftMin: -1 })).toEqual(['stop dark!']);
    expect(said({ lightLeftMin: -1 }, { lights: true, craft: false })).toEqual(['stop dark!']);
  });

  it('air under −5 °C stops, shelter or not; felt under 0 °C it asks for shelter', () => {
    expect(said({ airC: -5.1 }, { warmExit: true })).toEqual(['stop air']);
    expect(said({ airC: -5 }, { warmExit: true })).toEqual([]);
    expect(said({ airC: 5, windMps: 7.9 })).toEqual([]);
    // 5 °C in 20 m/s feels like -1.2; in still air like 5.
    expect(said({ airC: 5, windMps: 20 })).toContain('stop air');
    expect(said({ airC: 5, windMps: 0 })).toEqual([]);
    expect(textOf('air', { airC: 3, windMps: 5 })).toBe(
      'Air of 3 °C, felt as −1 °C in the wind: warm shelter and clothes are needed at the exit.',
    );
    // The wind is not named where it makes no half degree.
    expect(textOf('air', { airC: 4, windMps: 1 })).toBe(
      'Air of 4 °C: warm shelter and clothes are needed at the exit.',
    );
  });

  it('one watches eight, four with somebody new; a craft is needed beyond 100 m', () => {
    expect(said({}, { swimmers: 8 })).toEqual([]);
    expect(said({}, { swimmers: 9 })).toEqual(['stop watch!']);
    expect(textOf('watch', {}, { swimmers: 9 })).toBe('9 swimmers need 2 who watch (1 to 8); there is one.');
    expect(textOf('watch', {}, { swimmers: 17, watching: 2 })).toBe(
      '17 swimmers need 3 who watch (1 to 8); there are 2.',
    );
    expect(said({}, { swimmers: 4, firstTimers: 1, minutes: 20 })).toEqual([]);
    expect(said({}, { swimmers: 5, firstTimers: 1, minutes: 20 })).toEqual(['stop watch!']);
    expect(said({}, { watching: 0 })).toEqual(['stop watch!']);
    expect(textOf('watch', {}, { watching: 0 })).toBe('No qualified lifeguard is watching.');
    expect(said({}, { craft: false }, 100)).toEqual([]);
    expect(said({}, { craft: false }, 101)).toEqual(['stop craft!']);
    expect(said({}, { craft: false }, null)).toEqual([]);
  });

  it('three letters are an answer to a health note, and each without one is counted', () => {
    const note = (answer: string) => ({ swimmerId: answer, flag: 'asthma' as const, answer });
    expect(said({}, { health: [note('yes')] })).toEqual([]);
    expect(said({}, { health: [note(' ok ')] })).toEqual(['stop health!']);
    expect(textOf('health', {}, { health: [note('ok')] })).toContain('A health note has no answer');
    expect(textOf('health', {}, { health: [note('ok'), note('')] })).toContain('2 health notes have no answer');
  });

  it('a winter group under 10 °C swims by rules of its own, others not at all', () => {
    expect(said({ waterC: 9.9 })).toEqual(['stop cold!']);
    expect(said({ waterC: 9.9 }, { winterRules: true })).toEqual(['stop cold']);
    // At 10 °C it is not winter yet: five minutes without a wetsuit, none for somebody new.
    expect(said({ waterC: 10 }, { wetsuits: false, minutes: 5 })).toEqual([]);
    expect(said({ waterC: 10 }, { wetsuits: false, swimmers: 4, firstTimers: 1 })).toEqual(['stop cold']);
    expect(textOf('cold', { waterC: 9 })).toContain('At 9 °C in a wetsuit this group does not swim.');
    expect(textOf('cold', { waterC: 9 }, { wetsuits: false })).toContain('At 9 °C without a wetsuit');
    // Not the cold but the child: nobody's winter rules lift it, and nobody overrules it.
    expect(decideDay({ ...DAY, waterC: 12 }, { ...GROUP, children: 1 }, 40).mayOverrule).toBe(false);
  });

  it('longer than the water allows is a change for grown-ups, and a stop with somebody young or new', () => {
    const long = { minutes: 90 };
    expect(said({}, long)).toEqual([]);
    expect(said({}, { minutes: 91 })).toEqual(['change minutes']);
    expect(said({}, { ...long, children: 1 })).toEqual(['stop minutes']);
    expect(said({}, { ...long, swimmers: 4, firstTimers: 1 })).toEqual(['stop minutes']);
    expect(said({}, { ...long, swimmers: 4, minors: 1 })).toEqual(['stop minutes']);
    expect(said({}, { ...long, minors: 1, minorsAgreed: true })).toEqual([]);
  });
});

describe('with somebody new or young', () => {
  const NEW = { swimmers: 4, firstTimers: 1, minutes: 20 };

  it.each<[string, Partial<DayReadings>, Partial<DayReadings>, string]>([
    ['waves of 0.3 m', { waveHeightM: 0.3 }, { waveHeightM: 0.31 }, 'stop chop'],
    ['wind of 4 m/s', { windMps: 4 }, { windMps: 4.1 }, 'stop breeze'],
  ])('%s', (_, fine, over, words) => {
    for (const who of [NEW, { children: 1, minutes: 20 }, { ...NEW, firstTimers: 0, minors: 1 }]) {
      expect(said(fine, who)).toEqual([]);
      expect(said(over, who)).toEqual([words]);
    }
    expect(said(over)).toEqual([]);
  });

  it('they stay within 50 m of the shore, or a craft is beside them', () => {
    expect(said({}, { ...NEW, craft: false }, 50)).toEqual([]);
    expect(said({}, { ...NEW, craft: false }, 51)).toEqual(['stop shore']);
    expect(said({}, { ...NEW, craft: false }, null)).toEqual(['change shore']);
    expect(said({}, NEW, null)).toEqual([]);
    expect(said({}, NEW, 99)).toEqual([]);
  });

  it('missing caps and floats stop where boats are, and ask for a change elsewhere', () => {
    expect(said({}, { bright: false })).toEqual(['change bright']);
    expect(said({ traffic: 'lane' }, { bright: false })).toEqual(['stop bright', 'change lane']);
    expect(said({ traffic: 'through' }, { bright: false })).toEqual(['stop traffic', 'stop bright']);
  });
});

describe('what is not known', () => {
  it('asks first for what nothing goes without, and lists the rest', () => {
    const day = decideDay({ ...DAY, lightning: null, walked: null, rainMm72h: null, traffic: null }, GROUP, 40);
    expect(day.checks.map(checkWords)).toEqual([
      'Find out first: lightning or thunder and whether entry and exits were walked.',
    ]);
    expect(day.missing.map(readingWord)).toEqual(['rain in the last 72 hours', 'boats']);
  });

  it('makes of a go a change, and gives no longest time without the temperature', () => {
    expect(decideDay(DAY, GROUP, 40)).toMatchObject({ decision: 'go', longestMin: 90, mayOverrule: false });
    expect(decideDay({ ...DAY, waterC: null }, GROUP, 40)).toMatchObject({ decision: 'change', longestMin: null });
  });
});

it('numbers of a group fit together', () => {
  const of = (g: Partial<DayGroup>) => {
    const problem = numbersProblem({ ...NEW_GROUP, swimmers: 3, ...g });
    return problem && numbersWords(problem);
  };
  expect(of({ children: 2, minors: 1 })).toBeNull();
  expect(of({ children: 2, minors: 2 })).toContain('4 under 18 of 3');
  expect(of({ firstTimers: 3 })).toBeNull();
  expect(of({ firstTimers: 4 })).toContain('4 first-timers of 3');
  expect(of({ settle: 3 })).toBeNull();
  expect(of({ settle: 4 })).toContain('4 at Settle of 3');
  expect(of({ swimmerIds: ['a', 'b', 'c'] })).toBeNull();
  expect(of({ swimmerIds: ['a', 'b', 'c', 'd'] })).toContain('4 are named of 3');
  expect(of({ swimmers: 1 })).toBeNull();
  expect(of({ swimmers: 0 })).toContain('Nobody is going in');
});

it('the kit changes at 18 and at 16 °C', () => {
  expect(kitList(18, false)).not.toContain('wetsuit');
  expect(kitList(17.9, false)).toContain('wetsuit');
  expect(kitList(16, false)).toContain('ear plugs');
  expect(kitList(16, false).join()).not.toContain('gloves');
  expect(kitList(15.9, false).join()).toContain('gloves');
  expect(kitList(null, false).join()).toContain('gloves');
  expect(kitList(18, true).join()).toContain('tinted goggles');
  expect(kitList(18, true, false).join()).not.toContain('stones');
});

describe('what is said, with its numbers', () => {
  it.each<[string, Partial<DayReadings>, Partial<DayGroup>, number | null, string]>([
    ['minutes', {}, { minutes: 91 }, 40, '91 minutes are planned; at 19 °C this group stays 90 at most.'],
    ['air', { airC: 31 }, {}, 40, 'Air of 31 °C: shade, drink, and a shorter plan.'],
    ['air', { airC: -6 }, {}, 40, 'Air of −6 °C: too cold to come out into.'],
    [
      ...(['current', { currentMps: 0.46 }, {}, 40] as const),
      'The current of 0.46 m/s is over half of the slowest swimmer’s 0.90 m/s.',
    ],
    [
      ...(['craft', {}, { craft: false }, 120] as const),
      'The farthest mark is 120 m out: beyond 100 m a safety craft is needed.',
    ],
    ['rain', { rainMm72h: 21 }, {}, 40, '21 mm of rain in 72 hours wash dirt into the water: wait or move.'],
    ['waves', { waveHeightM: 1.3 }, {}, 40, 'Waves of 1.3 m hide swimmers from those who watch.'],
    ['depth', { depthM: 0.8 }, {}, 40, '0.8 m at the entry: wait for more water.'],
    ['wind', { windMps: 9 }, {}, 40, 'Wind of 9 m/s is over 8.'],
    [
      ...(['chop', { waveHeightM: 0.4 }, { children: 1, minutes: 20 }, 40] as const),
      'Waves of 0.4 m: over 0.3 m nothing for first-timers and those under 18.',
    ],
    [
      ...(['breeze', { windMps: 4.5 }, { children: 1, minutes: 20 }, 40] as const),
      'Wind of 4.5 m/s: over 4 m/s nothing for first-timers and those under 18.',
    ],
    [
      ...(['shore', {}, { children: 1, minutes: 20, craft: false }, 60] as const),
      'The farthest mark is 60 m out: beyond 50 m first-timers and those under 18 need a craft beside them.',
    ],
    [
      ...(['shore', {}, { children: 1, minutes: 20, craft: false }, null] as const),
      'No shore is drawn: nobody can say how far out this goes. Stay in standing depth.',
    ],
  ])('%s, %j', (id, r, g, farthestM, words) => expect(textOf(id, r, g, farthestM)).toBe(words));

  it('the wind is named from half a degree on: 0 °C in 2 m/s feels as −1.9', () => {
    expect(textOf('air', { airC: 0, windMps: 2 })).toContain('Air of 0 °C, felt as −2 °C in the wind');
    expect(textOf('air', { airC: 0, windMps: null })).toContain('Air of 0 °C: warm');
  });

  it('the worst stands first, whatever was asked first', () => {
    expect(said({ waterC: 24, visibility: 'fog', wildlife: true, rainMm72h: 21 })).toEqual([
      ...['stop rain', 'stop fog!', 'change warm', 'change wildlife'],
    ]);
  });

  it('one stop that nobody lifts keeps the others from being lifted', () => {
    const lifted = (r: Partial<DayReadings>) => decideDay({ ...DAY, ...r }, GROUP, 40).mayOverrule;
    expect(lifted({ rainMm72h: 21 })).toBe(true);
    expect(lifted({ rainMm72h: 21, lightning: true })).toBe(false);
    expect(lifted({ wildlife: true })).toBe(false);
  });
});

describe('a swim with the stream', () => {
  const WAY = { bearingDeg: 90, exits: 2, lastNamed: true };
  const STREAM = { currentMps: 0.5, currentToDeg: 90 };
  const day = (r: Partial<DayReadings>, { way = {}, ...g }: Partial<DayGroup> & { way?: Partial<typeof WAY> } = {}) =>
    decideDay({ ...DAY, ...STREAM, ...r }, { ...GROUP, pickUp: 'Ivo', ...g }, 40, undefined, { ...WAY, ...way });
  const saidOf = (...of: Parameters<typeof day>) =>
    day(...of).checks.map(({ weight, id, absolute }) => `${weight} ${id}${absolute ? '!' : ''}`);

  it('may be faster than half of the slowest swimmer, within 60° of the course', () => {
    expect(saidOf({})).toEqual([]);
    for (const currentToDeg of [31, 149]) expect(saidOf({ currentToDeg })).toEqual([]);
    for (const currentToDeg of [30, 150]) expect(saidOf({ currentToDeg })).toEqual(['stop current!', 'change turned']);
    // Slower than half of them it may also be swum back.
    expect(saidOf({ currentMps: 0.45, currentToDeg: 270 })).toEqual(['change turned']);
    expect(saidOf({ currentMps: 0, currentToDeg: 270 })).toEqual([]);
    // Across north.
    expect(saidOf({ currentToDeg: 1 }, { way: { bearingDeg: 310 } })).toEqual([]);
    expect(saidOf({ currentToDeg: 11 }, { way: { bearingDeg: 310 } })).toContain('change turned');
  });

  it('needs its ways out, a craft, and somebody who picks up', () => {
    expect(saidOf({}, { way: { lastNamed: false } })).toEqual(['stop exits!']);
    expect(checkWords(day({}, { way: { lastNamed: false } }).checks[0]!)).toBe(
      'No way out is named as the last before the danger.',
    );
    expect(checkWords(day({}, { way: { lastNamed: false, exits: 0 } }).checks[0]!)).toBe(
      'With the stream, and no way out is drawn along it: draw and walk them first.',
    );
    expect(saidOf({}, { craft: false })).toEqual(['stop escort!']);
    for (const pickUp of ['', '  ', undefined]) expect(saidOf({}, { pickUp })).toEqual(['stop pickup!']);
    // Also in slack water, and before it is known how it runs.
    for (const currentMps of [0, null]) expect(saidOf({ currentMps }, { pickUp: '' })).toContain('stop pickup!');
  });

  it('faster than the slowest swims is a change for those who know it, and a stop with somebody new or young', () => {
    expect(saidOf({ currentMps: 0.9 })).toEqual([]);
    expect(saidOf({ currentMps: 0.91 })).toEqual(['change swept']);
    expect(saidOf({ currentMps: 0.91 }, { children: 1, minutes: 20 })).toEqual(['stop swept']);
    expect(checkWords(day({ currentMps: 1.2 }).checks[0]!)).toBe(
      'The stream of 1.20 m/s is faster than the slowest swimmer (0.90 m/s): nobody comes back to an exit that was passed. Cross to it early.',
    );
  });
});
