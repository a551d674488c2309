import { type HealthFlag, levelCard } from '../../swimmers';

/** What is known before anyone gets in. Null is not known yet. */
export interface DayReadings {
  readonly waterC: number | null;
  readonly airC: number | null;
  readonly windMps: number | null;
  /** Where the wind comes from, degrees. */
  readonly windFromDeg: number;
  /** From the start straight out onto the water, degrees. */
  readonly offshoreDeg: number;
  readonly currentMps: number | null;
  readonly currentToDeg: number;
  readonly waveHeightM: number | null;
  readonly rainMm72h: number | null;
  readonly visibility: 'clear' | 'hazy' | 'fog' | null;
  readonly lightning: boolean | null;
  readonly sewage: boolean | null;
  /** Bloom, floating matter, or water that smells. */
  readonly fouled: boolean | null;
  readonly traffic: 'none' | 'lane' | 'through' | null;
  readonly wildlife: boolean | null;
  /** Entry, exit and where else one can get out, walked beforehand. */
  readonly walked: boolean | null;
  /** Minutes between the end of the plan and dusk. */
  readonly lightLeftMin: number | null;
  /** Wet and dry: the depth at the entry, metres. */
  readonly depthM: number | null;
}

/** A health note of a swimmer who goes in, with the answer to it. */
export interface HealthAnswer {
  readonly swimmerId: string;
  readonly flag: HealthFlag;
  /** The doctor's word, medicine at the exit, who stays alongside; empty until answered. */
  readonly answer: string;
}

export interface DayGroup {
  readonly swimmers: number;
  /** Under 16. */
  readonly children: number;
  /** 16 and 17. */
  readonly minors: number;
  /** The guardians and the head coach let those of 16 and 17 swim as grown-ups do. */
  readonly minorsAgreed: boolean;
  readonly settle: number;
  readonly firstTimers: number;
  /** Slowest of the group, m/s. */
  readonly slowestMps: number;
  readonly wetsuits: boolean;
  /** Qualified people who watch. */
  readonly watching: number;
  /** A safety craft beside them. */
  readonly craft: boolean;
  readonly stopSignal: boolean;
  readonly caller: string;
  /** Who picks up at the finish and at the exits of a swim with the stream; left out in groups from before. */
  readonly pickUp?: string;
  /** Bright caps and tow floats for everyone. */
  readonly bright: boolean;
  /** Lights on every swimmer. */
  readonly lights: boolean;
  /** Warm shelter and clothes at the exit. */
  readonly warmExit: boolean;
  /** A winter group that swims under 10 °C by its own rules. */
  readonly winterRules: boolean;
  readonly minutes: number;
  /** Who goes in, where they are known by name. */
  readonly swimmerIds: readonly string[];
  /** Health notes of those. */
  readonly health: readonly HealthAnswer[];
}

export const DECISIONS = ['go', 'change', 'stop'] as const;
export type Decision = (typeof DECISIONS)[number];

/** A group of which nothing is known yet but the usual. */
export const NEW_GROUP: DayGroup = {
  ...{
    swimmers: 6,
    children: 0,
    minors: 0,
    minorsAgreed: false,
    settle: 0,
    firstTimers: 0,
    slowestMps: levelCard('build').defaultV400Mps,
  },
  ...{ wetsuits: true, watching: 0, craft: false, stopSignal: false, caller: '', bright: false, lights: false },
  ...{ warmExit: false, winterRules: false, minutes: 40, swimmerIds: [], health: [] },
};
