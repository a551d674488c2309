export { CourseScreen as default } from '@/water/screens/CourseScreen';
