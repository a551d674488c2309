export { SeasonScreen as default } from '@/race';
