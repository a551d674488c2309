export { WriteSessionScreen as default } from '@/sessions/screens/WriteSessionScreen';
