export { HandoutScreen as default } from '@/handout/screens/HandoutScreen';
