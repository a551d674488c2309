/** Lets somebody in: who, with what rights; then the link. */
import type { Role } from '@upwell/contract/account';
import type { InvitationMade } from '@upwell/contract/people';
import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { ROLE_WORD } from '@/account';
import { fieldMessages, sentence } from '@/api/problem';
import { useSquadsQuery, useSwimmerQuery, useSwimmersInfiniteQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice, FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { useInviteMutation } from '../api';
import { ROLE_MEANS } from '../words';
import { LinkCard } from './LinkCard';

interface InviteCardProps {
  /** Roles that the one who invites may give. */
  readonly roles: readonly Role[];
  /** The swimmer from whose page the coach comes. */
  readonly swimmer: string | null;
}

export function InviteCard({ roles, swimmer }: InviteCardProps) {
  const { data: squads = [] } = useSquadsQuery();
  const [role, setRole] = useState<Role>(swimmer ? 'swimmer' : roles[0]!);
  const [squadIds, setSquadIds] = useState<readonly string[]>([]);
  const [swimmerId, setSwimmerId] = useState(swimmer);
  const [email, setEmail] = useState('');
  const [invite, { error, isLoading, reset }] = useInviteMutation();
  const [made, setMade] = useState<(InvitationMade & { readonly title: string }) | null>(null);
  const { data: page } = useSwimmerQuery(swimmerId ?? '', { skip: swimmerId === null });
  const chosen = swimmerId !== null && page?.id === swimmerId ? `${page.givenName} ${page.familyName}` : null;
  const address = email.trim() === '' ? null : email.trim();

  const make = async (): Promise<void> => {
    const result = await invite({
      ...{ role, email: address },
      squadIds: role === 'coach' ? squadIds : [],
      swimmerId: role === 'swimmer' ? swimmerId : null,
    });
    if (result.data)
      setMade({ ...result.data, title: `For ${chosen ?? address ?? `a ${ROLE_WORD[role].toLowerCase()}`}` });
  };
  if (made)
    return (
      <LinkCard
        title={made.title}
        made={made}
        email={address}
        onDone={() => {
          setMade(null);
          setEmail('');
          setSwimmerId(null);
          reset();
        }}
      />
    );
  const wrong = error ? fieldMessages(error) : {};
  return (
    <Card title="Invite" strong>
      {roles.length > 1 ? (
        <Choice
          label="As"
          options={roles.map((value) => ({
            value,
            label: value === 'swimmer' ? 'Swimmer or guardian' : ROLE_WORD[value],
          }))}
          chosen={[role]}
          onPress={setRole}
        />
      ) : null}
      <Text variant="bodySmall">{ROLE_MEANS[role]}</Text>
      {role === 'coach' ? (
        <Choice
          label="Squads"
          options={squads.filter((s) => !s.archived).map((s) => ({ value: s.id, label: s.name }))}
          chosen={squadIds}
          onPress={(id) => setSquadIds(squadIds.includes(id) ? squadIds.filter((s) => s !== id) : [...squadIds, id])}
        />
      ) : null}
      {role === 'swimmer' ? <WhichSwimmer chosen={chosen} onChoose={setSwimmerId} /> : null}
      <View>
        <Input
          label="E-mail, if you have it"
          value={email}
          onChangeText={setEmail}
          inputMode="email"
          autoCapitalize="none"
          autoComplete="off"
          error={wrong.email !== undefined}
        />
        {wrong.email ? <FieldError>{wrong.email}</FieldError> : null}
      </View>
      {error && !wrong.email ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <Button
        mode="contained"
        style={styles.start}
        disabled={isLoading || (role === 'swimmer' && swimmerId === null)}
        onPress={() => void make()}
      >
        {isLoading ? 'Making the link…' : 'Make the link'}
      </Button>
    </Card>
  );
}

const SHOWN = 6;

/** One swimmer, found by a few letters of the name. */
function WhichSwimmer({
  chosen,
  onChoose,
}: {
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
}) {
  const [search, setSearch] = useState('');
  const asked = useDeferredValue(search.trim());
  const { data } = useSwimmersInfiniteQuery(
    { limit: SHOWN, ...(asked ? { search: asked } : {}) },
    { skip: chosen !== null },
  );
  if (chosen !== null)
    return (
      <View style={styles.row}>
        <Text style={styles.flex}>{`This will be the account of ${chosen}.`}</Text>
        <Button mode="outlined" onPress={() => onChoose(null)}>
          Somebody else
        </Button>
      </View>
    );
  const found = data?.pages[0]?.items ?? [];
  return (
    <View>
      <Input label="Whose account: find by name" value={search} onChangeText={setSearch} autoComplete="off" />
      <Choice
        label={asked && data && found.length === 0 ? 'No one by that name' : 'Swimmers'}
        options={found.map((s) => ({ value: s.id, label: `${s.givenName} ${s.familyName} · ${s.squadName}` }))}
        chosen={[]}
        onPress={onChoose}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center', marginVertical: 6 },
  flex: { flex: 1, minWidth: 180 },
  start: { alignSelf: 'flex-start', marginTop: 12 },
});
