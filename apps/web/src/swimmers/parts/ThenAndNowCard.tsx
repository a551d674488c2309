/** The first and the last still of a swimmer, side by side. */
import type { DatedStill } from '@upwell/contract/clips';
import { daysBetween } from '@upwell/core/days';
import { counted, datedWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { StillPicture } from '@/ui/StillPicture';
import { useThenAndNowQuery } from '../api';

/** "four weeks apart", as a coach says it: days below two weeks, weeks from there on. */
const apartWord = (days: number): string =>
  days < 14 ? `${counted(days, 'day')} apart` : `${counted(Math.round(days / 7), 'week')} apart`;

export function ThenAndNowCard({ swimmerId }: { readonly swimmerId: string }) {
  const { data } = useThenAndNowQuery(swimmerId);
  if (!data?.now) return null;
  const { then, now } = data;
  return (
    <Card
      title={then ? 'Then and now' : 'How it looks'}
      aside={then ? <Text variant="bodySmall">{apartWord(daysBetween(then.on, now.on))}</Text> : null}
    >
      <View style={styles.row}>
        {then ? <Dated still={then} /> : null}
        <Dated still={now} />
      </View>
    </Card>
  );
}

function Dated({ still }: { readonly still: DatedStill }) {
  const today = useToday();
  return (
    <View style={styles.half}>
      <StillPicture still={still} label={`Still of ${datedWord(still.on, today)}: ${still.sentence}`} />
      <Text variant="labelMedium">{datedWord(still.on, today)}</Text>
      <Text variant="bodySmall">{still.sentence}</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 12 },
  half: { flex: 1, gap: 4, minWidth: 0 },
});
