import { check } from '@upwell/contract/common';
import { dayReasonSchema } from '@upwell/contract/water';
import {
  CHECK_IDS,
  dayReasonWords,
  decideDay,
  NEW_GROUP,
  type CheckId,
  type DayReason,
  type DayReadings,
} from '@upwell/core/water';
import fc from 'fast-check';
import { reasonOfOlder } from '../src/archive/olderReasons';

const orNull = <T>(some: fc.Arbitrary<T>) => fc.option(some, { nil: null });
const tenths = (from: number, to: number) => fc.integer({ min: from * 10, max: to * 10 }).map((n) => n / 10);
const readings: fc.Arbitrary<DayReadings> = fc.record({
  waterC: orNull(tenths(-3, 40)),
  airC: orNull(tenths(-20, 40)),
  windMps: orNull(tenths(0, 15)),
  windFromDeg: fc.integer({ min: 0, max: 359 }),
  offshoreDeg: fc.integer({ min: 0, max: 359 }),
  currentMps: orNull(tenths(0, 2)),
  currentToDeg: fc.integer({ min: 0, max: 359 }),
  waveHeightM: orNull(tenths(0, 3)),
  rainMm72h: orNull(tenths(0, 60)),
  visibility: fc.constantFrom('clear', 'hazy', 'fog', null),
  lightning: fc.constantFrom(true, false, null),
  sewage: fc.constantFrom(true, false, null),
  fouled: fc.constantFrom(true, false, null),
  traffic: fc.constantFrom('none', 'lane', 'through', null),
  wildlife: fc.boolean(),
  walked: fc.constantFrom(true, false, null),
  lightLeftMin: orNull(fc.integer({ min: -60, max: 200 })),
  depthM: orNull(tenths(0, 3)),
});
const group = fc
  .record({
    swimmers: fc.integer({ min: 0, max: 30 }),
    children: fc.integer({ min: 0, max: 4 }),
    settle: fc.integer({ min: 0, max: 2 }),
    firstTimers: fc.integer({ min: 0, max: 4 }),
    wetsuits: fc.boolean(),
    watching: fc.integer({ min: 0, max: 3 }),
    craft: fc.boolean(),
    caller: fc.constantFrom('', 'Maren'),
    pickUp: fc.constantFrom('', 'Anke'),
    bright: fc.boolean(),
    minutes: fc.integer({ min: 2, max: 200 }),
    health: fc.constantFrom([], [1], [1, 2]),
  })
  .map(({ health, ...rest }) => ({
    ...{ ...NEW_GROUP, ...rest },
    health: health.map((n) => ({ swimmerId: String(n), flag: 'asthma' as const, answer: '' })),
  }));
const far = orNull(fc.integer({ min: 0, max: 900 }));
/** A course with the stream, or one that comes back. */
const way = orNull(
  fc.record({
    bearingDeg: fc.integer({ min: 0, max: 359 }),
    exits: fc.integer({ min: 0, max: 3 }),
    lastNamed: fc.boolean(),
  }),
);
/** Checks that came after the codes: nobody ever signed them as a sentence. */
const NEVER_SENTENCES: readonly CheckId[] = ['exits', 'escort', 'pickup', 'swept', 'turned'];

/** A sentence as it was written until there were codes: with a hyphen for a minus, and lists without an and. */
function olderWords(reason: DayReason): string {
  if (!('id' in reason) || reason.id !== 'unknown') return dayReasonWords(reason).replaceAll('−', '-');
  const words = reason.of.readings.map((m) => dayReasonWords({ missing: m }).replace(/^Not known: (.*)\.$/, '$1'));
  return `Find out first: ${words.join(', ')}.`;
}

describe('reasons of days that were signed before there were codes', () => {
  it('are read as what they said, whatever the day', () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(readings, group, far, way, (r, g, farthestM, along) => {
        const { checks, missing } = decideDay(r, g, farthestM, undefined, along);
        const reasons: DayReason[] = [
          ...checks.map(({ id, of }) => ({ id, of }) as DayReason),
          ...missing.map((m) => ({ missing: m })),
        ];
        for (const reason of reasons) {
          if ('id' in reason) seen.add(reason.id);
          // Codes of today pass the door of an archive as they are.
          expect(check(dayReasonSchema, reason).error).toBeUndefined();
          if ('id' in reason && NEVER_SENTENCES.includes(reason.id)) continue;
          const older = olderWords(reason);
          const read = reasonOfOlder(older);
          expect([older, 'said' in read]).toEqual([older, false]);
          expect(dayReasonWords(read)).toBe(dayReasonWords(reason));
        }
      }),
      { numRuns: 400 },
    );
    // Every check was among them.
    expect(CHECK_IDS.filter((id) => !seen.has(id))).toEqual([]);
  });

  it.each<[string, DayReason]>([
    ['Wind of 9.5 m/s is over 8.', { id: 'wind', of: { windMps: 9.5, mostMps: 8 } }],
    ['Not known: boats.', { missing: 'traffic' }],
    ['No qualified lifeguard is watching.', { id: 'watch', of: { watching: 0 } }],
    [
      'Air of -2 °C, felt as -9 °C in the wind: warm shelter and clothes are needed at the exit.',
      { id: 'air', of: { airC: -2, feltC: -9, ask: 'shelter' } },
    ],
    [
      'Find out first: lightning or thunder, visibility.',
      { id: 'unknown', of: { readings: ['lightning', 'visibility'] } },
    ],
  ])('%s', (said, reason) => expect(reasonOfOlder(said)).toEqual(reason));

  it.each(['The lake was closed.', 'Find out first: the moon.', 'Not known: the moon.', '', 'toString'])(
    'and %j stays as it was said: it was signed',
    (said) => {
      expect(reasonOfOlder(said)).toEqual({ said });
      expect(dayReasonWords({ said })).toBe(said);
    },
  );
});
