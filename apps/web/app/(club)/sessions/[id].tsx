export { SessionScreen as default } from '@/sessions/screens/SessionScreen';
