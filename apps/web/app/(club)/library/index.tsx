export { LibraryScreen as default } from '@/library/screens/LibraryScreen';
