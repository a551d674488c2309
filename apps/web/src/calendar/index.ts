export { CalendarAddress } from './CalendarAddress';
