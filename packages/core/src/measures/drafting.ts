/** Same effort at somebody's feet, as a share of speed (Bassett et al. 1991; Chatard & Wilson 2003). */
export const FEET_GAIN = 0.03;
