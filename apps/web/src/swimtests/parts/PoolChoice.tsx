/** Which pool a test is swum in: every speed is linked to it. */
import { useAppSelector } from '@/state/hooks';
import { lengthsToMetres, type Pool, POOL_LENGTH, usualPool, usualPools, type UsualPool } from '@upwell/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';

type Choices = UsualPool | 'other';

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
  const pools = usualPools(useAppSelector((state) => state.place.units));
  const known = pools.find((p) => poolM !== null && Math.abs(lengthOf(usualPool(p)) - poolM) < 0.005);
  const [other, setOther] = useState(poolM !== null && !known);
  const [text, setText] = useState(poolM !== null && !known ? String(poolM) : '');
  const chosen: readonly Choices[] = other ? ['other'] : known ? [known] : [];
  const typed = (now: string) => {
    setText(now);
    const metres = Number(now.replace(',', '.'));
    if (metres >= POOL_LENGTH.min && metres <= POOL_LENGTH.max) onPool(metres);
  };
  return (
    <View>
      <Choice
        label="Pool"
        options={[...pools.map((value) => ({ value, label: value })), { value: 'other', label: 'Other' }]}
        chosen={chosen}
        onPress={(value: Choices) => {
          setOther(value === 'other');
          if (value !== 'other') onPool(lengthOf(usualPool(value)));
        }}
      />
      {other ? <Input label="Metres of one length" value={text} onChangeText={typed} inputMode="decimal" /> : null}
      {poolM === null ? <Text>Choose the pool first: every speed depends on its length.</Text> : null}
    </View>
  );
}
