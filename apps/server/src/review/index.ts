export { focusesOf, openFocuses, openFocusesDue, reviewsOf } from './service';
