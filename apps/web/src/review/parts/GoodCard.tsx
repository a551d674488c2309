/** Said first: what is good. And whatever was seen that no list has. */
import { MOST_NOTED } from '@upwell/contract/review';
import { StyleSheet } from 'react-native';
import { Card } from '@/ui/Card';
import { FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import type { ReviewDraft } from '../draft';

interface GoodCardProps {
  readonly draft: ReviewDraft;
  readonly onChange: (change: Partial<ReviewDraft>) => void;
  readonly errors: Readonly<Record<string, string>>;
}

export function GoodCard({ draft, onChange, errors }: GoodCardProps) {
  return (
    <Card title="In your words">
      <Input
        label="First, what is good?"
        value={draft.good}
        onChangeText={(good) => onChange({ good })}
        error={errors.good !== undefined}
        maxLength={400}
      />
      {errors.good ? <FieldError>{errors.good}</FieldError> : null}
      <Input
        label="What else you saw"
        value={draft.noted ?? ''}
        onChangeText={(noted) => onChange({ noted })}
        error={errors.noted !== undefined}
        maxLength={MOST_NOTED}
        multiline
        style={styles.gap}
      />
      {errors.noted ? <FieldError>{errors.noted}</FieldError> : null}
    </Card>
  );
}

const styles = StyleSheet.create({ gap: { marginTop: 8 } });
