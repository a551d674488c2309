export { SharedHandoutScreen as default } from '@/handout/screens/SharedHandoutScreen';
