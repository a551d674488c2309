/** Behind the link of an invitation: who invites, to what; a name, an address and a password. */
import { LEAST_PASSWORD } from '@upwell/contract/account';
import type { InvitationLook } from '@upwell/contract/people';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { PasswordInput } from '@/ui/PasswordInput';
import { api } from '@/api/api';
import { fieldMessages, sentence } from '@/api/problem';
import { useAppDispatch } from '@/state/hooks';
import { FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Failure, Loading, Notice } from '@/ui/States';
import { useJoinMutation, useLookAtInvitationMutation } from '../api';
import { DoorPage } from '../parts/DoorPage';
import { secretHere } from '../words';

const AS: Readonly<Record<InvitationLook['role'], string>> = {
  head: 'as a head coach',
  coach: 'as a coach',
  swimmer: 'to the account of',
};

export function JoinScreen() {
  const router = useRouter();
  const [token] = useState(secretHere);
  const [look, { data, error, isLoading, isUninitialized }] = useLookAtInvitationMutation();
  useEffect(() => {
    if (token) void look(token);
  }, [look, token]);
  const signIn = (
    <Button mode="outlined" onPress={() => router.replace('/sign-in' as Href)}>
      Go to sign-in
    </Button>
  );
  if (!token || (error && 'status' in error && error.status === 404))
    return (
      <DoorPage title="This link does not work">
        <Text>It was revoked, or part of it is missing. Ask the person who invited you for a new one.</Text>
        {signIn}
      </DoorPage>
    );
  if (data && data.state !== 'open')
    return (
      <DoorPage title={data.state === 'used' ? 'You are already a member' : 'This invitation has expired'}>
        <Text>
          {data.state === 'used'
            ? 'This invitation has been used. If that was you, sign in with your e-mail and password; if not, tell the head coach.'
            : `Ask ${data.clubName} for a new one; it takes them a minute.`}
        </Text>
        {signIn}
      </DoorPage>
    );
  return (
    <DoorPage title={data?.clubName ?? 'You are invited'}>
      {error ? <Failure error={error} retry={() => void look(token)} /> : null}
      {isLoading || isUninitialized ? <Loading label="Opening your invitation" /> : null}
      {data ? <JoinForm token={token} invitation={data} /> : null}
    </DoorPage>
  );
}

function JoinForm({ token, invitation }: { readonly token: string; readonly invitation: InvitationLook }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const [join, { error, isLoading }] = useJoinMutation();
  const { swimmer, child, invitedBy, role } = invitation;
  const [name, setName] = useState(swimmer && !child ? swimmer : '');
  const [email, setEmail] = useState(invitation.email ?? '');
  const [password, setPassword] = useState('');
  const wrong = error ? fieldMessages(error) : {};
  const submit = async (): Promise<void> => {
    const result = await join({ token, name, email, password });
    if ('error' in result) return;
    dispatch(api.util.resetApiState());
    router.replace((role === 'swimmer' ? '/my-week' : '/deck') as Href);
  };
  return (
    <>
      <Text>{`${invitedBy} invites you ${AS[role]}${swimmer ? ` ${swimmer}` : ''}.`}</Text>
      {child ? (
        <Notice>
          For a child, a parent or guardian signs up here with their own name and address, and decides what the child
          sees.
        </Notice>
      ) : null}
      {error && Object.keys(wrong).length === 0 ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <View>
        <Input
          label="Your name"
          value={name}
          onChangeText={setName}
          autoComplete="name"
          error={wrong.name !== undefined}
        />
        {wrong.name ? <FieldError>{wrong.name}</FieldError> : null}
      </View>
      <View>
        <Input
          label="E-mail"
          value={email}
          onChangeText={setEmail}
          autoComplete="email"
          inputMode="email"
          autoCapitalize="none"
          error={wrong.email !== undefined}
        />
        {wrong.email ? <FieldError>{wrong.email}</FieldError> : null}
      </View>
      <View>
        <PasswordInput
          label={`Password, ${LEAST_PASSWORD} characters or more`}
          value={password}
          onChangeText={setPassword}
          fresh
          error={wrong.password !== undefined}
          onSubmit={() => void submit()}
        />
        {wrong.password ? <FieldError>{wrong.password}</FieldError> : null}
      </View>
      <Button mode="contained" disabled={isLoading} onPress={() => void submit()}>
        {isLoading ? 'Joining…' : 'Join'}
      </Button>
    </>
  );
}
