export { LoadScreen as default } from '@/sessions';
