import fc from 'fast-check';
import { addDays } from '../days';
import { poolWeek, type WeekSession } from './poolWeek';

const MONDAY = '2026-11-30';
const evening = {
  id: 'evening',
  poolTimes: [
    { weekday: 4, startTime: '19:00', minutes: 60 },
    { weekday: 2, startTime: '19:00', minutes: 60 },
  ],
};
const session = (change: Partial<WeekSession> = {}): WeekSession => ({
  ...{ id: 's', date: '2026-12-01', startTime: '19:00', minutes: 60, squadIds: ['evening'], ...change },
});

describe('the hired water of a week', () => {
  it('has nothing planned at first, in the order of the days', () => {
    expect(poolWeek([evening], [], MONDAY)).toEqual([
      {
        squadId: 'evening',
        hours: [
          { day: '2026-12-01', startTime: '19:00', minutes: 60, session: null },
          { day: '2026-12-03', startTime: '19:00', minutes: 60, session: null },
        ],
        others: [],
      },
    ]);
  });

  it('is filled by a session of the squad that overlaps it', () => {
    const filled = (change: Partial<WeekSession>) =>
      poolWeek([evening], [session(change)], MONDAY)[0]!.hours.map((hour) => hour.session?.id ?? null);
    expect(filled({})).toEqual(['s', null]);
    expect(filled({ startTime: '19:45' })).toEqual(['s', null]);
    expect(filled({ startTime: '18:30' })).toEqual(['s', null]);
    expect(filled({ startTime: '18:00' })).toEqual([null, null]);
    expect(filled({ startTime: '20:00' })).toEqual([null, null]);
    expect(filled({ date: '2026-12-03' })).toEqual([null, 's']);
    expect(filled({ date: '2026-12-08' })).toEqual([null, null]);
    expect(filled({ squadIds: ['first'] })).toEqual([null, null]);
  });

  it('tells of sessions at other hours, and takes the one that begins nearest', () => {
    const [squad] = poolWeek(
      [evening],
      [
        session({ id: 'late', startTime: '19:30' }),
        session({ id: 'sharp' }),
        session({ id: 'camp', date: '2026-12-05' }),
      ],
      MONDAY,
    );
    expect(squad!.hours[0]!.session!.id).toBe('sharp');
    expect(squad!.others.map(({ id }) => id)).toEqual(['late', 'camp']);
  });

  it('has every session of a squad in that week once, and no other', () => {
    const day = fc.integer({ min: -3, max: 10 }).map((n) => addDays(MONDAY, n));
    const time = fc.constantFrom('07:00', '18:30', '19:00', '19:30', '23:30');
    const planned = fc.record({
      id: fc.uuid(),
      date: day,
      startTime: time,
      minutes: fc.constantFrom(30, 60, 90),
      squadIds: fc.subarray(['a', 'b']),
    });
    const hours = fc.array(
      fc.record({ weekday: fc.integer({ min: 1, max: 7 }), startTime: time, minutes: fc.constantFrom(45, 60) }),
      { maxLength: 5 },
    );
    fc.assert(
      fc.property(fc.uniqueArray(planned, { selector: (s) => s.id }), hours, hours, (sessions, a, b) => {
        const squads = [
          { id: 'a', poolTimes: a },
          { id: 'b', poolTimes: b },
        ];
        for (const { squadId, hours: of, others } of poolWeek(squads, sessions, MONDAY)) {
          const shown = [...of.flatMap((h) => (h.session ? [h.session] : [])), ...others].map((s) => s.id).sort();
          const mine = sessions
            .filter((s) => s.squadIds.includes(squadId) && s.date >= MONDAY && s.date <= '2026-12-06')
            .map((s) => s.id)
            .sort();
          expect(shown).toEqual(mine);
          for (const { day: on, session: at } of of) if (at) expect(at.date).toBe(on);
        }
      }),
    );
  });
});
