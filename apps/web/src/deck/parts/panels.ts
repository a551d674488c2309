/** What the deck clock shows only when it is asked for: one part, loaded after the lanes stand. */
export { BeeperPanel } from '../beeper/BeeperPanel';
export { FinishPanel } from './FinishPanel';
export { HeadsPanel } from './HeadsPanel';
export { LaneSheet } from './LaneSheet';
export { SwimmerSheet } from './SwimmerSheet';
