import type { Squad } from '@upwell/contract/swimmers';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { CalendarAddress } from '@/calendar';
import { PoolTimes } from '../parts/PoolTimes';
import { useCoachesQuery, useSaveSquadMutation, useSquadsQuery } from '../api';

/** Squads and who coaches them; a coach sees only the squads that are theirs. */
export function SquadsScreen() {
  const { data: squads, error, refetch } = useSquadsQuery();
  const [adding, setAdding] = useState<string | null>(null);
  return (
    <Screen
      title="Squads"
      under="A coach sees the swimmers of their own squads only."
      back="/account"
      maxWidth={760}
      actions={
        <Button mode="contained" icon="plus" disabled={adding !== null} onPress={() => setAdding(v7())}>
          Add squad
        </Button>
      }
    >
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!squads && !error ? <Loading /> : null}
      {adding ? (
        <SquadCard
          key={adding}
          squad={{ id: adding, version: 0, name: '', swimmers: 0, coachIds: [], poolTimes: [], archived: false }}
          onDone={() => setAdding(null)}
        />
      ) : null}
      {squads?.map((squad) => (
        <SquadCard key={`${squad.id} ${squad.version}`} squad={squad} />
      ))}
    </Screen>
  );
}

function SquadCard({ squad, onDone }: { readonly squad: Squad; readonly onDone?: () => void }) {
  const { data: coaches = [] } = useCoachesQuery();
  const [save, { error, isLoading }] = useSaveSquadMutation();
  const [name, setName] = useState(squad.name);
  const [coachIds, setCoachIds] = useState(squad.coachIds);
  const [poolTimes, setPoolTimes] = useState(squad.poolTimes);
  const [writeId, setWriteId] = useState(() => v7());
  const changed =
    name.trim() !== squad.name || coachIds.join() !== squad.coachIds.join() || poolTimes !== squad.poolTimes;

  const write = async (archived: boolean): Promise<void> => {
    const result = await save({
      id: squad.id,
      body: {
        name,
        coachIds,
        poolTimes,
        archived,
        version: squad.version,
        writeId: archived === squad.archived ? writeId : v7(),
      },
    });
    if (!('error' in result && result.error)) onDone?.();
  };

  return (
    <Card
      title={squad.name || 'New squad'}
      aside={<Text variant="bodySmall">{squad.archived ? 'archived' : `${squad.swimmers} swimmers`}</Text>}
    >
      <Input
        label="Name"
        value={name}
        onChangeText={(text) => {
          setName(text);
          setWriteId(v7());
        }}
        maxLength={60}
      />
      <Choice
        label="Coaches"
        options={coaches.map((c) => ({ value: c.id, label: c.name }))}
        chosen={coachIds}
        onPress={(id) => {
          setCoachIds(coachIds.includes(id) ? coachIds.filter((c) => c !== id) : [...coachIds, id]);
          setWriteId(v7());
        }}
      />
      <Text variant="bodySmall">Invite coaches under Club, People.</Text>
      <PoolTimes
        times={poolTimes}
        onChange={(times) => {
          setPoolTimes(times);
          setWriteId(v7());
        }}
      />
      {squad.version > 0 ? <CalendarAddress squadId={squad.id} name={squad.name} /> : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <View style={styles.row}>
        <Button
          mode="contained"
          disabled={!changed || isLoading || name.trim() === ''}
          onPress={() => void write(squad.archived)}
        >
          {isLoading ? 'Saving…' : 'Save squad'}
        </Button>
        {squad.version > 0 ? (
          <Button mode="outlined" disabled={isLoading} onPress={() => void write(!squad.archived)}>
            {squad.archived ? 'Restore' : 'Archive'}
          </Button>
        ) : null}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, marginTop: 8 } });
