export { clipsOf, mayClip } from './clips';
export { noStills } from './stills';
export { focusesOf, openFocusesDue, openFocusesOf, reviewsOf, showFocus, toFocus, type FocusRow } from './service';
