import type { CauseId } from './causes';

/** Which cause tends to produce which: [upstream, downstream]. */
export const LEADS_TO: readonly (readonly [from: CauseId, to: CauseId])[] = [
  ['unease', 'holds-breath'],
  ['unease', 'looks-forward'],
  ['holds-breath', 'late-breath'],
  ['holds-breath', 'spins'],
  ['empties-lungs', 'no-chest-press'],
  ['late-breath', 'presses-lead-arm'],
  ['breath-too-low', 'over-roll'],
  ['breath-too-low', 'presses-lead-arm'],
  ['breath-too-low', 'kick-pause'],
  ['lifts-head', 'presses-lead-arm'],
  ['lifts-head', 'no-chest-press'],
  ['lifts-head', 'kick-pause'],
  ['looks-forward', 'no-chest-press'],
  ['looks-forward', 'over-kick'],
  ['head-wanders', 'crosses-midline'],
  ['no-chest-press', 'over-kick'],
  ['one-sided', 'over-roll'],
  ['one-sided', 'veers-habit'],
  ['flat-body', 'stiff-recovery'],
  ['flat-body', 'no-reach'],
  ['over-roll', 'crosses-midline'],
  ['over-roll', 'kick-pause'],
  ['crosses-midline', 'pulls-across'],
  ['crosses-midline', 'veers-habit'],
  ['presses-lead-arm', 'dropped-elbow'],
  ['flat-entry', 'dropped-elbow'],
  ['dropped-elbow', 'spins'],
  ['no-reach', 'spins'],
  ['slow-recovery', 'over-glide'],
  ['stiff-ankles', 'no-chest-press'],
  ['pull-kick-clash', 'no-glide-habit'],
  ['head-up', 'late-lift'],
  ['poor-aim', 'sights-often'],
  ['veers-habit', 'sights-often'],
  ['sights-high', 'sights-seldom'],
];

/** The causes that tend to produce `cause`, in the order of the table. */
export function upstreamOf(cause: CauseId): readonly CauseId[] {
  return LEADS_TO.filter(([, to]) => to === cause).map(([from]) => from);
}
