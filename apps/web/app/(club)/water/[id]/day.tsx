export { DayScreen as default } from '@/water';
