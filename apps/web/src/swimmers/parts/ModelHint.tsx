import { defaultModel, STROKE_MODEL, type StrokeModelId } from '@upwell/core/swimmers';
import { useWatch, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { ModelChangeList } from '@/library/parts/ModelChangeList';
import type { SwimmerForm } from '../formValues';

interface ModelHintProps {
  readonly control: Control<SwimmerForm>;
  /** The model that is stored; null for somebody new. */
  readonly before: StrokeModelId | null;
}

/** Which model level and goal would suggest, and what a switch away from the stored one changes. */
export function ModelHint({ control, before }: ModelHintProps) {
  const [level, model, hasGoal, goal] = useWatch({ control, name: ['level', 'strokeModel', 'hasGoal', 'goal'] });
  const suggested = defaultModel({
    level,
    place: hasGoal ? goal.place : null,
    goalDistanceM: Number(goal.distanceM) || null,
    // Nobody has recorded the Catch ladder here: fundamentals first.
    catchLadderPassed: level === 'race',
  });
  return (
    <View>
      <Text variant="bodySmall">{`Level and goal suggest ${STROKE_MODEL[suggested].name}; you decide.`}</Text>
      {before && before !== model ? <ModelChangeList from={before} to={model} /> : null}
    </View>
  );
}
