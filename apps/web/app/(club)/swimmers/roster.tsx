export { RosterScreen as default } from '@/roster/screens/RosterScreen';
