/** Who comes in, with what rights, who is invited, who left. A coach invites the swimmers of their squads. */
import { dayIn } from '@upwell/core/days';
import { useToday, useZone } from '@/state/hooks';
import type { Role } from '@upwell/contract/account';
import type { AccountView, InvitationView } from '@upwell/contract/people';
import { useLocalSearchParams } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery, ROLE_WORD } from '@/account';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { Icon } from '@/ui/Icon';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useAccountsQuery, useInvitationsQuery, useTakeBackInvitationMutation } from '../api';
import { AccountCard } from '../parts/AccountCard';
import { InviteCard } from '../parts/InviteCard';
import { dayWord } from '@upwell/core/words';

const HEAD_MAY: readonly Role[] = ['coach', 'swimmer', 'head'];
const COACH_MAY: readonly Role[] = ['swimmer'];

export function PeopleScreen() {
  const { swimmer } = useLocalSearchParams<{ swimmer?: string }>();
  const wide = useWide();
  const { data: me } = useMeQuery();
  const head = me?.role === 'head';
  const [chosen, setChosen] = useState<string | null>(null);
  const accounts = useAccountsQuery(undefined, { skip: !head });
  // What somebody may give depends on who they are.
  if (!me)
    return (
      <Screen title="People" back="/account">
        <Loading label="Loading people" />
      </Screen>
    );
  const account = accounts.data?.find((a) => a.id === chosen);
  const invite = <InviteCard key={swimmer ?? ''} roles={head ? HEAD_MAY : COACH_MAY} swimmer={swimmer ?? null} />;
  const detail = account ? (
    <AccountCard key={`${account.id} ${account.version}`} account={account} me={account.id === me.accountId} />
  ) : null;
  const list = (
    <>
      <Invitations />
      {accounts.error && !accounts.data ? (
        <Failure error={accounts.error} retry={() => void accounts.refetch()} />
      ) : null}
      {head && accounts.isLoading ? <Loading label="Loading people" /> : null}
      {GROUPS.map(({ title, is }) => (
        <Group
          key={title}
          title={title}
          accounts={accounts.data?.filter(is) ?? []}
          chosen={chosen}
          onChoose={(id) => setChosen(id === chosen ? null : id)}
          detail={wide ? null : detail}
        />
      ))}
    </>
  );
  return (
    <Screen
      title="People"
      under={head ? 'Who has access, and what they can do.' : 'Invite the swimmers of your squads.'}
      back={swimmer ? `/swimmers/${swimmer}` : '/account'}
    >
      {wide ? (
        <View style={styles.panes}>
          <View style={styles.pane}>{list}</View>
          <ScrollView style={styles.pane}>
            {detail ? (
              <>
                <Button icon="arrow-left" style={styles.start} onPress={() => setChosen(null)}>
                  Invite someone
                </Button>
                {detail}
              </>
            ) : (
              invite
            )}
          </ScrollView>
        </View>
      ) : (
        <>
          {invite}
          {list}
        </>
      )}
    </Screen>
  );
}

const GROUPS: readonly { readonly title: string; readonly is: (account: AccountView) => boolean }[] = [
  { title: 'Head coaches', is: (a) => a.role === 'head' && !a.disabled },
  { title: 'Coaches', is: (a) => a.role === 'coach' && !a.disabled },
  { title: 'Swimmers and guardians', is: (a) => a.role === 'swimmer' && !a.disabled },
  { title: 'Left the club', is: (a) => a.disabled },
];

interface GroupProps {
  readonly title: string;
  readonly accounts: readonly AccountView[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  /** Shown under the chosen line, where there is no room beside the list. */
  readonly detail: ReactNode;
}

function Group({ title, accounts, chosen, onChoose, detail }: GroupProps) {
  const theme = useTheme();
  const today = useToday();
  const zone = useZone();
  if (accounts.length === 0) return null;
  return (
    <Card title={title}>
      <View role="list">
        {accounts.map(({ id, name, swimmer, lastSeen, squadIds, role }) => (
          <View key={id} role="listitem">
            <Pressable
              role="button"
              aria-expanded={id === chosen}
              onPress={() => onChoose(id)}
              style={[
                styles.line,
                { backgroundColor: id === chosen ? theme.colors.secondaryContainer : 'transparent' },
              ]}
            >
              <View style={styles.flex}>
                <Text variant="titleMedium">{name}</Text>
                <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
                  {[
                    swimmer && swimmer !== name ? `for ${swimmer}` : '',
                    role === 'coach' && squadIds.length === 0 ? 'no squad yet' : '',
                    lastSeen ? `last seen ${distanceInDays(today, dayIn(zone, lastSeen))}` : 'not seen yet',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </Text>
              </View>
              <Icon name={id === chosen ? 'chevron-up' : 'chevron-down'} size={20} color={theme.colors.primary} />
            </Pressable>
            {id === chosen && detail ? detail : null}
          </View>
        ))}
      </View>
    </Card>
  );
}

/** Who it is for: the swimmer, the address, or only what they will be. */
const personOf = ({ swimmer, email, role }: InvitationView) =>
  [swimmer ?? ROLE_WORD[role], email].filter(Boolean).join(' · ');

/** Links that nobody has used yet; each can be taken back. */
function Invitations() {
  const zone = useZone();
  const { data, error, refetch } = useInvitationsQuery();
  const [takeBack, taking] = useTakeBackInvitationMutation();
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data || data.length === 0) return null;
  return (
    <Card title="Invited, not joined yet">
      {taking.error ? <Notice tone="error">{sentence(taking.error)}</Notice> : null}
      <View role="list">
        {data.map((invitation) => (
          <View key={invitation.id} role="listitem" style={styles.line}>
            <View style={styles.flex}>
              <Text>{personOf(invitation)}</Text>
              <Text variant="bodySmall">{`by ${invitation.by}, until ${dayWord(dayIn(zone, invitation.expiresAt))}`}</Text>
            </View>
            <Button
              mode="outlined"
              accessibilityLabel={`Revoke the invitation for ${personOf(invitation)}`}
              onPress={() => void takeBack(invitation.id)}
            >
              Revoke
            </Button>
          </View>
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  panes: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  pane: { flex: 1, minWidth: 0 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 56, paddingHorizontal: 8, borderRadius: 6 },
  flex: { flex: 1 },
  start: { alignSelf: 'flex-start' },
});
