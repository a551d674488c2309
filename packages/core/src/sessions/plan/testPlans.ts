import type { AnySet, Block, GroupPlan, Item, Rounds, SessionPlan, SwimSet } from './model';

/** A plain set for tests, with what matters changed. */
export const setOf = (change: Partial<SwimSet> = {}): SwimSet => ({
  kind: 'swim',
  id: 's',
  reps: 4,
  lengths: 2,
  stroke: 'front-crawl',
  drill: null,
  effort: 0.8,
  breathing: { kind: 'free' },
  sighting: null,
  strokeRateSpm: null,
  timing: { kind: 'rest', seconds: 20 },
  kit: [],
  note: '',
  ...change,
});

export const blockOf = (items: readonly Item[], change: Partial<Block> = {}): Block => ({
  kind: 'main',
  id: 'b',
  landMinutes: 0,
  items,
  note: '',
  ...change,
});

/** A group of Hold that swims 1 m/s with strokes of 1 m. */
export const groupOf = (items: readonly (AnySet | Item)[], change: Partial<GroupPlan> = {}): GroupPlan => ({
  id: 'g',
  level: 'hold',
  model: 'long-line',
  name: 'Hold',
  swimmers: 8,
  lanes: 2,
  v400Mps: 1,
  paceIsGuess: false,
  strokeLengthM: 1,
  paceTable: [],
  knownDrills: [],
  breathRecord: null,
  note: '',
  blocks: [blockOf(items)],
  ...change,
});

/** Sets swum through several times. */
export const roundsOf = (rounds: number, items: readonly Item[]): Rounds => ({
  kind: 'rounds',
  id: 'r',
  rounds,
  items,
});

export const planOf = (groups: readonly GroupPlan[], change: Partial<SessionPlan> = {}): SessionPlan => ({
  kind: 'aerobic',
  theme: 'spins',
  place: 'pool',
  pool: { length: 25, unit: 'm' },
  minutes: 60,
  seed: 1,
  note: '',
  groups,
  ...change,
});
