export { LoadScreen as default } from '@/sessions/screens/LoadScreen';
