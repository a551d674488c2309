/** A drill in the words of the club: written on the left, as it will stand on the right, with what speaks against it. */
import { ownDrillId, type EntryProblem } from '@upwell/core/clubLibrary';
import {
  DRILL_PLACES,
  drillCard,
  isDrill,
  KIT,
  KIT_IDS,
  knownDrillIds,
  MOST_OF_OWN,
  type Dose,
  type Drill,
  type DrillEntry,
  type DrillId,
} from '@upwell/core/library';
import { CAUSE_IDS, causeCard, type CauseId } from '@upwell/core/review';
import { HEALTH_FLAGS, levelCard, LEVELS, STROKE_MODEL, STROKE_MODELS } from '@upwell/core/swimmers';
import { percent } from '@upwell/core/words';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Choice, FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { SearchField } from '@/ui/SearchField';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { DrillCard, PLACE_WORD } from '../parts/Details';
import { EditFrame } from '../parts/EditFrame';
import { LinesInput, said } from '../parts/LinesInput';
import { useEntry, useOwn } from '../useOwn';

/** A card as it is being written: everything may still be missing. */
interface Draft {
  readonly card: Drill;
  readonly answers: readonly CauseId[];
}

const NEW: Draft = {
  card: {
    ...{ name: '', purpose: '', trains: '', steps: [''], feel: '', mistakes: [], cue: '', kit: [], places: [] },
    ...{ from: 'build', contradicts: [], view: 'side', cautions: [], notWith: [], factor: 0.8 },
    dose: { kind: 'distance', tries: 4, metres: 25, mostM: 50 },
  },
  answers: [],
};

/** What each way of counting begins with. */
const DOSES: Readonly<Record<Dose['kind'], Dose>> = {
  distance: { kind: 'distance', tries: 4, metres: 25, mostM: 50 },
  seconds: { kind: 'seconds', tries: 4, seconds: 10 },
  repeats: { kind: 'repeats', tries: 5, eachS: 20 },
};

export function DrillEditScreen() {
  const { id: asked = 'new' } = useLocalSearchParams<{ id: string }>();
  const own = useOwn();
  const known = isDrill(asked) ? asked : null;
  const entry = own.entryOf('drills', asked)?.body as DrillEntry | null | undefined;
  const stored = useMemo<Draft>(
    () => (known ? { card: drillCard(known), answers: (entry?.answers ?? []) as readonly CauseId[] } : NEW),
    [known, entry],
  );
  const [draft, setDraft, drop] = useDraft<Draft>(`library drill ${asked}`, stored);
  // An id is given once, when the drill is stored for the first time.
  const id: DrillId = known ?? ownDrillId(draft.card.name, new Set(knownDrillIds()));
  const editor = useEntry('drills', id);
  const builtIn = known !== null && !known.startsWith('own-');
  const card = tidy(draft.card);
  const body: DrillEntry = {
    card,
    ...(builtIn ? {} : { answers: draft.answers }),
    ...(entry?.hidden ? { hidden: true as const } : {}),
  };
  const missing = missingOf(card);
  const problems = missing === null ? editor.problems(body) : [];
  const at = (field: string) => problems.find((p: EntryProblem) => p.field === field)?.message;
  const set = (change: Partial<Drill>) => {
    editor.reset();
    setDraft((now) => ({ ...now, card: { ...now.card, ...change } }));
  };
  return (
    <EditFrame
      title={known ? card.name : 'Write a drill'}
      over={builtIn ? 'Library · built in, in your club’s words' : 'Library · your club’s own drill'}
      back="/library?show=drills"
      editor={editor}
      body={body}
      missing={missing}
      changed={draft !== stored}
      name={card.name}
      drop={drop}
    >
      <View style={styles.columns}>
        <View style={styles.column}>
          <Card title="What it is for">
            <View style={styles.fields}>
              <Field
                label="Name"
                value={draft.card.name}
                max={60}
                error={at('name')}
                onChange={(name) => set({ name })}
              />
              <Field
                label="Why it helps"
                value={draft.card.purpose}
                max={300}
                multiline
                error={at('purpose')}
                onChange={(purpose) => set({ purpose })}
              />
              {builtIn ? null : (
                <Answers
                  answers={draft.answers}
                  error={at('answers')}
                  onChange={(answers) => setDraft((now) => ({ ...now, answers }))}
                />
              )}
              {builtIn || draft.answers.length > 0 ? null : (
                <Field
                  label="Or the skill it trains"
                  value={draft.card.trains ?? ''}
                  max={60}
                  onChange={(trains) => set({ trains })}
                />
              )}
            </View>
          </Card>
          <Card title="How it is done">
            <View style={styles.fields}>
              <LinesInput
                label="Steps, one on each line"
                lines={draft.card.steps}
                error={at('steps')}
                onChange={(steps) => set({ steps })}
              />
              <Field
                label="It feels like"
                value={draft.card.feel}
                max={300}
                error={at('feel')}
                onChange={(feel) => set({ feel })}
              />
              <LinesInput
                label="Watch for, one on each line"
                lines={draft.card.mistakes}
                onChange={(mistakes) => set({ mistakes })}
              />
              <Field
                label="Cue, as it is said at the wall"
                value={draft.card.cue}
                max={120}
                error={at('cue')}
                onChange={(cue) => set({ cue })}
              />
              <LinesInput
                label="Cautions, one on each line"
                lines={draft.card.cautions}
                error={at('cautions')}
                onChange={(cautions) => set({ cautions })}
              />
            </View>
          </Card>
          <Card title="Where, who and how much">
            <Choice
              label="Where it may be done"
              options={DRILL_PLACES.map((value) => ({ value, label: PLACE_WORD[value] }))}
              chosen={draft.card.places}
              error={at('places')}
              onPress={(place) => set({ places: flip(draft.card.places, place) })}
            />
            <Choice
              label="From which level"
              options={LEVELS.map((value) => ({ value, label: levelCard(value).name }))}
              chosen={[draft.card.from]}
              error={at('from')}
              onPress={(from) => set({ from })}
            />
            <DoseInput card={draft.card} fixed={builtIn} error={at('dose') ?? at('factor')} onChange={set} />
            <Choice
              label="Kit"
              options={KIT_IDS.map((value) => ({ value, label: KIT[value] }))}
              chosen={draft.card.kit}
              onPress={(item) => set({ kit: flip(draft.card.kit, item) })}
            />
            <Choice
              label="Not with"
              options={HEALTH_FLAGS.map((value) => ({ value, label: value }))}
              chosen={draft.card.notWith}
              error={at('notWith')}
              onPress={(flag) => set({ notWith: flip(draft.card.notWith, flag) })}
            />
            <Choice
              label="Goes against"
              options={STROKE_MODELS.map((value) => ({ value, label: STROKE_MODEL[value].name }))}
              chosen={draft.card.contradicts}
              onPress={(model) => set({ contradicts: flip(draft.card.contradicts, model) })}
            />
            <Choice
              label="Look from"
              options={(['side', 'front', 'above', 'under water'] as const).map((value) => ({ value, label: value }))}
              chosen={[draft.card.view]}
              onPress={(view) => set({ view })}
            />
            {draft.card.places.includes('wall') ? (
              <Check
                label="Heels come near the edge: not where it is raised"
                on={draft.card.levelEdge === true}
                onPress={() => {
                  const { levelEdge, ...rest } = draft.card;
                  setDraft((now) => ({ ...now, card: levelEdge ? rest : { ...rest, levelEdge: true } }));
                }}
              />
            ) : null}
          </Card>
        </View>
        <View style={styles.column}>
          <Card title={card.name || 'As it will stand'} strong>
            <View style={styles.preview}>
              <DrillCard card={card} answers={builtIn ? answersOf(known) : draft.answers} />
              <Text variant="bodySmall">{`In the text of a session: drill ${id.replace(/^own-/, '')}`}</Text>
            </View>
          </Card>
        </View>
      </View>
    </EditFrame>
  );
}

const answersOf = (id: DrillId): CauseId[] => CAUSE_IDS.filter((cause) => causeCard(cause).answers.includes(id));

const flip = <T,>(list: readonly T[], item: T): T[] =>
  list.includes(item) ? list.filter((other) => other !== item) : [...list, item];

/** The card as it is stored: without empty lines and loose ends. */
function tidy(card: Drill): Drill {
  const { trains, ...rest } = card;
  return {
    ...rest,
    ...(trains?.trim() ? { trains: trains.trim() } : {}),
    ...{ name: card.name.trim(), purpose: card.purpose.trim(), feel: card.feel.trim(), cue: card.cue.trim() },
    ...{ steps: said(card.steps), mistakes: said(card.mistakes), cautions: said(card.cautions) },
  };
}

function missingOf({ name, purpose, steps, cue }: Drill): string | null {
  const open = [
    name.length < 2 ? 'a name' : null,
    purpose.length < 2 ? 'why it helps' : null,
    steps.length === 0 ? 'a step' : null,
    cue.length < 2 ? 'a cue' : null,
  ].filter((text) => text !== null);
  return open.length === 0 ? null : `Still missing: ${open.join(', ')}.`;
}

interface TextProps {
  readonly label: string;
  readonly value: string;
  readonly max: number;
  readonly multiline?: boolean;
  readonly error?: string | undefined;
  readonly onChange: (text: string) => void;
}

function Field({ label, value, max, multiline = false, error, onChange }: TextProps) {
  return (
    <View>
      <Input
        label={label}
        value={value}
        maxLength={max}
        multiline={multiline}
        error={error !== undefined}
        onChangeText={onChange}
      />
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

/** The causes that an own drill answers: chosen ones as chips, others by name. */
function Answers({
  answers,
  error,
  onChange,
}: {
  readonly answers: readonly CauseId[];
  readonly error: string | undefined;
  readonly onChange: (answers: readonly CauseId[]) => void;
}) {
  const theme = useTheme();
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = wanted ? CAUSE_IDS.filter((id) => causeCard(id).name.toLowerCase().includes(wanted)).slice(0, 8) : [];
  const shown = [...answers, ...found.filter((id) => !answers.includes(id))];
  return (
    <View style={styles.fields}>
      <SearchField
        label="Find a fault that it answers"
        placeholder="Find a fault that it answers"
        style={{ backgroundColor: theme.own.sand }}
        value={search}
        onChange={setSearch}
      />
      {shown.length > 0 || error ? (
        <Choice
          label="It answers"
          options={shown.map((value) => ({ value, label: causeCard(value).name }))}
          chosen={answers}
          error={error}
          onPress={(id) => onChange(flip(answers, id))}
        />
      ) : null}
    </View>
  );
}

const KIND_WORD: Readonly<Record<Dose['kind'], string>> = {
  distance: 'metres',
  seconds: 'seconds',
  repeats: 'tries on the spot',
};

function DoseInput({
  card: { dose, factor },
  fixed,
  error,
  onChange,
}: {
  readonly card: Drill;
  /** A built-in drill is counted as it was. */
  readonly fixed: boolean;
  readonly error: string | undefined;
  readonly onChange: (change: Partial<Drill>) => void;
}) {
  const step = (label: string, value: string, by: number, now: number, most: number, to: (n: number) => Dose) => (
    <Stepper
      label={label}
      value={value}
      onLess={now - by >= 1 ? () => onChange({ dose: to(now - by) }) : null}
      onMore={now + by <= most ? () => onChange({ dose: to(now + by) }) : null}
    />
  );
  return (
    <View style={styles.fields}>
      {fixed ? null : (
        <Choice
          label="Counted in"
          options={(Object.keys(KIND_WORD) as Dose['kind'][]).map((value) => ({ value, label: KIND_WORD[value] }))}
          chosen={[dose.kind]}
          onPress={(kind) => onChange({ dose: DOSES[kind], factor: kind === 'distance' ? 0.8 : null })}
        />
      )}
      <View style={styles.row}>
        {step('tries', String(dose.tries), 1, dose.tries, MOST_OF_OWN.tries, (tries) => ({ ...dose, tries }))}
        {dose.kind === 'distance' ? (
          <>
            {step('m of one try', String(dose.metres), 5, dose.metres, MOST_OF_OWN.metres, (metres) => ({
              ...dose,
              ...{ metres, mostM: Math.max(metres, dose.mostM) },
            }))}
            {step('m at most', String(dose.mostM), 5, dose.mostM, MOST_OF_OWN.metres, (mostM) => ({ ...dose, mostM }))}
          </>
        ) : null}
        {dose.kind === 'seconds'
          ? step('s at most', String(dose.seconds), 5, dose.seconds, MOST_OF_OWN.seconds, (seconds) => ({
              ...dose,
              seconds,
            }))
          : null}
        {dose.kind === 'repeats'
          ? step('s each', String(dose.eachS), 5, dose.eachS, MOST_OF_OWN.seconds, (eachS) => ({ ...dose, eachS }))
          : null}
        {dose.kind === 'distance' && factor !== null ? (
          <Stepper
            label="of easy swimming"
            value={percent(factor)}
            onLess={factor > 0.25 ? () => onChange({ factor: Math.round((factor - 0.05) * 100) / 100 }) : null}
            onMore={factor < 1.2 ? () => onChange({ factor: Math.round((factor + 0.05) * 100) / 100 }) : null}
          />
        ) : null}
      </View>
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', flexWrap: 'wrap', columnGap: 16 },
  column: { flexGrow: 1, flexBasis: 340, minWidth: 0, maxWidth: '100%' },
  fields: { gap: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  preview: { gap: 6 },
});
