export { SquadsScreen as default } from '@/swimmers/screens/SquadsScreen';
