/** What must be on record before few breaths are swum, and who swims them; shown only where a set asks for it. */
import { BREATH_RULES, CAUTION, FEW_BREATHS_REASON } from '@upwell/core/safety';
import {
  editGroup,
  fewBreathSets,
  freelyIn,
  type GroupPeople,
  type GroupPlan,
  type SessionPlan,
} from '@upwell/core/sessions';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Input } from '@/ui/Input';
import { WhoSwimsIt } from './WhoSwimsIt';

interface BreathCardProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly people: GroupPeople;
  /** Ids of those the coach left out. */
  readonly leftOut: readonly string[];
  readonly head: boolean;
  readonly onChange: (plan: SessionPlan) => void;
  readonly onLeftOut: (ids: readonly string[]) => void;
}

const NOTHING = { lifeguard: '', rulesTold: false, minorsAgreed: false };

export function BreathCard({ plan, group, people, leftOut, head, onChange, onLeftOut }: BreathCardProps) {
  const sets = fewBreathSets(group, plan.pool);
  if (sets.length === 0) return null;
  const record = group.breathRecord ?? NOTHING;
  const change = (patch: Partial<typeof NOTHING>) =>
    onChange(editGroup(plan, group.id, { breathRecord: { ...record, ...patch } }));
  return (
    <Card title={`${group.name}: few breaths`} strong>
      <Text>{FEW_BREATHS_REASON}</Text>
      <Input
        label="Qualified lifeguard on watch"
        value={record.lifeguard}
        maxLength={80}
        onChangeText={(lifeguard) => change({ lifeguard: lifeguard.replaceAll('"', '') })}
      />
      <Check
        label={`Everybody was told: ${BREATH_RULES.join(' ')}`}
        on={record.rulesTold}
        onPress={() => change({ rulesTold: !record.rulesTold })}
      />
      {head ? (
        <Check
          label="For swimmers aged 16 and 17, a guardian and I agree"
          on={record.minorsAgreed}
          onPress={() => change({ minorsAgreed: !record.minorsAgreed })}
        />
      ) : null}
      <WhoSwimsIt
        people={people ?? []}
        // Somebody who may not swim one of the sets is named with the first reason.
        why={(person) => sets.flatMap((set) => freelyIn(set, group, plan.pool, [person]).map((f) => f.why))[0] ?? null}
        leftOut={leftOut}
        onLeftOut={onLeftOut}
      />
      <Text variant="bodySmall">{CAUTION}</Text>
    </Card>
  );
}
