export { SwimmersScreen as default } from '@/swimmers/screens/SwimmersScreen';
