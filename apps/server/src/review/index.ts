export { clipsOf } from './clips';
export { focusesOf, openFocusesDue, reviewsOf, showFocus, toFocus, type FocusRow } from './service';
