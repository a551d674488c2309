export { CourseEditScreen as default } from '@/water/screens/CourseEditScreen';
