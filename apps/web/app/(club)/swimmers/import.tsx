export { ImportScreen as default } from '@/records';
