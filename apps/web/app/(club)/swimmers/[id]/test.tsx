export { TestScreen as default } from '@/swimtests/screens/TestScreen';
