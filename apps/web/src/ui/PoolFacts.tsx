/** What a plan must know of a pool besides its length: where beginners stand, and what heels meet in a turn. */
import type { Pool } from '@upwell/core/units';
import { View } from 'react-native';
import { Choice } from './Choice';

interface PoolFactsProps {
  readonly pool: Pick<Pool, 'standingDepth' | 'edge'>;
  readonly onChange: (facts: Pick<Pool, 'standingDepth' | 'edge'>) => void;
}

export function PoolFacts({ pool, onChange }: PoolFactsProps) {
  return (
    <View>
      <Choice
        label="Standing depth"
        options={[
          { value: 'yes', label: 'somewhere' },
          { value: 'no', label: 'nowhere' },
        ]}
        chosen={pool.standingDepth === undefined ? [] : [pool.standingDepth ? 'yes' : 'no']}
        onPress={(value) => onChange({ standingDepth: value === 'yes' })}
      />
      <Choice
        label="Edge at the turn"
        options={[
          { value: 'level', label: 'level with the water' },
          { value: 'raised', label: 'raised' },
        ]}
        chosen={pool.edge === undefined ? [] : [pool.edge]}
        onPress={(edge) => onChange({ edge })}
      />
    </View>
  );
}
