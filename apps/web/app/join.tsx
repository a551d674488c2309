export { JoinScreen as default } from '@/people/screens/JoinScreen';
