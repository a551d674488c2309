import { BREATH_RULES, CAUTION } from '@upwell/core/safety';
import { editGroup, hasFewBreaths, type GroupPlan, type SessionPlan } from '@upwell/core/sessions';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Input } from '@/ui/Input';

interface BreathCardProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly head: boolean;
  readonly onChange: (plan: SessionPlan) => void;
}

const NOTHING = { lifeguard: '', rulesTold: false, minorsAgreed: false };

/** What must be on record before few breaths are swum; shown only where a set asks for it. */
export function BreathCard({ plan, group, head, onChange }: BreathCardProps) {
  if (!hasFewBreaths(group, plan.pool)) return null;
  const record = group.breathRecord ?? NOTHING;
  const change = (patch: Partial<typeof NOTHING>) =>
    onChange(editGroup(plan, group.id, { breathRecord: { ...record, ...patch } }));
  return (
    <Card title={`${group.name}: few breaths`} strong>
      <Input
        label="Qualified lifeguard who watches"
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
          label="For those under 18, a guardian and I agree"
          on={record.minorsAgreed}
          onPress={() => change({ minorsAgreed: !record.minorsAgreed })}
        />
      ) : null}
      <Text variant="bodySmall">{CAUTION}</Text>
    </Card>
  );
}
