/** The pool of a swim: a usual one, another length, or none that is known. */
import { poolWord, readPool, samePool, type SwumPool } from '@upwell/core/measures';
import { POOL_LENGTH, usualPool, usualPools } from '@upwell/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { useAppSelector } from '@/state/hooks';
import { Choice } from './Choice';
import { Input } from './Input';

interface SwumInProps {
  readonly pool: SwumPool | null;
  readonly onPool: (pool: SwumPool | null) => void;
  /** What no pool means, like "not known". */
  readonly none: string;
}

const OTHER = 'other';
const NONE = 'none';

export function SwumIn({ pool, onPool, none }: SwumInProps) {
  const { units } = useAppSelector((state) => state.place);
  const usual = usualPools(units);
  const known = usual.find((one) => pool !== null && samePool(usualPool(one), pool));
  const [other, setOther] = useState(pool !== null && !known);
  const [text, setText] = useState(pool !== null && !known ? poolWord(pool) : '');
  const typed = (now: string) => {
    setText(now);
    const read = readPool(now, units);
    onPool(read && read.length >= POOL_LENGTH.min && read.length <= POOL_LENGTH.max ? read : null);
  };
  return (
    <View>
      <Choice
        label="Pool"
        options={[
          ...usual.map((value) => ({ value: String(value), label: value })),
          { value: OTHER, label: 'Other' },
          { value: NONE, label: none },
        ]}
        chosen={[other ? OTHER : (known ?? NONE)]}
        onPress={(value) => {
          setOther(value === OTHER);
          if (value === OTHER) typed(text);
          else onPool(value === NONE ? null : usualPool(value as (typeof usual)[number]));
        }}
      />
      {other ? (
        <Input
          label="Length of the pool"
          placeholder={`33.3 ${units}`}
          value={text}
          error={text !== '' && pool === null}
          maxLength={12}
          onChangeText={typed}
        />
      ) : null}
    </View>
  );
}
