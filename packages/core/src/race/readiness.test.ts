import fc from 'fast-check';
import { READY_IDS, readiness, type KnownReadiness } from '.';

const nothing: KnownReadiness = {
  ...{ breathes: 'right', sightsWithoutStopping: null, groupStart: null, coldDips: 2, wetsuitTried: null },
  ...{ courseRehearsed: null, cardRead: null },
};
const everything: KnownReadiness = {
  ...{ breathes: 'both', sightsWithoutStopping: true, groupStart: true, coldDips: 6, wetsuitTried: true },
  ...{ courseRehearsed: true, cardRead: true },
};
const asked = (known: KnownReadiness, today = '2027-06-01', waterC: number | null = 16, wetsuit = true) =>
  readiness({ raceOn: '2027-06-20', today, known, wetsuit, waterC });

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

  it('is never late with what is done, on any day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 28 }), (day) => {
        const items = asked(everything, `2027-06-${String(day).padStart(2, '0')}`);
        expect(items.every((i) => i.state === 'done' && !i.late)).toBe(true);
      }),
    );
  });
});
