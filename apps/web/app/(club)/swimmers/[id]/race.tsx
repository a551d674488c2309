export { RaceScreen as default } from '@/race';
