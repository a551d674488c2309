export { FilmScreen as default } from '@/film/screens/FilmScreen';
