export { noSentClips } from './service';
