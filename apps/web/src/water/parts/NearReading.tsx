/** Readings of another hour of the day, to be taken over to this one when they still hold. */
import { valuesOf } from '@upwell/core/water';
import type { WaterReading } from '@upwell/contract/water';
import { numberWord } from '@upwell/core/words';
import { Button } from 'react-native-paper';
import { Notice } from '@/ui/States';
import { clockOf } from '../conditions';

interface NearReadingProps {
  readonly near: WaterReading;
  /** Null for those who read nothing for others. */
  readonly onTake: (() => void) | null;
}

export function NearReading({ near, onTake }: NearReadingProps) {
  const { waveHeightM, windMps, waterC } = valuesOf(near.read);
  const said = [
    ...(waveHeightM == null ? [] : [`waves ${numberWord(waveHeightM, 1)} m`]),
    ...(windMps == null ? [] : [`wind ${numberWord(windMps, 1)} m/s`]),
    ...(waterC == null ? [] : [`water ${numberWord(waterC, 1)} °C`]),
  ];
  return (
    <Notice
      action={
        onTake ? (
          <Button mode="outlined" onPress={onTake}>
            Nothing changed: take it over
          </Button>
        ) : undefined
      }
    >
      {`Nothing was read for this hour. For ${clockOf(near.hour)} there is a reading${said.length > 0 ? `: ${said.join(', ')}` : ''}. Lightning and visibility are looked for again.`}
    </Notice>
  );
}
