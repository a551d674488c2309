export { MyWeekScreen as default } from '@/goal';
