export { RaceCardScreen as default } from '@/water';
