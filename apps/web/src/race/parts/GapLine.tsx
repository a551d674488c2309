import { useToday } from '@/state/hooks';
import { chanceWord, distanceGoal, noOutlookWords, raceOutlook, racePlan } from '@upwell/core/race';
import { distanceWord } from '@upwell/core/words';
import { formatTime } from '@upwell/core/units';
import { Text } from 'react-native-paper';
import { useRacePlanQuery } from '../api';
import { VERDICT_WORD } from '../words';

/** The gap in one line; silent while it is worked out or where nothing can be said. */
export function GapLine({ swimmerId }: { readonly swimmerId: string }) {
  const today = useToday();
  const { data: view } = useRacePlanQuery(swimmerId);
  if (!view?.facts) return null;
  const outlook = raceOutlook(view.facts, view.choices, today);
  if (outlook.kind === 'none' && outlook.reason.why === 'no-target') {
    const { facts, choices } = view;
    const { todayM, goalM } = distanceGoal(facts, choices, racePlan(facts, choices, today));
    return <Text>{`${distanceWord(todayM)} without a stop today, ${distanceWord(goalM)} to get to. No clock.`}</Text>;
  }
  if (outlook.kind === 'none') return <Text variant="bodySmall">{noOutlookWords(outlook.reason)}</Text>;
  const { gap } = outlook;
  const way = gap.gapS > 0 ? `${formatTime(gap.gapS)} to find` : `${formatTime(-gap.gapS)} to spare`;
  return (
    <Text>{`Today ${formatTime(gap.todayS)}: ${way}. ${VERDICT_WORD[gap.verdict]}, chance ${chanceWord(gap.chance)}.`}</Text>
  );
}
