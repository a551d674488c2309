export { clipsOf } from './clips';
export { focusesOf, OPEN_FOCUS, openFocusesDue, reviewsOf, showFocus, toFocus, type FocusRow } from './service';
