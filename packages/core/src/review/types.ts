/** What a review looks at. An open-water review includes the front-crawl causes. */
export const STROKES = ['front-crawl', 'breaststroke', 'turn', 'open-water'] as const;
export type Stroke = (typeof STROKES)[number];

/** A sign belongs to one stroke, or can show in any of them. */
export type SignStroke = Stroke | 'any';

/** Upstream to downstream: what is treated first comes first. */
export const STAGES = [
  'calm',
  'breathing',
  'head and body line',
  'alignment',
  'catch and pull',
  'recovery',
  'kick',
  'timing and rate',
  'turns',
  'open-water skills',
] as const;
export type Stage = (typeof STAGES)[number];

export type BodyPart =
  | 'head'
  | 'breath'
  | 'shoulders'
  | 'lead arm'
  | 'entry arm'
  | 'pull arm'
  | 'recovery arm'
  | 'hand'
  | 'arms'
  | 'body'
  | 'hips'
  | 'legs'
  | 'feet'
  | 'rhythm';

export type Phase =
  | 'entry'
  | 'catch'
  | 'pull'
  | 'exit'
  | 'recovery'
  | 'breath'
  | 'glide'
  | 'kick'
  | 'look'
  | 'turn'
  | 'push-off'
  | 'whole';

/** Where to stand, or what to ask, to see a sign. */
export type View = 'side' | 'front' | 'above' | 'behind' | 'under water' | 'talk' | 'track';

/** What a coach can say of a sign. A sign that was not looked for is simply not in the list. */
export const SIGHTINGS = ['often', 'sometimes', 'absent'] as const;
export type Sighting = (typeof SIGHTINGS)[number];
