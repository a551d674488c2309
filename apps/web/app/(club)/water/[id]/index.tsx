export { CourseScreen as default } from '@/water';
