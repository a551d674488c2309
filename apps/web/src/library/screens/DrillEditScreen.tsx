/** A drill in the words of the club: written on the left, as it will stand on the right, with what speaks against it. */
import { ownDrillId, type EntryProblem } from '@upwell/core/clubLibrary';
import {
  DRILL_PLACES,
  drillCard,
  isDrill,
  KIT,
  KIT_IDS,
  knownDrillIds,
  type Drill,
  type DrillEntry,
  type DrillId,
} from '@upwell/core/library';
import { CAUSE_IDS, causeCard, type CauseId } from '@upwell/core/review';
import { HEALTH_FLAGS, levelCard, LEVELS, STROKE_MODEL, STROKE_MODELS } from '@upwell/core/swimmers';
import { useLocalSearchParams } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Choice } from '@/ui/Choice';
import { DrillCard, PLACE_WORD } from '../parts/Details';
import { Answers, DoseInput, Field, flip } from '../parts/DrillFields';
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

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', flexWrap: 'wrap', columnGap: 16 },
  column: { flexGrow: 1, flexBasis: 340, minWidth: 0, maxWidth: '100%' },
  fields: { gap: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  preview: { gap: 6 },
});
