export { PeopleScreen as default } from '@/people/screens/PeopleScreen';
