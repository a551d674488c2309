import { openFocus } from '@upwell/contract/openFocus';
import { useZone } from '@/state/hooks';
import { dayIn } from '@upwell/core/days';
import type { FocusView } from '@upwell/contract/review';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { Linking, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { useMeQuery } from '@/account';
import { useSwimmerQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { canCopy } from '@/ui/canCopy';
import { Input } from '@/ui/Input';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { WayOn } from '@/ui/WayOn';
import { useHandoutLinksQuery, useHandoutQuery, useMakeLinkMutation, useRevokeLinkMutation } from '../api';
import { HandoutPage } from '../parts/HandoutPage';
import { newSecret, sharedAddress } from '@/api/secret';
import { dayWord } from '@upwell/core/words';

/** The swimmer's page as the coach sees it, with the paper and the links. */
export function HandoutScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: me } = useMeQuery();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  const focus = swimmer && openFocus(swimmer.focuses);
  if (!swimmer || !focus) {
    return (
      <Screen title="Hand-out" back={`/swimmers/${id}`}>
        {error && !swimmer ? <Failure error={error} retry={() => void refetch()} /> : null}
        {swimmer ? (
          <Empty
            title="Nothing to take home yet"
            action={me?.role === 'swimmer' ? null : <WayOn to={`/swimmers/${id}/review`} label="Review the stroke" />}
          >
            Choose a focus first.
          </Empty>
        ) : error ? null : (
          <Loading />
        )}
      </Screen>
    );
  }
  return <Sheet swimmerId={id} name={swimmer.givenName} focus={focus} coach={me?.role !== 'swimmer'} />;
}

interface SheetProps {
  readonly swimmerId: string;
  readonly name: string;
  readonly focus: FocusView;
  readonly coach: boolean;
}

function Sheet({ swimmerId, name, focus, coach }: SheetProps) {
  const { data: page, error, refetch } = useHandoutQuery(focus.id);
  return (
    <Screen
      title={`For ${name}`}
      back={`/swimmers/${swimmerId}`}
      maxWidth={980}
      actions={
        <Button mode="contained" onPress={() => void Linking.openURL(`/api/v1/focuses/${focus.id}/handout.pdf`)}>
          Print (PDF)
        </Button>
      }
    >
      {page ? (
        <HandoutPage page={page} />
      ) : error ? (
        <Failure error={error} retry={() => void refetch()} />
      ) : (
        <Loading />
      )}
      {/* Not before the page stands: a button that moves down under a finger is missed. */}
      {coach && (page || error) ? <Links focusId={focus.id} /> : null}
    </Screen>
  );
}

/** Links to this page that need no sign-in; each can be taken back. */
function Links({ focusId }: { readonly focusId: string }) {
  const zone = useZone();
  const { data: links = [], error } = useHandoutLinksQuery(focusId);
  const [make, making] = useMakeLinkMutation();
  const [revoke, revoking] = useRevokeLinkMutation();
  const [fresh, setFresh] = useState<string | null>(null);
  const failed = error ?? making.error ?? revoking.error;
  const create = async () => {
    const token = newSecret();
    const result = await make({ id: v7(), body: { focusId, token } });
    if (!result.error) setFresh(sharedAddress(token));
  };
  return (
    <Card title="Share it" style={styles.top}>
      <Text>Anyone with the link sees this page and nothing else, until you revoke it.</Text>
      {fresh ? (
        <View style={styles.row}>
          <Input label="The link, shown only once" value={fresh} readOnly style={styles.flex} />
          {canCopy() ? (
            <Button mode="outlined" onPress={() => void navigator.clipboard.writeText(fresh)}>
              Copy
            </Button>
          ) : null}
        </View>
      ) : null}
      {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
      <Button mode="outlined" style={styles.begin} disabled={making.isLoading} onPress={() => void create()}>
        Make a link
      </Button>
      <View role="list">
        {links.map((link) => (
          <View key={link.id} role="listitem" style={styles.row}>
            <Text
              style={styles.flex}
            >{`Made ${dayWord(dayIn(zone, link.createdAt))}${link.revoked ? ', revoked' : ''}`}</Text>
            {link.revoked ? null : (
              <Button
                accessibilityLabel={`Revoke the link made ${dayWord(dayIn(zone, link.createdAt))}`}
                onPress={() => {
                  setFresh(null);
                  void revoke(link.id);
                }}
              >
                Revoke
              </Button>
            )}
          </View>
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  top: { marginTop: 16 },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8, minHeight: 48, marginTop: 6 },
  flex: { flex: 1, minWidth: 180 },
  begin: { alignSelf: 'flex-start', marginTop: 10 },
});
