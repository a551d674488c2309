export { RunScreen as default } from '@/deck/screens/RunScreen';
