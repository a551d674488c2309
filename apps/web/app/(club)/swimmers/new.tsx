export { NewSwimmerScreen as default } from '@/swimmers/screens/SwimmerFormScreen';
