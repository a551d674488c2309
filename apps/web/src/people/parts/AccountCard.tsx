/** One person: role, squads, a new password, leaving. */
import type { Role } from '@upwell/contract/account';
import type { AccountView } from '@upwell/contract/people';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { ROLE_WORD } from '@/account';
import { sentence } from '@/api/problem';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/States';
import { useMakeResetLinkMutation, useSaveAccountMutation } from '../api';
import { ROLE_MEANS } from '../words';
import { LinkCard } from './LinkCard';

const STAFF: readonly Role[] = ['coach', 'head'];

export function AccountCard({ account, me }: { readonly account: AccountView; readonly me: boolean }) {
  const { data: squads = [] } = useSquadsQuery();
  const [role, setRole] = useState(account.role);
  const [squadIds, setSquadIds] = useState(account.squadIds);
  const [save, { error, isLoading }] = useSaveAccountMutation();
  const [link, linking] = useMakeResetLinkMutation();
  const [shown, setShown] = useState(true);
  const changed = role !== account.role || [...squadIds].sort().join() !== [...account.squadIds].sort().join();
  const staff = account.role !== 'swimmer';
  const write = (disabled: boolean) =>
    save({
      id: account.id,
      body: { role, squadIds, swimmerId: account.swimmerId, disabled, version: account.version, writeId: v7() },
    });
  if (linking.data && shown)
    return (
      <LinkCard
        title={`A new password for ${account.name}`}
        made={linking.data}
        email={account.email}
        onDone={() => setShown(false)}
      />
    );
  return (
    <Card title={account.name} strong>
      <Text>{account.email}</Text>
      <Text variant="bodySmall">
        {account.disabled
          ? 'Has left: cannot sign in. Their name stays on what they did and signed.'
          : ROLE_MEANS[account.role]}
      </Text>
      {account.swimmer ? <Text>{`Account of ${account.swimmer}`}</Text> : null}
      {error || linking.error ? <Notice tone="error">{sentence((error ?? linking.error)!)}</Notice> : null}
      {account.disabled ? (
        <Button mode="outlined" style={styles.start} disabled={isLoading} onPress={() => void write(false)}>
          Let back in
        </Button>
      ) : (
        <>
          {staff ? (
            <>
              <Choice
                label="Role"
                options={STAFF.map((value) => ({ value, label: ROLE_WORD[value] }))}
                chosen={[role]}
                onPress={setRole}
              />
              <Choice
                label="Squads"
                options={squads
                  .filter((s) => !s.archived || squadIds.includes(s.id))
                  .map((s) => ({ value: s.id, label: s.name }))}
                chosen={squadIds}
                onPress={(id) =>
                  setSquadIds(squadIds.includes(id) ? squadIds.filter((s) => s !== id) : [...squadIds, id])
                }
              />
              <Button
                mode="contained"
                style={styles.start}
                disabled={!changed || isLoading}
                onPress={() => void write(false)}
              >
                {isLoading ? 'Saving…' : 'Save'}
              </Button>
            </>
          ) : null}
          {me ? null : (
            <View style={styles.row}>
              <Button
                mode="outlined"
                disabled={linking.isLoading}
                onPress={() => {
                  setShown(true);
                  void link(account.id);
                }}
              >
                Link for a new password
              </Button>
              <Button mode="outlined" disabled={isLoading} onPress={() => void write(true)}>
                {staff ? 'Has left the club' : 'Close this account'}
              </Button>
            </View>
          )}
        </>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  start: { alignSelf: 'flex-start', marginTop: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 12 },
});
