export { ResetScreen as default } from '@/people/screens/ResetScreen';
