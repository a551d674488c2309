export { SeasonScreen as default } from '@/goal';
