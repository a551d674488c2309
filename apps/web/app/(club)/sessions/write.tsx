export { WriteSessionScreen as default } from '@/sessions';
