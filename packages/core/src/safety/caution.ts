/** Said once, plainly, where a decision is made. */
export const CAUTION =
  'Upwell informs. The lifeguard, the doctor, the rules of the pool or the event, and your own judgement come first.';
