/** A time zone is chosen by what its clock shows now: some letters of the city are enough. */
import { timeIn, zoneNamed } from '@upwell/core/days';
import { zoneWord } from '@upwell/core/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice, FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';

interface ZoneInputProps {
  /** As typed: perhaps not a zone yet. */
  readonly zone: string;
  readonly onChange: (zone: string) => void;
  readonly error?: string | undefined;
}

/** Most zones that are offered at once. */
const MOST = 6;
const NAMES = Intl.supportedValuesOf('timeZone');
const plain = (text: string) => text.toLowerCase().replaceAll(/[^a-z0-9+-]/g, '');

/** Zones whose name has these letters, those whose city begins with them first. */
export function zonesLike(text: string): string[] {
  const asked = plain(text);
  if (asked === '') return [];
  const begins = (name: string) => plain(name.slice(name.lastIndexOf('/') + 1)).startsWith(asked);
  return NAMES.filter((name) => plain(name).includes(asked))
    .sort((a, b) => Number(begins(b)) - Number(begins(a)) || a.localeCompare(b))
    .slice(0, MOST);
}

export function ZoneInput({ zone, onChange, error }: ZoneInputProps) {
  const [at] = useState(() => Date.now());
  const known = zoneNamed(zone);
  const found = known === null ? zonesLike(zone) : [];
  return (
    <View>
      <Input
        label="Time zone, or a city in it"
        value={zone}
        autoCapitalize="none"
        autoComplete="off"
        maxLength={60}
        error={error !== undefined}
        onChangeText={onChange}
      />
      {found.length > 0 ? (
        <Choice
          label="Zones with this name"
          options={found.map((value) => ({ value, label: `${zoneWord(value)}, now ${timeIn(value, at)}` }))}
          chosen={[]}
          onPress={onChange}
        />
      ) : null}
      {known !== null ? (
        <Text variant="bodySmall" role="status">{`The clock there shows ${timeIn(known, at)} now.`}</Text>
      ) : null}
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}
