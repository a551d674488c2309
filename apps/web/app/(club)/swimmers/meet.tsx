export { MeetScreen as default } from '@/records/screens/MeetScreen';
