export { PersonScreen as default } from '@/swimmers/screens/PersonScreen';
