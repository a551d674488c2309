/** What a club says of a cause: its cue at the wall, and how strongly each sign speaks for it. */
import {
  CAUSES,
  causesFor,
  linksOf,
  LINKS,
  linksWith,
  signCard,
  SIGN_IDS,
  causeCard,
  type Cause,
  type CauseId,
  type LinkEntry,
  type SignId,
  type Strength,
} from '@upwell/core/review';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { SearchField } from '@/ui/SearchField';
import { EntryForm } from './EntryForm';

export function CueForm({ id }: { readonly id: CauseId }) {
  const { name, cue, openTurnCue } = causeCard(id);
  const builtIn: Cause = CAUSES[id];
  return (
    <EntryForm
      kind="causes"
      id={id}
      name={`cue of “${name}”`}
      change="Change the cue"
      value={{ cue, openTurnCue: openTurnCue ?? '' }}
      body={(v) =>
        v.cue.trim().length < 2
          ? undefined
          : { cue: v.cue.trim(), ...(v.openTurnCue.trim() ? { openTurnCue: v.openTurnCue.trim() } : {}) }
      }
    >
      {(value, set, at) => (
        <>
          <Input
            label="Cue, as it is said at the wall"
            value={value.cue}
            maxLength={120}
            error={at('cue') !== undefined}
            onChangeText={(text) => set({ ...value, cue: text })}
          />
          {builtIn.openTurnCue ? (
            <Input
              label="For those who do not tumble"
              value={value.openTurnCue}
              maxLength={120}
              error={at('openTurnCue') !== undefined}
              onChangeText={(text) => set({ ...value, openTurnCue: text })}
            />
          ) : null}
          <Text variant="bodySmall">{`Built in: “${builtIn.cue}”`}</Text>
        </>
      )}
    </EntryForm>
  );
}

const STRENGTHS: readonly { readonly value: Strength | 'none'; readonly label: string }[] = [
  { value: 'strong', label: 'nearly always' },
  { value: 'some', label: 'often' },
  { value: 'weak', label: 'sometimes' },
  { value: 'none', label: 'no' },
];

export function StrengthForm({ id }: { readonly id: CauseId }) {
  const { name, strokes } = causeCard(id);
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  // Only what differs from the built-in is the club's own.
  const differing = (all: LinkEntry): LinkEntry =>
    Object.fromEntries(
      (Object.keys(all) as SignId[])
        .filter((sign) => all[sign] !== (LINKS[id][sign] ?? 'none'))
        .map((sign) => [sign, all[sign]!]),
    );
  const fits = (sign: SignId) => {
    const { stroke } = signCard(sign);
    return stroke === 'any' || strokes.some((s) => s === stroke || (s === 'open-water' && stroke === 'front-crawl'));
  };
  return (
    <EntryForm<LinkEntry>
      kind="links"
      id={id}
      name={`signs of “${name}”`}
      change="Change how it shows"
      value={linksOf(id)}
      body={(value) => {
        const own = differing(value);
        return Object.keys(own).length > 0 && Object.keys(linksWith(id, own)).length > 0 ? own : undefined;
      }}
    >
      {(value, set) => {
        const listed = Object.keys(value) as SignId[];
        const found = wanted
          ? SIGN_IDS.filter(
              (s) => !listed.includes(s) && fits(s) && signCard(s).seen.toLowerCase().includes(wanted),
            ).slice(0, 6)
          : [];
        return (
          <View>
            <Text variant="bodySmall">{`How often does a swimmer with “${name}” show it?`}</Text>
            {[...listed, ...found].map((sign) => (
              <Choice
                key={sign}
                label={signCard(sign).seen}
                options={STRENGTHS}
                chosen={[value[sign] ?? 'none']}
                onPress={(strength) => set({ ...value, [sign]: strength })}
              />
            ))}
            <SearchField
              label="Find another sign"
              placeholder="Find another sign"
              value={search}
              onChange={setSearch}
            />
          </View>
        );
      }}
    </EntryForm>
  );
}

/** The causes that a sign speaks for. */
export const shownBy = (sign: SignId): CauseId[] =>
  [
    ...new Set((['front-crawl', 'breaststroke', 'turn', 'open-water'] as const).flatMap((stroke) => causesFor(stroke))),
  ].filter((cause) => linksOf(cause)[sign] !== undefined);
