export { NotFoundScreen as default } from '@/frame';
