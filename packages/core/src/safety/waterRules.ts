/** What the club may tighten. */
export interface WaterRules {
  readonly perWatcher: number;
  readonly perWatcherFirst: number;
  readonly craftBeyondM: number;
  readonly windMps: number;
  readonly rainMm: number;
  readonly leastDepthM: number;
}
export const WATER_RULES: WaterRules = {
  perWatcher: 8,
  perWatcherFirst: 4,
  craftBeyondM: 100,
  windMps: 8,
  rainMm: 20,
  leastDepthM: 1,
};
