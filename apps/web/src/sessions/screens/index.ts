export { LoadScreen } from './LoadScreen';
export { NewSessionScreen } from './NewSessionScreen';
export { SessionScreen } from './SessionScreen';
export { SessionsScreen } from './SessionsScreen';
export { WriteSessionScreen } from './WriteSessionScreen';
