export { EyeScreen as default } from '@/eye/screens/EyeScreen';
