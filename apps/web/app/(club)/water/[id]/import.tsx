export { CourseImportScreen as default } from '@/water';
