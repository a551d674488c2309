export { CourseEditScreen as default } from '@/water';
