/** What a device's clocks say at one moment. */
export interface Reading {
  /** Milliseconds that only ever rise while the page lives. */
  readonly monoMs: number;
  /** The device's clock, milliseconds since 1970; may be set by hand at any time. */
  readonly wallMs: number;
  /** Which life of the page: another one starts its rising clock again. */
  readonly page: string;
  /** Whether the page was hidden at some moment since the last reading. */
  readonly hidden: boolean;
}

/** A stretch whose length the clocks do not agree on. */
export interface ClockDoubt {
  readonly atMs: number;
  readonly why: 'clock set back while closed' | 'away for long' | 'clock set or asleep';
  /** Seconds that may be missing, or too much. */
  readonly seconds: number;
}

/** The deck clock: runs like the device's clock at the moment it was started, whatever happens to that one later. */
export interface DeckClock {
  readonly nowMs: number;
  readonly last: Reading;
  readonly doubts: readonly ClockDoubt[];
}

/** Smaller differences of the two clocks are their ordinary drift. */
const NOTICED_MS = 500;
/** A page closed for longer than this belongs to another day. */
const LONG_AWAY_MS = 6 * 3600_000;

/** @example startDeckClock({ monoMs: 0, wallMs: 1_800_000_000_000, page: 'a', hidden: false }).nowMs // 1_800_000_000_000 */
export function startDeckClock(reading: Reading): DeckClock {
  return { nowMs: reading.wallMs, last: reading, doubts: [] };
}

/**
 * The deck clock some time later.
 *
 * - While the page lives and is seen, the rising clock counts and nothing else: setting the device's
 *   clock changes nothing. When the two come apart by more than half a second a doubt is kept, because a
 *   device that slept unnoticed looks the same.
 * - A hidden page may have slept, during which the rising clock of some devices stands still: the longer
 *   of the two counts.
 * - Over a reload or a closed tab only the device's clock knows. Set back, it counts as no time, and the
 *   doubt is kept so that the coach can look.
 */
export function readDeckClock(clock: DeckClock, reading: Reading): DeckClock {
  const { last } = clock;
  const wall = reading.wallMs - last.wallMs;
  const doubt = (why: ClockDoubt['why'], ms: number): readonly ClockDoubt[] => [
    ...clock.doubts,
    { atMs: clock.nowMs, why, seconds: ms / 1000 },
  ];
  if (reading.page !== last.page) {
    const passed = Math.max(0, wall);
    return {
      nowMs: clock.nowMs + passed,
      last: reading,
      doubts:
        wall < 0
          ? doubt('clock set back while closed', wall)
          : wall > LONG_AWAY_MS
            ? doubt('away for long', wall)
            : clock.doubts,
    };
  }
  const mono = Math.max(0, reading.monoMs - last.monoMs);
  const apart = wall - mono;
  if (reading.hidden) return { nowMs: clock.nowMs + Math.max(mono, wall), last: reading, doubts: clock.doubts };
  return {
    nowMs: clock.nowMs + mono,
    last: reading,
    doubts: Math.abs(apart) > NOTICED_MS ? doubt('clock set or asleep', apart) : clock.doubts,
  };
}

/** The deck clock with the seconds of its last doubt added, when the coach says that the device was asleep. */
export function trustWall(clock: DeckClock): DeckClock {
  const last = clock.doubts.at(-1);
  if (!last) return clock;
  return { ...clock, nowMs: clock.nowMs + Math.max(0, last.seconds) * 1000, doubts: clock.doubts.slice(0, -1) };
}

/** The moment of an event that the page stamped with its rising clock. */
export function momentOf(clock: DeckClock, monoMs: number): number {
  return clock.nowMs + (monoMs - clock.last.monoMs);
}
