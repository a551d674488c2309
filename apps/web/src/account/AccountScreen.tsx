// The club, the own account and its devices.
import { CAUTION } from '@upwell/core/safety';
import { counted } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { api } from '@/api/api';
import { leave as leaveHere, tellServer } from '@/api/leaving';
import { dropAllDrafts } from '@/state/drafts';
import { forgetSeen, send } from '@/offline';
import { useAppDispatch, useAppSelector, useAppStore } from '@/state/hooks';
import {
  chooseDeckLight,
  chooseHand,
  chooseTheme,
  type DeckLight,
  type Hand,
  type ThemeChoice,
} from '@/state/settings';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Notice } from '@/ui/States';
import { ArchiveCard } from './ArchiveCard';
import { ClubRulesCard } from './ClubRulesCard';
import { DevicesCard } from './DevicesCard';
import { PasswordCard } from './PasswordCard';
import { ROLE_WORD } from './roles';
import { StandardsCard } from './StandardsCard';
import { useMeQuery } from './api';

const HANDS: readonly { readonly value: Hand; readonly label: string }[] = [
  { value: 'right', label: 'Right hand' },
  { value: 'left', label: 'Left hand' },
];
const LIGHTS: readonly { readonly value: DeckLight; readonly label: string }[] = [
  { value: 'dark', label: 'Dark' },
  { value: 'sun', label: 'Bright, for the sun' },
];
const THEMES: readonly { readonly value: ThemeChoice; readonly label: string }[] = [
  { value: 'system', label: 'Same as the device' },
  { value: 'day', label: 'Day' },
  { value: 'night', label: 'Night' },
];

export function AccountScreen() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const { theme, hand, deckLight } = useAppSelector((state) => state.settings);
  const unsaved = useAppSelector((state) => Object.keys(state.drafts).length);
  const store = useAppStore();
  const [sure, setSure] = useState(false);
  const waits = useAppSelector((state) => state.offline.waiting + state.offline.undecided);
  const [isLoading, setLoading] = useState(false);

  const leave = async (): Promise<void> => {
    setLoading(true);
    await send(store);
    const { waiting, undecided } = store.getState().offline;
    if (waiting + undecided > 0 && !sure) {
      setSure(true);
      setLoading(false);
      return;
    }
    // Here first, so that it holds without a network; the server hears of it as soon as it can.
    leaveHere();
    await forgetSeen();
    await tellServer();
    dispatch(dropAllDrafts());
    dispatch(api.util.resetApiState());
    router.replace('/sign-in');
  };

  return (
    <Screen title={me?.clubName ?? 'Club'} maxWidth={640}>
      <Card title="Your account">
        <Text>{me ? `${me.name} · ${ROLE_WORD[me.role]}` : ''}</Text>
      </Card>
      <Card title="Light">
        <Choice label="Colours" options={THEMES} chosen={[theme]} onPress={(value) => dispatch(chooseTheme(value))} />
      </Card>
      {me && me.role !== 'swimmer' ? (
        <Card title="Deck clock">
          <Choice
            label="Light"
            options={LIGHTS}
            chosen={[deckLight]}
            onPress={(value) => dispatch(chooseDeckLight(value))}
          />
          <Choice
            label="This phone is held in the"
            options={HANDS}
            chosen={[hand]}
            onPress={(value) => dispatch(chooseHand(value))}
          />
          <Text variant="bodySmall">Go stands on the side of that thumb.</Text>
        </Card>
      ) : null}
      {me && me.role !== 'swimmer' ? (
        <Card title="People">
          <View style={styles.row}>
            <Text style={styles.flex}>
              {me.role === 'head'
                ? 'Invite coaches and swimmers; roles, new passwords, leaving.'
                : 'Invite the swimmers of your squads.'}
            </Text>
            <Button mode="outlined" onPress={() => router.navigate('/account/people' as Href)}>
              Open people
            </Button>
          </View>
        </Card>
      ) : null}
      {me?.role === 'head' ? (
        <Card title="Squads">
          <View style={styles.row}>
            <Text style={styles.flex}>Who trains together, and which coaches see them.</Text>
            <Button mode="outlined" onPress={() => router.navigate('/swimmers/squads')}>
              Open squads
            </Button>
          </View>
        </Card>
      ) : null}
      {me?.role === 'head' ? (
        <Card title="Children’s data">
          <View style={styles.row}>
            <Text style={styles.flex}>Which coach looked at what, and when.</Text>
            <Button mode="outlined" onPress={() => router.navigate('/swimmers/looks' as Href)}>
              Who looked
            </Button>
          </View>
        </Card>
      ) : null}
      <PasswordCard />
      <DevicesCard />
      {me?.role === 'head' ? <ClubRulesCard /> : null}
      {me?.role === 'head' ? <StandardsCard /> : null}
      {me?.role === 'head' ? <ArchiveCard /> : null}
      <Card title="Good to know">
        <Text>{CAUTION}</Text>
      </Card>
      {unsaved > 0 ? (
        <Notice>{`${counted(unsaved, 'unsaved piece')} of work on this device will be dropped when you sign out.`}</Notice>
      ) : null}
      {sure && waits > 0 ? (
        <Notice
          tone="error"
          action={
            <Button mode="outlined" onPress={() => router.navigate('/waiting' as Href)}>
              See what waits
            </Button>
          }
        >
          {`${counted(waits, 'change has', 'changes have')} not reached the server. They stay on this device for your next sign-in here; sign out again if you are sure.`}
        </Notice>
      ) : null}
      <Button mode="outlined" icon="logout" onPress={() => void leave()} style={styles.leave}>
        {isLoading ? 'Signing out…' : 'Sign out'}
      </Button>
    </Screen>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 12, alignItems: 'center' },
  flex: { flex: 1, minWidth: 200 },
  leave: { alignSelf: 'flex-start', marginTop: 8 },
});
