/** Name, age, squad and level; for a child what the guardian agreed to. */
import type { Squad } from '@upwell/contract/swimmers';
import { levelCard, LEVELS } from '@upwell/core/swimmers';
import { Controller, useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Notice } from '@/ui/States';
import { TextField } from '@/ui/TextField';
import { type FormControl, Pick } from './Pick';

interface WhoCardProps {
  readonly control: FormControl;
  readonly squads: readonly Squad[];
  readonly child: boolean;
}

export function WhoCard({ control, squads, child }: WhoCardProps) {
  const birthYear = useWatch({ control, name: 'birthYear' });
  return (
    <Card title="Who">
      <View style={styles.row}>
        <TextField control={control} name="givenName" label="Given name" style={styles.flex} />
        <TextField control={control} name="familyName" label="Family name" style={styles.flex} />
        <TextField control={control} name="birthYear" label="Birth year" inputMode="numeric" style={styles.small} />
      </View>
      {child ? (
        <View>
          <Notice>
            {`${Number(birthYear) ? 'Under 18' : 'Without a birth year a swimmer counts as under 18'}: clips and health notes need the guardian’s consent, and every look at the record is logged.`}
          </Notice>
          <Controller
            control={control}
            name="clipConsent"
            render={({ field }) => (
              <Check
                label="The guardian agreed to clips"
                on={field.value}
                onPress={() => field.onChange(!field.value)}
              />
            )}
          />
        </View>
      ) : null}
      <Pick
        control={control}
        name="squadId"
        label="Squad"
        options={squads.map((s) => ({ value: s.id, label: s.name }))}
      />
      <Pick
        control={control}
        name="level"
        label="Level"
        options={LEVELS.map((v) => ({ value: v, label: levelCard(v).name }))}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'flex-start', marginVertical: 4 },
  flex: { flex: 1, minWidth: 180 },
  small: { width: 120 },
});
