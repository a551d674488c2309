export { clipsOf } from './clips';
export { focusesOf, openFocusesDue, openFocusesOf, reviewsOf, showFocus, toFocus, type FocusRow } from './service';
