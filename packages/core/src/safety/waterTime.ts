/** Who the longest time in the water is for. */
export const WATER_PEOPLE = ['used', 'first', 'child'] as const;
export type WaterPerson = (typeof WATER_PEOPLE)[number];

/** Minutes without and with a wetsuit; 0 is not planned. */
type Minutes = readonly [bare: number, wetsuit: number];

interface Band {
  /** Up to this temperature, °C, not including it. */
  readonly under: number;
  readonly minutes: Readonly<Record<WaterPerson, Minutes>>;
  readonly note?: WaterNote;
}

const NONE: Minutes = [0, 0];
/** No limit of the table: the plan decides. */
const BY_PLAN = 600;

/** Longest time in the water by its temperature; defaults that err low, event and club rules win. */
const BANDS: readonly Band[] = [
  {
    under: 10,
    minutes: { used: NONE, first: NONE, child: NONE },
    note: 'winter',
  },
  { under: 12, minutes: { used: [5, 10], first: NONE, child: NONE } },
  { under: 14, minutes: { used: [10, 20], first: [0, 5], child: NONE } },
  { under: 16, minutes: { used: [20, 40], first: [0, 10], child: [0, 5] } },
  { under: 18, minutes: { used: [40, 75], first: [10, 20], child: [0, 15] } },
  { under: 20, minutes: { used: [60, 90], first: [20, 30], child: [15, 25] } },
  { under: 24, minutes: { used: [90, 120], first: [45, 60], child: [40, 50] } },
  {
    under: 29,
    minutes: { used: [BY_PLAN, BY_PLAN], first: [60, 60], child: [50, 50] },
    note: 'drink',
  },
  {
    under: 31,
    minutes: { used: [30, 0], first: [20, 0], child: [20, 0] },
    note: 'easy-no-wetsuit',
  },
  { under: Infinity, minutes: { used: NONE, first: NONE, child: NONE }, note: 'too-warm' },
];

/** In a wetsuit heat builds up: minutes at most from one temperature on, °C, and no wetsuit above the other. */
export const WARM_WETSUIT = { fromC: 24, minutes: 60, overC: 26 } as const;

export interface WaterTime {
  /** Minutes; 0 is not planned. */
  readonly minutes: number;
  readonly note: WaterNote | null;
}

/**
 * The longest time in the water, minutes.
 *
 * @param waterC temperature of the water, °C
 * @throws RangeError for a temperature that is none
 * @example longestInWater(15, 'used', true).minutes // 40
 */
export function longestInWater(waterC: number, who: WaterPerson, wetsuit: boolean): WaterTime {
  if (!(waterC > -5 && waterC < 50)) throw new RangeError('waterC: from −5 to 50');
  const band = BANDS.find((b) => waterC < b.under)!;
  const minutes = band.minutes[who][wetsuit ? 1 : 0];
  if (!wetsuit || waterC < WARM_WETSUIT.fromC || minutes === 0) return { minutes, note: band.note ?? null };
  if (waterC > WARM_WETSUIT.overC) return { minutes: 0, note: 'no-wetsuit' };
  return { minutes: Math.min(minutes, WARM_WETSUIT.minutes), note: 'short-in-wetsuit' };
}

/** What goes with a time in the water. */
export const WATER_NOTES = [
  'winter',
  'drink',
  'easy-no-wetsuit',
  'too-warm',
  'no-wetsuit',
  'short-in-wetsuit',
] as const;
export type WaterNote = (typeof WATER_NOTES)[number];

const NOTE_WORDS: Readonly<Record<WaterNote, string>> = {
  winter: 'Under 10 °C nothing is planned here: winter groups follow their own rules.',
  drink: 'Drink before and after.',
  'easy-no-wetsuit': 'Easy swimming only, no wetsuit.',
  'too-warm': 'Over 31 °C nobody swims.',
  'no-wetsuit': `Over ${WARM_WETSUIT.overC} °C no wetsuit: heat builds up inside it.`,
  'short-in-wetsuit': `In a wetsuit at most ${WARM_WETSUIT.minutes} minutes: heat builds up inside it. Drink before and after. Many events forbid wetsuits in warm water.`,
};

/** The same as a sentence; nothing for none. @example waterNoteWords('drink') // 'Drink before and after.' */
export const waterNoteWords = (note: WaterNote | null): string => (note === null ? '' : NOTE_WORDS[note]);
