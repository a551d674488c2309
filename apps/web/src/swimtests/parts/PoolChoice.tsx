/** Which pool a test is swum in: every speed is linked to it. */
import { lengthsToMetres, POOL_LENGTH, type Pool } from '@upwell/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';

const POOLS = [
  { value: '25 m', metres: lengthOf({ length: 25, unit: 'm' }) },
  { value: '50 m', metres: lengthOf({ length: 50, unit: 'm' }) },
  { value: '25 yd', metres: lengthOf({ length: 25, unit: 'yd' }) },
] as const;
type Choices = (typeof POOLS)[number]['value'] | 'other';

/** Metres of one length of a pool. */
export function lengthOf(pool: Pool): number {
  return lengthsToMetres(pool, 1);
}

export function PoolChoice({
  poolM,
  onPool,
}: {
  readonly poolM: number | null;
  readonly onPool: (lengthM: number) => void;
}) {
  const known = POOLS.find((p) => poolM !== null && Math.abs(p.metres - poolM) < 0.005);
  const [other, setOther] = useState(poolM !== null && !known);
  const [text, setText] = useState(poolM !== null && !known ? String(poolM) : '');
  const chosen: readonly Choices[] = other ? ['other'] : known ? [known.value] : [];
  const typed = (now: string) => {
    setText(now);
    const metres = Number(now.replace(',', '.'));
    if (metres >= POOL_LENGTH.min && metres <= POOL_LENGTH.max) onPool(metres);
  };
  return (
    <View>
      <Choice
        label="Pool"
        options={[...POOLS.map(({ value }) => ({ value, label: value })), { value: 'other', label: 'Other' }]}
        chosen={chosen}
        onPress={(value: Choices) => {
          setOther(value === 'other');
          const metres = POOLS.find((p) => p.value === value)?.metres;
          if (metres) onPool(metres);
        }}
      />
      {other ? <Input label="Metres of one length" value={text} onChangeText={typed} inputMode="decimal" /> : null}
      {poolM === null ? <Text>Choose the pool first: every speed depends on its length.</Text> : null}
    </View>
  );
}
