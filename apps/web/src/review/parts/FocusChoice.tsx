import { useToday } from '@/state/hooks';
import { drillCard, type DrillId, KIT, tryWord } from '@upwell/core/library';
import {
  causeCard,
  type CauseId,
  cueFor,
  daysToRelook,
  type DrillChoice,
  type DrillRecord,
  drillsFor,
  helped,
  ifNoHelp,
  recordWord,
} from '@upwell/core/review';
import { isAtLeast } from '@upwell/core/swimmers';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { Card } from '@/ui/Card';
import { Choice, FieldError } from '@/ui/Choice';
import { addDays } from '@upwell/core/days';
import { dayWord } from '@upwell/core/words';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import type { ReviewDraft } from '../draft';

/** A focus with every open choice filled in. */
export interface ChosenFocus {
  readonly cause: CauseId;
  readonly drill: DrillId;
  readonly cue: string;
  readonly tries: number;
  readonly relookOn: string;
}

/** The proposal for a cause, with the coach's own choices laid over it. */
export function chosenFocus(draft: ReviewDraft, cause: CauseId, choice: DrillChoice, today: string): ChosenFocus {
  const answers: readonly DrillId[] = causeCard(cause).answers;
  const best = drillsFor(cause, choice)[0] ?? answers[0]!;
  const drill = draft.drill && answers.includes(draft.drill) ? draft.drill : best;
  return {
    cause,
    drill,
    cue: draft.cue ?? cueFor(cause, drill),
    tries: draft.tries ?? drillCard(drill).dose.tries,
    relookOn: draft.relookOn ?? addDays(today, daysToRelook(drillCard(drill))),
  };
}

interface FocusChoiceProps {
  readonly draft: ReviewDraft;
  readonly cause: CauseId;
  /** Level, model, health notes and past records of the swimmer it is for. */
  readonly choice: DrillChoice;
  readonly onChange: (change: Partial<ReviewDraft>) => void;
  readonly errors: Readonly<Record<string, string>>;
}

/** The one focus: choose the drill and the cue, and when to look again. */
export function FocusChoice({ draft, cause, choice, onChange, errors }: FocusChoiceProps) {
  const today = useToday();
  const { level, model, healthFlags, records = [] } = choice;
  const theme = useTheme();
  const focus = chosenFocus(draft, cause, choice, today);
  const drill = drillCard(focus.drill);
  const answers: readonly DrillId[] = causeCard(cause).answers;
  const warnings = [
    ...drill.cautions,
    ...drill.notWith
      .filter((flag) => healthFlags.includes(flag))
      .map((flag) => `Not with “${flag}”: choose another drill.`),
    ...(isAtLeast(level, drill.from) ? [] : ['Above this swimmer’s level.']),
    ...(drill.contradicts.includes(model) ? ['Goes against this swimmer’s stroke model.'] : []),
  ];
  return (
    <Card title="The one focus" strong>
      <Text variant="titleLarge">{causeCard(cause).name}</Text>
      <Input
        label="Cue, said at the wall"
        value={focus.cue}
        onChangeText={(cue) => onChange({ cue })}
        maxLength={120}
        style={styles.gap}
        error={errors['focus.cue'] !== undefined}
      />
      {errors['focus.cue'] ? <FieldError>{errors['focus.cue']}</FieldError> : null}
      <Choice
        label="Drill"
        options={answers.map((id) => ({ value: id, label: drillCard(id).name }))}
        chosen={[focus.drill]}
        onPress={(id) => onChange({ drill: id, cue: null, tries: null, relookOn: null })}
      />
      {choice.before?.some((f) => f.cause === cause && f.outcome !== null && !helped(f.outcome)) ? (
        <Text variant="labelMedium" style={{ color: theme.colors.error }}>
          {`This focus did not get better before${drillChanged(choice, cause, focus.drill) ? ', so the drill is a different one' : ': question the cause, or change the drill'}.`}
        </Text>
      ) : null}
      <Text variant="labelMedium">{`At this level it ${recordOf(records, cause, focus.drill)}.`}</Text>
      <Text>{drill.purpose}</Text>
      {drill.steps.map((text, i) => (
        <Text key={text} variant="bodySmall">{`${i + 1}. ${text}`}</Text>
      ))}
      <Text variant="bodySmall">{`Kit: ${drill.kit.map((k) => KIT[k]).join(', ') || 'none'}. Watch for: ${drill.mistakes.join(', ')}.`}</Text>
      <Text variant="bodySmall">{ifNoHelp(cause, focus.drill)}</Text>
      {warnings.map((text) => (
        <Text key={text} variant="labelMedium" style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      <View style={styles.row}>
        <Stepper
          label={tryWord(drill.dose)}
          value={String(focus.tries)}
          onLess={focus.tries > 1 ? () => onChange({ tries: focus.tries - 1 }) : null}
          onMore={focus.tries < 50 ? () => onChange({ tries: focus.tries + 1 }) : null}
        />
        <Stepper
          label="look again"
          value={dayWord(focus.relookOn)}
          onLess={focus.relookOn > today ? () => onChange({ relookOn: addDays(focus.relookOn, -1) }) : null}
          onMore={() => onChange({ relookOn: addDays(focus.relookOn, 1) })}
        />
        <Button compact onPress={() => onChange({ relookOn: addDays(today, 21) })}>
          in 3 weeks
        </Button>
      </View>
    </Card>
  );
}

/** Whether this drill was not yet tried for the cause by this swimmer. */
function drillChanged({ before = [] }: DrillChoice, cause: CauseId, drill: DrillId): boolean {
  return !before.some((f) => f.cause === cause && f.drill === drill && f.outcome !== null);
}

/** What the drill has done for this cause before. */
function recordOf(records: readonly DrillRecord[], cause: CauseId, drill: DrillId): string {
  const record = records.find((r) => r.cause === cause && r.drill === drill);
  return record ? recordWord(record) : `has ${recordWord({ better: 0, notBetter: 0 })}`;
}

const styles = StyleSheet.create({
  gap: { marginTop: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, marginTop: 10, alignItems: 'center' },
});
