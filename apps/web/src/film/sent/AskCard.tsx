/** Asks a swimmer to film and send a clip: what is to be seen, and from where. */
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { useState } from 'react';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { FILM_VIEWS, type FilmView } from '../filmStore';
import { VIEW_WORD } from '../words';
import { useAskForClipMutation } from './api';

interface Ask {
  readonly wish: string;
  readonly view: FilmView;
}
const FRESH: Ask = { wish: 'Three lengths at an easy pace', view: 'side' };

export function AskCard({ swimmer: { id, givenName, familyName } }: { readonly swimmer: SwimmerRow }) {
  const [{ wish, view }, setAsk, drop] = useDraft<Ask>(`ask:${id}`, FRESH);
  const [ask, { error, isLoading }] = useAskForClipMutation();
  const [asked, setAsked] = useState<string | null>(null);
  const send = async () => {
    const swimmerName = `${givenName} ${familyName}`;
    const body = { swimmerId: id, wish: wish.trim(), view };
    if ((await ask({ id: v7(), swimmerName, body })).error) return;
    drop();
    setAsked(swimmerName);
  };
  return (
    <Card title={`Ask ${givenName} to send a clip`}>
      <Text variant="bodySmall">It is asked for on “My week”, for those with a sign-in of their own.</Text>
      <Input
        label="What you want to see"
        value={wish}
        maxLength={160}
        onChangeText={(text) => {
          setAsked(null);
          setAsk((now) => ({ ...now, wish: text }));
        }}
      />
      <Choice
        label="Filmed"
        options={FILM_VIEWS.map((value) => ({ value, label: VIEW_WORD[value] }))}
        chosen={[view]}
        onPress={(value) => setAsk((now) => ({ ...now, view: value }))}
      />
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <Button mode="outlined" disabled={wish.trim() === '' || isLoading} onPress={() => void send()}>
        {isLoading ? 'Asking…' : 'Ask for it'}
      </Button>
      <Text variant="bodySmall" aria-live="polite">
        {asked ? `${asked} is asked.` : ' '}
      </Text>
    </Card>
  );
}
