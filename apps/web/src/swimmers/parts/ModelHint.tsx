/** Which model level and goal would suggest, and what a switch away from the stored one changes. */
import { defaultModel, STROKE_MODEL, type StrokeModelId } from '@upwell/core/swimmers';
import { useWatch, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { ModelChangeList } from '@/library';
import type { SwimmerForm } from '../formValues';

interface ModelHintProps {
  readonly control: Control<SwimmerForm>;
  /** The model that is stored; null for somebody new. */
  readonly before: StrokeModelId | null;
}

export function ModelHint({ control, before }: ModelHintProps) {
  const [level, model, hasGoal, goal] = useWatch({ control, name: ['level', 'strokeModel', 'hasGoal', 'goal'] });
  const question = {
    level,
    place: hasGoal ? goal.place : null,
    goalDistanceM: Number(goal.distanceM) || null,
  };
  // Fundamentals first: what the goal asks for may have to wait for the Catch ladder.
  const first = STROKE_MODEL[defaultModel({ ...question, catchLadderPassed: false })].name;
  const later = STROKE_MODEL[defaultModel({ ...question, catchLadderPassed: true })].name;
  return (
    <View>
      <Text variant="bodySmall">{`Level and goal suggest ${first}${later === first ? '' : `, and ${later} once the Catch ladder is passed`}; you decide.`}</Text>
      {before && before !== model ? <ModelChangeList from={before} to={model} /> : null}
    </View>
  );
}
