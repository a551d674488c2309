/** How the swimmer swims: the model that is coached, and the side of the breath. */
import { BREATHING_SIDES } from '@upwell/contract/swimmers';
import { STROKE_MODEL, STROKE_MODELS, type StrokeModelId } from '@upwell/core/swimmers';
import { Card } from '@/ui/Card';
import { ModelHint } from '../ModelHint';
import { Pick, type FormControl } from './Pick';

const SIDE_WORD = { left: 'Left', right: 'Right', both: 'Both' } as const;

interface StrokeCardProps {
  readonly control: FormControl;
  /** The stored model; a change of it is explained. */
  readonly before: StrokeModelId | null;
}

export function StrokeCard({ control, before }: StrokeCardProps) {
  return (
    <Card title="Stroke">
      <Pick
        control={control}
        name="strokeModel"
        label="Stroke model"
        options={STROKE_MODELS.map((v) => ({ value: v, label: `${STROKE_MODEL[v].name}: ${STROKE_MODEL[v].suits}` }))}
      />
      <ModelHint control={control} before={before} />
      <Pick
        control={control}
        name="breathingSide"
        label="Usual breathing side"
        options={BREATHING_SIDES.map((v) => ({ value: v, label: SIDE_WORD[v] }))}
      />
    </Card>
  );
}
