export { DrillEditScreen as default } from '@/library/screens/DrillEditScreen';
