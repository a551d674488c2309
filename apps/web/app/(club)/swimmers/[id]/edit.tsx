export { EditSwimmerScreen as default } from '@/swimmers/screens/SwimmerFormScreen';
