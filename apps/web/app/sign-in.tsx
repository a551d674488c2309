export { SignInScreen as default } from '@/account/SignInScreen';
