export { DayScreen as default } from '@/water/screens/DayScreen';
