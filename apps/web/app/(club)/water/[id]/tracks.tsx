export { TracksScreen as default } from '@/water';
