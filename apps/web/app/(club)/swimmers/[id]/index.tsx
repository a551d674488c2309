export { SwimmerScreen as default } from '@/swimmers/screens/SwimmerScreen';
