export { MirrorScreen as default } from '@/film/screens/MirrorScreen';
