import { dayIn } from '@upwell/core/days';
import { useZone } from '@/state/hooks';
import type { LinkView } from '@upwell/contract/people';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import QRCode from 'react-native-qrcode-svg';
import { Button, Text } from 'react-native-paper';
import { canCopy } from '@/ui/canCopy';
import { Card } from '@/ui/Card';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { dayWord } from '@upwell/core/words';

/** Phones hand a link to the apps people write to each other with. */
const CAN_SHARE = typeof navigator !== 'undefined' && 'share' in navigator;

interface LinkCardProps {
  /** Who it is for, as a heading. */
  readonly title: string;
  readonly made: LinkView;
  /** Where it went by mail, if it did. */
  readonly email: string | null;
  readonly onDone: () => void;
}

/** A link that is shown once: to be photographed at the pool, copied, or handed to another app. */
export function LinkCard({ title, made, email, onDone }: LinkCardProps) {
  const zone = useZone();
  const [copied, setCopied] = useState(false);
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(made.link);
    setCopied(true);
  };
  return (
    <Card title={title} strong>
      <View style={styles.row}>
        {/* Dark on white by day and by night: cameras want it so. */}
        <View role="img" aria-label="The link as a QR code" style={styles.code}>
          <QRCode value={made.link} size={216} ecl="M" quietZone={12} />
        </View>
        <View style={styles.flex}>
          <Text>{`Point a phone’s camera at the code, or send the link. It works once, until ${dayWord(dayIn(zone, made.expiresAt))}, and is shown only now.`}</Text>
          <Input label="The link" value={made.link} readOnly />
          <View style={styles.buttons}>
            {canCopy() ? (
              <Button mode="contained" onPress={() => void copy()}>
                {copied ? 'Copied' : 'Copy'}
              </Button>
            ) : null}
            {CAN_SHARE ? (
              <Button mode="outlined" onPress={() => void navigator.share({ url: made.link }).catch(() => undefined)}>
                Share
              </Button>
            ) : null}
            <Button onPress={onDone}>Done</Button>
          </View>
          {made.mailed === true ? <Notice>{`Sent to ${email}.`}</Notice> : null}
          {made.mailed === false ? (
            <Notice tone="error">{`The mail server did not accept the e-mail to ${email}. Show or send the link yourself.`}</Notice>
          ) : null}
        </View>
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 16, alignItems: 'center' },
  code: { backgroundColor: '#ffffff', borderRadius: 6, alignSelf: 'center', marginHorizontal: 'auto' },
  flex: { flex: 1, minWidth: 240, gap: 10 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
