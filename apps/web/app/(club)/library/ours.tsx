export { OursScreen as default } from '@/library/screens/OursScreen';
