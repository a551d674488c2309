export { ClipScreen } from './ClipScreen';
export { FocusScreen } from './FocusScreen';
export { ReviewScreen } from './ReviewScreen';
