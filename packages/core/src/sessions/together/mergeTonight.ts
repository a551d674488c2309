// Who comes tonight, settled by two coaches at the same time.
import type { Tonight } from '../lanes/tonight';
import { pickFields, pickSet, type Three } from './threeWays';

/** Each swimmer by themselves: who was sent away or put into a lane by either coach is; the own word counts where both spoke. */
export function mergeTonight({ base, mine, theirs }: Three<Tonight>, onClash: () => void): Tonight {
  return {
    away: pickSet({ base: base.away, mine: mine.away, theirs: theirs.away }),
    guests: pickSet({ base: base.guests, mine: mine.guests, theirs: theirs.guests }),
    places: pickFields({ base: base.places, mine: mine.places, theirs: theirs.places }, onClash),
  };
}
