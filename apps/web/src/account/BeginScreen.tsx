/** A server without a club: the club and its head coach, with the code that the server printed. */
import { deviceZone } from '@upwell/core/days';
import { LEAST_PASSWORD } from '@upwell/contract/account';
import type { SetupBegin } from '@upwell/contract/setup';
import { Redirect, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { api } from '@/api/api';
import { fieldMessages, sentence } from '@/api/problem';
import { useAppDispatch } from '@/state/hooks';
import { FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useTitle } from '@/ui/useTitle';
import { useBeginMutation, useSetupQuery } from './api';
import { ZoneInput } from './ZoneInput';
import { PasswordInput } from '@/ui/PasswordInput';

const EMPTY: SetupBegin = {
  ...{ code: '', clubName: '', name: '', email: '', password: '' },
  timeZone: deviceZone(),
};

/** Kept on one line. */
const COMMAND = '“npm run club -- code”'.replaceAll(' ', '\u00a0');

export function BeginScreen() {
  const theme = useTheme();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const setup = useSetupQuery();
  const [fields, setFields] = useState(EMPTY);
  const [begin, { error, isLoading, isSuccess }] = useBeginMutation();
  useTitle('Set up your club');

  // After the last step the answer is "not needed" as well, while the way leads on.
  if (setup.data && !setup.data.needed && !isLoading && !isSuccess) return <Redirect href="/sign-in" />;
  const wrong = error ? fieldMessages(error) : {};
  const submit = async (): Promise<void> => {
    const result = await begin(fields);
    if ('error' in result) return;
    dispatch(api.util.resetApiState());
    router.replace('/deck');
  };
  const input = (field: keyof SetupBegin, label: string, more: Partial<Parameters<typeof Input>[0]> = {}) => (
    <View>
      <Input
        label={label}
        value={fields[field]}
        onChangeText={(text) => setFields({ ...fields, [field]: text })}
        error={wrong[field] !== undefined}
        {...more}
      />
      {wrong[field] ? <FieldError>{wrong[field]}</FieldError> : null}
    </View>
  );

  return (
    <ScrollView style={{ backgroundColor: theme.colors.background }} contentContainerStyle={styles.page}>
      <View role="main" style={styles.box}>
        <Text variant="headlineMedium" role="heading" aria-level={1}>
          Set up your club
        </Text>
        <Text>
          {`The twelve-character code is in the first lines that the server prints when it starts; ${COMMAND} prints it again.`}
        </Text>
        {setup.isLoading ? <Loading label="Checking for a club" /> : null}
        {error && Object.keys(wrong).length === 0 ? <Notice tone="error">{sentence(error)}</Notice> : null}
        {input('code', 'Code', {
          autoCapitalize: 'characters',
          autoComplete: 'one-time-code',
          placeholder: 'ABCD-EFGH-JKMN',
        })}
        {input('clubName', 'Name of the club', { autoComplete: 'organization' })}
        <ZoneInput
          zone={fields.timeZone}
          onChange={(timeZone) => setFields((now) => ({ ...now, timeZone }))}
          error={wrong.timeZone}
        />
        <Text variant="titleMedium" role="heading" aria-level={2} style={styles.next}>
          You, as head coach
        </Text>
        {input('name', 'Your name', { autoComplete: 'name' })}
        {input('email', 'E-mail', { autoComplete: 'email', inputMode: 'email', autoCapitalize: 'none' })}
        <View>
          <PasswordInput
            label={`Password, ${LEAST_PASSWORD} characters or more`}
            value={fields.password}
            onChangeText={(password) => setFields({ ...fields, password })}
            fresh
            error={wrong.password !== undefined}
            onSubmit={() => void submit()}
          />
          {wrong.password ? <FieldError>{wrong.password}</FieldError> : null}
        </View>
        <Button mode="contained" disabled={isLoading} onPress={() => void submit()} contentStyle={styles.tall}>
          {isLoading ? 'Beginning…' : 'Begin'}
        </Button>
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  page: { padding: 20, flexGrow: 1, justifyContent: 'center' },
  box: { width: '100%', maxWidth: 480, alignSelf: 'center', gap: 12 },
  next: { marginTop: 8 },
  tall: { minHeight: 50 },
});
