/** What a club says of a sign: its words, and from which measured value it counts as seen. */
import {
  bandsOf,
  builtInBands,
  causeCard,
  measuredWord,
  SIGNS,
  signCard,
  type Band,
  type BandEntry,
  type SignId,
} from '@upwell/core/review';
import { STROKE_MODEL, STROKE_MODELS, type StrokeModelId } from '@upwell/core/swimmers';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { shownBy } from './CauseForms';
import { EntryForm } from './EntryForm';

export function SignDetails({ id }: { readonly id: SignId }) {
  const { seen, view, part } = signCard(id);
  const bands = bandsAt(id);
  return (
    <>
      <Text>{`Speaks for: ${
        shownBy(id)
          .map((cause) => causeCard(cause).name)
          .join(', ') || 'nothing here'
      }.`}</Text>
      <Text variant="bodySmall">{`Look ${view === 'talk' ? 'by asking' : `from: ${view}`}. Part: ${part}.`}</Text>
      {bands.map(([model, band]) => (
        <Text key={model} variant="bodySmall">
          {`${STROKE_MODEL[model].name}: sometimes ${band.when} ${measuredWord(band.measure, band.sometimes)}, often ${band.when} ${measuredWord(band.measure, band.often)}.`}
        </Text>
      ))}
      <EntryForm
        kind="signs"
        id={id}
        name={`words of “${seen}”`}
        change="Change the words"
        value={seen}
        body={(text) => (text.trim().length < 2 ? undefined : { seen: text.trim() })}
      >
        {(text, set, at) => (
          <>
            <Input
              label="What the eye sees"
              value={text}
              maxLength={120}
              error={at('seen') !== undefined}
              onChangeText={set}
            />
            <Text variant="bodySmall">{`Built in: ${SIGNS[id].seen}`}</Text>
          </>
        )}
      </EntryForm>
      {bands.length > 0 ? <BandForm id={id} bands={bands} /> : null}
    </>
  );
}

type Bands = readonly (readonly [StrokeModelId, Band])[];

const bandsAt = (sign: SignId): Bands =>
  STROKE_MODELS.flatMap((model) => {
    const band = bandsOf(model).find((b) => b.sign === sign);
    return band ? [[model, band] as const] : [];
  });

/** Shares are written as per cent. */
const scaleOf = ({ unit }: Band): number => (unit === ' %' ? 100 : 1);

type Limits = Readonly<Partial<Record<StrokeModelId, readonly [string, string]>>>;

function BandForm({ id, bands }: { readonly id: SignId; readonly bands: Bands }) {
  const [, { unit, when }] = bands[0]!;
  const builtIn = (model: StrokeModelId) => builtInBands(model).find((b) => b.sign === id)!;
  const written = (band: Band): readonly [string, string] => {
    const say = (n: number) => String(Math.round(n * scaleOf(band) * 100) / 100);
    return [say(band.sometimes), say(band.often)];
  };
  const body = (limits: Limits): BandEntry | undefined => {
    const all = bands.map(([model, band]) => {
      const [sometimes, often] = limits[model]!.map((text) =>
        text.trim() === '' ? NaN : Number(text.replace(',', '.')) / scaleOf(band),
      );
      return [model, [sometimes!, often!]] as const;
    });
    if (all.some(([, pair]) => pair.some((n) => !Number.isFinite(n)))) return undefined;
    const other = all.filter(([model, [s, o]]) => s !== builtIn(model).sometimes || o !== builtIn(model).often);
    return other.length > 0 ? Object.fromEntries(other) : undefined;
  };
  return (
    <EntryForm<Limits>
      kind="bands"
      id={id}
      name={`limits of “${signCard(id).seen}”`}
      change="Change from where it counts"
      value={Object.fromEntries(bands.map(([model, band]) => [model, written(band)]))}
      body={body}
    >
      {(limits, set, at) => (
        <>
          <Text variant="bodySmall">{`Counts as seen ${when} these values${unit.trim() ? `, in ${unit.trim()}` : ''}.`}</Text>
          {bands.map(([model]) => (
            <View key={model} style={styles.row} role="group" aria-label={STROKE_MODEL[model].name}>
              {(['sometimes', 'often'] as const).map((word, i) => (
                <Input
                  key={word}
                  dense
                  style={styles.number}
                  label={`${STROKE_MODEL[model].name}: ${word}`}
                  inputMode="decimal"
                  value={limits[model]![i]!}
                  error={at(model) !== undefined}
                  onChangeText={(text) => {
                    const [sometimes, often] = limits[model]!;
                    set({ ...limits, [model]: i === 0 ? [text, often] : [sometimes, text] });
                  }}
                />
              ))}
            </View>
          ))}
        </>
      )}
    </EntryForm>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center' },
  number: { flexGrow: 1, flexBasis: 140, maxWidth: 260 },
});
