/** Kit a club or a swimmer can own. */
export const KIT = {
  buoy: 'pull buoy',
  board: 'short board',
  fins: 'long soft fins',
  snorkel: 'centre snorkel',
  beeper: 'tempo beeper',
  'finger-paddles': 'finger paddles',
  'tow-float': 'tow float',
  wetsuit: 'wetsuit',
  'bright-cap': 'bright cap',
  'tinted-goggles': 'tinted goggles',
  'clear-goggles': 'clear goggles',
  'ear-plugs': 'ear plugs',
  whistle: 'whistle',
} as const;

export type KitId = keyof typeof KIT;
export const KIT_IDS = Object.keys(KIT) as readonly KitId[];
