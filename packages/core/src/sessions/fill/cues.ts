// What is said of a theme and after a drill.
import { drillCard, type DrillId } from '../../library';
import { type Cause, causeCard, type CauseId } from '../../review';
import { isAtLeast } from '../../swimmers';
import type { SwimStroke } from '../plan/model';
import type { GroupRequest } from '../request/model';

type Turners = Pick<GroupRequest, 'level' | 'ladderSteps'>;

/** Whether a group tumbles: from the level of the tumble ladder on, and with its first two steps where it is kept. */
const tumbles = ({ level, ladderSteps }: Turners): boolean =>
  isAtLeast(level, drillCard('tumble-ladder').from) && (ladderSteps?.tumble ?? Infinity) >= 2;

/** The cue of a theme for a group: a somersault is not talked of to people who do not tumble. */
export function cueFor(theme: CauseId, group: Turners): string {
  const cause: Cause = causeCard(theme);
  return tumbles(group) ? cause.cue : (cause.openTurnCue ?? cause.cue);
}

/** What is said for the whole stroke after a drill. */
export function cueAfter(drill: DrillId, group: Turners): string {
  return drill === 'tumble-ladder' && !tumbles(group) ? 'Open turns until the ladder is passed.' : drillCard(drill).cue;
}

export function strokeOf(theme: CauseId): SwimStroke {
  return causeCard(theme).strokes[0] === 'breaststroke' ? 'breaststroke' : 'front-crawl';
}
