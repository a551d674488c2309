export { CoursesScreen as default } from '@/water/screens/CoursesScreen';
