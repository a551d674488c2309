export { SessionsScreen as default } from '@/sessions/screens/SessionsScreen';
