export { SessionScreen as default } from '@/sessions';
