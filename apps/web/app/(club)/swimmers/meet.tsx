export { MeetScreen as default } from '@/records';
