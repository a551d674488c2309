/** Asked again at the pool side, of the people who are in the squads now. Without an answer everybody breathes freely. */
import type { BreathAnswer, DeckPerson } from '@upwell/core/deck';
import { BREATH_RULES, FEW_BREATHS_REASON } from '@upwell/core/safety';
import { fewBreathSets, freelyIn, peopleOf, type SessionPlan } from '@upwell/core/sessions';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { WhoSwimsIt } from '@/sessions';
import { Check } from '@/ui/Check';

interface FewBreathsAskProps {
  readonly plan: SessionPlan;
  readonly people: readonly DeckPerson[];
  readonly answer: BreathAnswer;
  readonly onAnswer: (answer: BreathAnswer) => void;
}

export function FewBreathsAsk({ plan, people, answer, onAnswer }: FewBreathsAskProps) {
  const byGroup = peopleOf(plan, people);
  const asking = plan.groups.flatMap((group, i) => {
    const sets = fewBreathSets(group, plan.pool);
    return sets.length > 0 ? [{ group, sets, here: byGroup[i]! }] : [];
  });
  if (asking.length === 0) return null;
  const guards = [...new Set(asking.map(({ group }) => group.breathRecord?.lifeguard.trim() || 'a lifeguard'))];
  return (
    <View>
      <Text variant="titleMedium" role="heading" aria-level={2}>
        Few breaths
      </Text>
      <Text>{FEW_BREATHS_REASON}</Text>
      <Check
        label={`${guards.join(' and ')} is watching now, and everybody was told: ${BREATH_RULES.join(' ')}`}
        on={answer.told}
        onPress={() => onAnswer({ ...answer, told: !answer.told })}
      />
      {answer.told ? (
        asking.map(({ group, sets, here }) => (
          <View key={group.id}>
            <Text variant="titleSmall">{group.name}</Text>
            <WhoSwimsIt
              people={here}
              why={(person) => sets.flatMap((set) => freelyIn(set, group, plan.pool, [person]))[0]?.why ?? null}
              leftOut={answer.leftOut}
              onLeftOut={(leftOut) => onAnswer({ ...answer, leftOut })}
            />
          </View>
        ))
      ) : (
        <Text variant="labelLarge">Until this is ticked, everyone breathes freely in these sets.</Text>
      )}
    </View>
  );
}
