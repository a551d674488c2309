export { BeeperPanel } from './beeper/BeeperPanel';
export { Tap } from './parts/Tap';
export { DeckTime } from './time';
export { useDeckTime } from './useDeckTime';
export { useNow } from './useNow';
