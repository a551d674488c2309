import type { RosterDone } from '@upwell/contract/roster';
import { useState } from 'react';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { sentence, type ApiError } from '@/api/problem';
import { useInviteMutation } from '@/people';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { counted } from '@upwell/core/words';

/** Sends an invitation to every address of a list, one letter after the other; nobody gets two. */
export function InviteAll({ done: { addresses, mail } }: { readonly done: Pick<RosterDone, 'addresses' | 'mail'> }) {
  const [invite] = useInviteMutation();
  const [sent, setSent] = useState(0);
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [error, setError] = useState<ApiError | null>(null);
  const [running, setRunning] = useState(false);
  const count = addresses.length;
  if (count === 0) return null;
  const people = counted(count, 'address', 'addresses');
  if (!mail)
    return (
      <Card title="Invitations">
        <Text>{`The list has ${people}. This server sends no mail, so they are not kept: invite each swimmer from their page, by link or QR code.`}</Text>
      </Card>
    );
  const send = async (): Promise<void> => {
    setRunning(true);
    setError(null);
    for (const { swimmerId, email } of addresses.slice(sent)) {
      const result = await invite({ role: 'swimmer', swimmerId, email });
      if (result.error) {
        setError(result.error);
        break;
      }
      if (result.data.mailed === false) setRefused((before) => [...before, email]);
      setSent((n) => n + 1);
    }
    setRunning(false);
  };
  return (
    <Card title="Invitations">
      <Text>
        {sent === count
          ? `${people} invited. Each e-mail has a link that works once, within two weeks.`
          : `The list has ${people}. Each gets an e-mail with a link; for a child, a parent or guardian signs up.`}
      </Text>
      {running ? <ProgressBar progress={sent / count} aria-label="E-mails sent" /> : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {refused.length > 0 ? (
        <Notice tone="error">{`The mail server did not accept: ${refused.join(', ')}`}</Notice>
      ) : null}
      {sent < count ? (
        <Button mode="outlined" disabled={running} onPress={() => void send()}>
          {running ? `${sent} of ${count} sent…` : `Send ${counted(count - sent, 'letter')}`}
        </Button>
      ) : null}
    </Card>
  );
}
