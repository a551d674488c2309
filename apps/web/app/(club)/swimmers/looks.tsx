export { LooksScreen as default } from '@/swimmers/screens/LooksScreen';
