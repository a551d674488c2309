export { GapLine } from '../parts/GapLine';
export { MyWeekScreen } from './MyWeekScreen';
export { RaceScreen } from './RaceScreen';
export { SeasonScreen } from './SeasonScreen';
