import { LEAST_PASSWORD } from '@upwell/contract/account';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { Notice } from '@/ui/States';
import { useChangePasswordMutation } from './api';
import { PasswordInput } from '@/ui/PasswordInput';

/** Another password; every other device is signed out with it. */
export function PasswordCard() {
  const [open, setOpen] = useState(false);
  const [old, setOld] = useState('');
  const [fresh, setFresh] = useState('');
  const [change, { error, isLoading, isSuccess }] = useChangePasswordMutation();

  const submit = async (): Promise<void> => {
    const result = await change({ old, new: fresh });
    if ('error' in result) return;
    setOld('');
    setFresh('');
    setOpen(false);
  };
  return (
    <Card title="Password">
      {isSuccess && !open ? <Notice>Your password is changed. All other devices are signed out.</Notice> : null}
      <Disclosure label="Change the password" open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.gap}>
          {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
          <PasswordInput label="Old password" value={old} onChangeText={setOld} />
          <PasswordInput
            label={`New password, ${LEAST_PASSWORD} characters or more`}
            value={fresh}
            onChangeText={setFresh}
            fresh
            onSubmit={() => void submit()}
          />
          <Button
            mode="contained"
            style={styles.start}
            disabled={isLoading || old === '' || fresh.length < LEAST_PASSWORD}
            onPress={() => void submit()}
          >
            {isLoading ? 'Changing…' : 'Change password'}
          </Button>
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 10, marginTop: 6 },
  start: { alignSelf: 'flex-start' },
});
