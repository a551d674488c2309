export { AccountScreen as default } from '@/account/AccountScreen';
