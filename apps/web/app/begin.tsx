export { BeginScreen as default } from '@/account/BeginScreen';
