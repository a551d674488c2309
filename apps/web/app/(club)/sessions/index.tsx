export { SessionsScreen as default } from '@/sessions';
