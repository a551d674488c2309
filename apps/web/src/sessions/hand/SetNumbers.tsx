// The numbers of a set: rest or send-off, stroke rate, looks.
import { FEWEST_BETWEEN_LOOKS } from '@upwell/core/measures';
import {
  breathCycle,
  fittingLook,
  prescriptionOf,
  suggestFor,
  usualLook,
  type GroupPlan,
  type SessionPlan,
} from '@upwell/core/sessions';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { taken, typedWhole } from '../typed';
import type { PartProps } from './HowMuch';

/** Most strokes between looks that are offered. */
const MOST_EVERY = 30;

export function Numbers({
  set,
  plan,
  group,
  change,
}: PartProps & { readonly plan: SessionPlan; readonly group: GroupPlan }) {
  const numbers = prescriptionOf(set, group, plan.pool);
  const outside = plan.place === 'open-water';
  const suggestion = suggestFor(set, group, plan.pool, outside);
  const rate = set.strokeRateSpm ?? Math.round(numbers.strokeRateSpm);
  const { sighting } = set;
  // In whole cycles of breathing, so that a look keeps its place in the rhythm.
  const cycle = breathCycle(set.breathing);
  const least = fittingLook(set.breathing, FEWEST_BETWEEN_LOOKS);
  const words = [
    `${numbers.rateIsDerived ? 'About ' : ''}${Math.round(numbers.strokeRateSpm)} strokes a minute, a beep each ${numberWord(numbers.beeperS, 2)} s`,
    numbers.breathsPerMinute === null
      ? ''
      : `${numberWord(numbers.breathsPerMinute)} breaths a minute, ${numberWord(numbers.secondsBetween!, 1)} s between`,
    numbers.looksPerRep > 0 ? `${numbers.looksPerRep} looks per rep` : '',
  ];
  return (
    <View style={styles.numbers}>
      <Text variant="bodySmall" aria-live="polite">
        {words.filter(Boolean).join(' · ')}
      </Text>
      <View style={styles.row}>
        <Stepper
          label="strokes a minute"
          value={set.strokeRateSpm === null ? 'free' : String(set.strokeRateSpm)}
          onLess={rate > 22 ? () => change({ strokeRateSpm: rate - 2 }) : null}
          onMore={rate < 138 ? () => change({ strokeRateSpm: rate + 2 }) : null}
          onType={(text) => taken(typedWhole(text, 20, 140), (to) => change({ strokeRateSpm: to }))}
        />
        <Stepper
          label="strokes between looks"
          value={sighting ? String(sighting.every) : 'none'}
          onLess={
            sighting
              ? () =>
                  change({ sighting: sighting.every > least ? { ...sighting, every: sighting.every - cycle } : null })
              : null
          }
          onMore={
            sighting && sighting.every + cycle > MOST_EVERY
              ? null
              : () =>
                  change({
                    sighting: sighting
                      ? { ...sighting, every: sighting.every + cycle }
                      : usualLook(group.level, set.breathing),
                  })
          }
          onType={(text) =>
            taken(typedWhole(text, FEWEST_BETWEEN_LOOKS, MOST_EVERY), (every) =>
              change({
                sighting: {
                  ...(sighting ?? usualLook(group.level, set.breathing)),
                  every: fittingLook(set.breathing, every),
                },
              }),
            )
          }
        />
        {sighting ? (
          <Choice
            label="The look"
            options={[
              { value: 'before', label: 'then breathe' },
              { value: 'for', label: 'for a breath' },
            ]}
            chosen={[sighting.forBreath ? 'for' : 'before']}
            onPress={(value) => change({ sighting: { ...sighting, forBreath: value === 'for' } })}
          />
        ) : null}
        <Button
          compact
          onPress={() =>
            change({
              strokeRateSpm: suggestion.strokeRateSpm,
              breathing: suggestion.breathing,
              sighting: suggestion.sighting,
            })
          }
        >
          {`Use the suggested rate ${suggestion.strokeRateSpm}`}
        </Button>
        {set.strokeRateSpm === null ? null : (
          <Button compact onPress={() => change({ strokeRateSpm: null })}>
            No set rate
          </Button>
        )}
      </View>
      <Text variant="bodySmall">{suggestion.why}</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  numbers: { gap: 6 },
});
