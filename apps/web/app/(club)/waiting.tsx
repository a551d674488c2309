export { WaitingScreen as default } from '@/offline/screens/WaitingScreen';
