export { NewSessionScreen as default } from '@/sessions';
