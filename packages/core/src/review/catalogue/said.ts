// What coaches call things that stand on no card.
import type { Stage } from '../types';
import type { CauseId } from './causes';

/** What coaches say that stands on no card: for all themes of a stage. */
export const SAID_OF_STAGE: Readonly<Record<Stage, string>> = {
  calm: 'cold water fear nerves panic beginners anxious',
  breathing: 'breath air breathing bubbles exhale bilateral',
  'head and body line': 'body position balance head legs streamline posture float',
  alignment: 'rotation roll straight line entry body position',
  'catch and pull': 'catch pull arms elbow scull feel strength',
  recovery: 'arms recovery shoulders entry',
  kick: 'kick legs ankles feet',
  'timing and rate': 'rate tempo rhythm timing glide cadence',
  turns: 'turns walls tumble flip push-off streamline underwater',
  'open-water skills': 'open water sea lake race sight sighting navigation wetsuit',
};

/** The same for single themes. */
export const SAID_OF_CAUSE: Readonly<Partial<Record<CauseId, string>>> = {
  unease: 'cold shock float',
  'holds-breath': 'cold shock relax',
  'poor-aim': 'draft drafting feet following pack group straight',
  'sights-seldom': 'draft drafting feet following pack straight',
  'late-resight': 'buoy buoys mark marks corner start',
  'long-stroke-in-chop': 'waves chop rough wind sea',
  'no-streamline': 'push dive start glide underwater',
  'late-breath': 'bilateral timing',
  'one-sided': 'bilateral both sides',
  'pull-kick-clash': 'breaststroke timing',
};
