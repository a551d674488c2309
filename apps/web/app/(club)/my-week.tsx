export { MyWeekScreen as default } from '@/race';
