// The way in: e-mail and password.
import { CAUTION } from '@upwell/core/safety';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { api } from '@/api/api';
import { isLeaving } from '@/api/leaving';
import { sentence } from '@/api/problem';
import { useAppDispatch } from '@/state/hooks';
import { Disclosure } from '@/ui/Disclosure';
import { Icon } from '@/ui/Icon';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useTitle } from '@/ui/useTitle';
import { useSetupQuery, useSignInMutation } from './api';
import { PasswordInput } from '@/ui/PasswordInput';

export function SignInScreen() {
  const theme = useTheme();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { to } = useLocalSearchParams<{ to?: string }>();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [signIn, { error, isLoading }] = useSignInMutation();
  const { data: setup } = useSetupQuery();
  const [left] = useState(isLeaving);
  const [forgotten, setForgotten] = useState(false);
  useTitle('Sign in');

  const submit = async (): Promise<void> => {
    const result = await signIn({ email, password });
    if ('error' in result) return;
    // Nothing of an earlier sign-in may show through.
    dispatch(api.util.resetApiState());
    router.replace(to?.startsWith('/') && !to.startsWith('//') ? to : '/deck');
  };

  return (
    <View role="main" style={[styles.page, { backgroundColor: theme.colors.background }]}>
      <View style={styles.box}>
        <View style={styles.brand}>
          <Icon name="swim" size={40} color={theme.colors.primary} />
          <Text variant="headlineMedium" role="heading" aria-level={1}>
            Upwell
          </Text>
        </View>
        <Text style={styles.lead}>See the cause. Build the session. Take it to the deck.</Text>
        {left ? (
          <Notice>
            You are signed out on this device. The server will be told, and you can sign in again, when the network is
            back.
          </Notice>
        ) : null}
        {setup?.needed ? (
          <>
            <Text>There is no club on this server yet.</Text>
            <Button mode="contained" onPress={() => router.navigate('/begin' as Href)} contentStyle={styles.tall}>
              Set up your club
            </Button>
          </>
        ) : (
          <>
            {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
            <Input
              label="E-mail"
              value={email}
              onChangeText={setEmail}
              autoComplete="email"
              inputMode="email"
              autoCapitalize="none"
              onSubmitEditing={() => void submit()}
            />
            <PasswordInput
              label="Password"
              value={password}
              onChangeText={setPassword}
              onSubmit={() => void submit()}
            />
            <Button mode="contained" disabled={isLoading} onPress={() => void submit()} contentStyle={styles.tall}>
              {isLoading ? 'Signing in…' : 'Sign in'}
            </Button>
            <Disclosure label="Forgotten your password?" open={forgotten} onPress={() => setForgotten(!forgotten)} />
            {forgotten ? (
              <Text>
                Your head coach can make you a link for a new one under Club, People. If you are the head coach, ask
                another head coach or the person who runs the server.
              </Text>
            ) : null}
          </>
        )}
        <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {CAUTION}
        </Text>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, justifyContent: 'center', padding: 20 },
  box: { width: '100%', maxWidth: 420, alignSelf: 'center', gap: 14 },
  brand: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  lead: { marginBottom: 4 },
  tall: { minHeight: 50 },
});
