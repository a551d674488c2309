export { NewSessionScreen as default } from '@/sessions/screens/NewSessionScreen';
