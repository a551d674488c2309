export { SquadTestScreen as default } from '@/swimtests/screens/SquadTestScreen';
