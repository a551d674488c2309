import { useZone } from '@/state/hooks';
import { dayIn } from '@upwell/core/days';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { newSecret } from '@/api/secret';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { useCalendarLinksQuery, useMakeCalendarLinkMutation, useRevokeCalendarLinkMutation } from './api';
import { dayWord } from '@upwell/core/words';

/** Whose calendar it is: a squad's, or one swimmer's own. */
type CalendarOf = ({ readonly squadId: string } | { readonly swimmerId: string }) & { readonly name: string };

/** A secret address where any calendar finds the sessions of a squad or a swimmer; each can be taken back. */
export function CalendarAddress(of: CalendarOf) {
  const [open, setOpen] = useState(false);
  return (
    <View>
      <Disclosure label="Calendar address" open={open} onPress={() => setOpen(!open)} />
      {open ? <Addresses {...of} /> : null}
    </View>
  );
}

function Addresses({ name, ...of }: CalendarOf) {
  const zone = useZone();
  const squadId = 'squadId' in of ? of.squadId : null;
  const swimmerId = 'swimmerId' in of ? of.swimmerId : null;
  const { data: links = [], error } = useCalendarLinksQuery();
  const [make, making] = useMakeCalendarLinkMutation();
  const [revoke, revoking] = useRevokeCalendarLinkMutation();
  const [fresh, setFresh] = useState('');
  const failed = error ?? making.error ?? revoking.error;
  const create = async () => {
    const token = newSecret();
    const result = await make({ id: v7(), body: { ...(squadId ? { squadId } : { swimmerId: swimmerId! }), token } });
    if (!result.error) setFresh(`${window.location.origin}/api/v1/calendars/${token}`);
  };
  return (
    <View style={styles.all}>
      <Text variant="bodySmall">
        {squadId
          ? `Calendars that have the address see when ${name} swims, how far, and its races; nobody’s name.`
          : `Calendars that have the address see when ${name === 'you' ? 'you swim' : `${name} swims`}, how far, tests and the race. Give it to nobody else.`}
      </Text>
      {fresh ? <Input label="The address, shown only once" value={fresh} readOnly /> : null}
      {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
      <Button
        mode="outlined"
        icon="link-variant"
        style={styles.start}
        disabled={making.isLoading}
        onPress={() => void create()}
      >
        Make an address
      </Button>
      {links
        .filter(
          (link) =>
            !link.revoked && (swimmerId ? link.swimmerId === swimmerId : link.squadId === squadId && !link.swimmerId),
        )
        .map((link) => (
          <View key={link.id} style={styles.row}>
            <Text style={styles.flex}>{`Made ${dayWord(dayIn(zone, link.createdAt))}`}</Text>
            <Button
              accessibilityLabel={`Revoke the address made ${dayWord(dayIn(zone, link.createdAt))}`}
              onPress={() => {
                setFresh('');
                void revoke(link.id);
              }}
            >
              Revoke
            </Button>
          </View>
        ))}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 6 },
  start: { alignSelf: 'flex-start' },
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 48 },
  flex: { flex: 1 },
});
