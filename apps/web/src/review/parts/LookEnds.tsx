/** How a look ends: the one thing to do with what was seen, and what could come after a focus that is solved. */
import { causeCard, type CauseId, type Inference } from '@upwell/core/review';
import { StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';
import { Notice } from '@/ui/States';

interface MainActionProps {
  readonly label: string;
  readonly strong: boolean;
  readonly saving: boolean;
  readonly onPress: () => void;
}

/** The one thing to do with what was seen. */
export const MainAction = ({ label, strong, saving, onPress }: MainActionProps) => (
  <Button
    mode={strong ? 'contained' : 'outlined'}
    icon="check"
    disabled={saving}
    contentStyle={styles.tall}
    onPress={onPress}
  >
    {saving ? 'Saving…' : label}
  </Button>
);

interface WhatNextProps {
  readonly inference: Inference;
  readonly onChoose: (cause: CauseId) => void;
}

/** With a focus solved: what could come next, if the coach wants it. */
export function WhatNext({ inference, onChoose }: WhatNextProps) {
  const { focus } = inference;
  return (
    <Notice
      action={
        focus ? (
          <Button mode="outlined" onPress={() => onChoose(focus)}>
            Go on with it
          </Button>
        ) : null
      }
    >
      {focus
        ? `Solved. What could come next: ${causeCard(focus).name}. Nothing has to.`
        : 'Solved. Nothing else was seen clearly enough to come next; another day will tell.'}
    </Notice>
  );
}

const styles = StyleSheet.create({ tall: { minHeight: 50 } });
