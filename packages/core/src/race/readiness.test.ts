import fc from 'fast-check';
import { READY_IDS, readiness, type KnownReadiness, type RaceAsked } from '.';

const nothing: KnownReadiness = {
  ...{ breathes: 'right', sightsWithoutStopping: null, groupStart: null, coldDips: 2, wetsuitTried: null },
  ...{ courseRehearsed: null, swumM: [], longSwims: null, fed: null, cardRead: null },
};
const everything: KnownReadiness = {
  ...{ breathes: 'both', sightsWithoutStopping: true, groupStart: true, coldDips: 6, wetsuitTried: true },
  ...{ courseRehearsed: true, swumM: [6000, 7000], longSwims: null, fed: true, cardRead: true },
};
/** 10 km at 1 m/s: almost three hours. */
const LONG = { distanceM: 10_000, longestM: 3000, speedMps: 1, outside: true };
const asked = (known: KnownReadiness, today = '2027-06-01', waterC: number | null = 16, wetsuit = true) =>
  readiness({ raceOn: '2027-06-20', today, known, wetsuit, waterC, race: LONG });

describe('readiness for a race outside', () => {
  it('lists what is missing by the day it is due, the earliest first', () => {
    const items = asked(nothing);
    expect(items.map((i) => i.id)).toEqual(READY_IDS);
    expect(items.map((i) => i.by)).toEqual([...items.map((i) => i.by)].sort());
    expect(items[0]).toMatchObject({ state: 'missing', by: '2027-05-23', late: true });
    expect(items.at(-1)).toMatchObject({ state: 'unknown', by: '2027-06-18', late: false });
    expect(items.find((i) => i.id === 'cold')!.text).toContain('2 so far');
  });

  it('asks neither for cold dips in warm water nor for a wetsuit nobody wears', () => {
    const ids = asked(nothing, '2027-06-01', 21, false).map((i) => i.id);
    expect(ids).not.toContain('cold');
    expect(ids).not.toContain('wetsuit');
    // Nobody knows how cold it will be: then it counts as cold.
    expect(asked(nothing, '2027-06-01', null).map((i) => i.id)).toContain('cold');
  });

  it('asks for long swims and for feeding where the race is long', () => {
    const state = (race: Partial<RaceAsked>, known: Partial<KnownReadiness> = {}) =>
      readiness({
        ...{ raceOn: '2027-06-20', today: '2027-06-01', wetsuit: false, waterC: 21 },
        ...{ known: { ...nothing, ...known }, race: { ...LONG, ...race } },
      }).find((i) => i.id === 'long-swims' || i.id === 'feeds');
    // 10 km asks a longest swim of 7 km; the last but one of the weeks is a fifth shorter: 5.83 km, said in hundreds.
    expect(state({})).toMatchObject({ state: 'unknown', by: '2027-06-06', late: false });
    expect(state({})!.text).toBe('swim 5.9 km or more twice in water like that of the race (0 on record)');
    expect(state({}, { swumM: [5900, 5800, 9000] })!.state).toBe('done');
    expect(state({}, { swumM: [5900, 5800] })!.text).toContain('(1 on record)');
    expect(state({}, { longSwims: false })!.state).toBe('missing');
    // No child is asked for more than the farthest of that age.
    expect(state({ mostM: 3000 })!.text).toContain('swim 2.5 km or more');
    // 1,400 m is no long race; at 0.25 m/s it takes an hour and a half and four minutes more.
    expect(state({ distanceM: 1400 })).toBeUndefined();
    expect(state({ distanceM: 1400, speedMps: 0.25 })).toMatchObject({ id: 'feeds', by: '2027-06-06' });
    expect(state({ distanceM: 1350, speedMps: 0.25 })).toBeUndefined();
    expect(state({ distanceM: 1400, speedMps: 0.25 }, { fed: true })!.state).toBe('done');
  });

  it('is never late with what is done, on any day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 28 }), (day) => {
        const items = asked(everything, `2027-06-${String(day).padStart(2, '0')}`);
        expect(items.every((i) => i.state === 'done' && !i.late)).toBe(true);
      }),
    );
  });
});
