// Numbers and lists that the pages show and the server checks: apart from what checks them, which is large.

/** Fewest characters of a password. */
export const LEAST_PASSWORD = 10;

/** Weeks that the season shows. */
export const SEASON_WEEKS = 26;

/** Most characters of what was seen in own words. */
export const MOST_NOTED = 1000;

export const BREATHING_SIDES = ['left', 'right', 'both'] as const;
export type BreathingSide = (typeof BREATHING_SIDES)[number];

export const PLACES = ['pool', 'open-water'] as const;
export type Place = (typeof PLACES)[number];

export const MOST_STILLS = 3;
/** Widest and highest a still is, pixels. */
export const LARGEST_STILL = 1280;
/** Letters of a still in base64: 90 kB of JPEG. */
export const LONGEST_STILL = 120_000;
export const LONGEST_SENTENCE = 160;

/** Longest film that is sent in, seconds, and largest, bytes. */
export const LONGEST_SENT_S = 60;
export const LARGEST_SENT = 60 * 1024 * 1024;
/** Bytes of a piece in which it comes, and how many there are at most. */
export const SENT_PIECE = 1024 * 1024;
export const MOST_PIECES = LARGEST_SENT / SENT_PIECE;
/** Days that a clip stays after its answer. */
export const SENT_DAYS = 30;
/** Longest spoken note, seconds. */
export const LONGEST_VOICE_S = 60;
