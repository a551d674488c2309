/** Who the longest time in the water is for. */
export const WATER_PEOPLE = ['used', 'first', 'child'] as const;
export type WaterPerson = (typeof WATER_PEOPLE)[number];

/** Minutes without and with a wetsuit; 0 is not planned. */
type Minutes = readonly [bare: number, wetsuit: number];

interface Band {
  /** Up to this temperature, °C, not including it. */
  readonly under: number;
  readonly minutes: Readonly<Record<WaterPerson, Minutes>>;
  readonly word?: string;
}

const NONE: Minutes = [0, 0];
/** No limit of the table: the plan decides. */
const BY_PLAN = 600;

/** Longest time in the water by its temperature; defaults that err low, event and club rules win. */
const BANDS: readonly Band[] = [
  {
    under: 10,
    minutes: { used: NONE, first: NONE, child: NONE },
    word: 'Under 10 °C nothing is planned here: winter groups follow their own rules.',
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
    word: 'Drink before and after.',
  },
  {
    under: 31,
    minutes: { used: [30, 0], first: [20, 0], child: [20, 0] },
    word: 'Easy swimming only, no wetsuit.',
  },
  { under: Infinity, minutes: { used: NONE, first: NONE, child: NONE }, word: 'Over 31 °C nobody swims.' },
];

/** In a wetsuit heat builds up: minutes at most from one temperature on, °C, and no wetsuit above the other. */
export const WARM_WETSUIT = { fromC: 24, minutes: 60, overC: 26 } as const;

export interface WaterTime {
  /** Minutes; 0 is not planned. */
  readonly minutes: number;
  readonly word: string | null;
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
  if (!wetsuit || waterC < WARM_WETSUIT.fromC || minutes === 0) return { minutes, word: band.word ?? null };
  if (waterC > WARM_WETSUIT.overC)
    return { minutes: 0, word: `Over ${WARM_WETSUIT.overC} °C no wetsuit: heat builds up inside it.` };
  return {
    minutes: Math.min(minutes, WARM_WETSUIT.minutes),
    word: `In a wetsuit at most ${WARM_WETSUIT.minutes} minutes: heat builds up inside it. Drink before and after. Many events forbid wetsuits in warm water.`,
  };
}
