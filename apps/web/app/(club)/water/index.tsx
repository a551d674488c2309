export { CoursesScreen as default } from '@/water';
