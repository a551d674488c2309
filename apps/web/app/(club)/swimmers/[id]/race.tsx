export { RaceScreen as default } from '@/goal';
