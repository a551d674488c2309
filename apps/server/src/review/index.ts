export { focusesOf, OPEN_FOCUS, openFocusesDue, reviewsOf, toFocus, type FocusRow } from './service';
