export { BeeperPanel } from './beeper/BeeperPanel';
export { Tap } from './parts/Tap';
export { DeckTime } from './time';
export { useNow } from './useNow';
export { useTodayQuery } from './api';
