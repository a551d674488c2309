import { LEAST_PASSWORD } from '@upwell/contract/account';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { PasswordInput } from '@/ui/PasswordInput';
import { fieldMessages, sentence } from '@/api/problem';
import { FieldError } from '@/ui/Choice';
import { Failure, Loading, Notice } from '@/ui/States';
import { useLookAtResetMutation, useResetPasswordMutation } from '../api';
import { DoorPage } from '../parts/DoorPage';
import { secretHere } from '../words';

/** Behind the head coach's link: a new password; every device is signed out. */
export function ResetScreen() {
  const router = useRouter();
  const [token] = useState(secretHere);
  const [look, { data, error, isLoading, isUninitialized }] = useLookAtResetMutation();
  const [reset, resetting] = useResetPasswordMutation();
  const [password, setPassword] = useState('');
  useEffect(() => {
    if (token) void look(token);
  }, [look, token]);
  const signIn = (mode: 'contained' | 'outlined') => (
    <Button mode={mode} onPress={() => router.replace('/sign-in' as Href)}>
      Go to sign-in
    </Button>
  );
  if (resetting.isSuccess)
    return (
      <DoorPage title="Your new password is set">
        <Text>Every device was signed out. Sign in with the new one.</Text>
        {signIn('contained')}
      </DoorPage>
    );
  const gone = !token || (error && 'status' in error && error.status === 404) || (data && data.state !== 'open');
  if (gone)
    return (
      <DoorPage title="This link has expired">
        <Text>A link for a new password works once, for a day. Ask your head coach for a new one.</Text>
        {signIn('outlined')}
      </DoorPage>
    );
  const wrong = resetting.error ? fieldMessages(resetting.error) : {};
  const submit = () => void reset({ token, password });
  return (
    <DoorPage title="A new password">
      {error ? <Failure error={error} retry={() => void look(token)} /> : null}
      {isLoading || isUninitialized ? <Loading label="Opening your link" /> : null}
      {data ? (
        <>
          <Text>{`For ${data.name}. Every device will be signed out.`}</Text>
          {resetting.error && !wrong.password ? <Notice tone="error">{sentence(resetting.error)}</Notice> : null}
          <View>
            <PasswordInput
              label={`New password, ${LEAST_PASSWORD} characters or more`}
              value={password}
              onChangeText={setPassword}
              fresh
              error={wrong.password !== undefined}
              onSubmit={submit}
            />
            {wrong.password ? <FieldError>{wrong.password}</FieldError> : null}
          </View>
          <Button mode="contained" disabled={resetting.isLoading} onPress={submit}>
            {resetting.isLoading ? 'Saving…' : 'Set the password'}
          </Button>
        </>
      ) : null}
    </DoorPage>
  );
}
