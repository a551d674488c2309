/** Gain in speed from drafting at the same effort, as a share (Bassett et al. 1991; Chatard & Wilson 2003). */
export const FEET_GAIN = 0.03;
