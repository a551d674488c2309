import { STROKE_MODEL, STROKE_MODELS, type StrokeModelId } from '../swimmers';

/** A question on which good coaches differ, what each model says and why. */
export interface Disagreement {
  readonly topic: string;
  readonly says: Readonly<Record<StrokeModelId, string>>;
  /** The reason for waiting, length and calm; and the reason for rhythm. */
  readonly reasons: readonly [string, string];
}

const rates = Object.fromEntries(
  STROKE_MODELS.map((id) => [id, `${STROKE_MODEL[id].rateBandSpm.join(' to ')} strokes a minute.`]),
) as Readonly<Record<StrokeModelId, string>>;

/** Where the three stroke models differ. Shown, never hidden. */
export const DISAGREEMENTS: readonly Disagreement[] = [
  {
    topic: 'Timing in front',
    says: {
      'long-line': 'Glide until the other hand has passed the head.',
      'quick-rhythm': 'No waiting: the catch begins as the hand lands.',
      'roll-and-press': 'A short ride of one to two metres on the side.',
    },
    reasons: [
      'A long hull is a fast hull, and there is time to feel the catch.',
      'In chop and packs every pause is speed lost; a low swimmer sinks while waiting.',
    ],
  },
  {
    topic: 'Stroke rate',
    says: rates,
    reasons: [
      'Fewer strokes cost less and leave time for form.',
      'A higher rate survives knocks and keeps pressure on the water.',
    ],
  },
  {
    topic: 'Entry',
    says: {
      'long-line': 'At shoulder width.',
      'quick-rhythm': 'A little wider than the shoulders.',
      'roll-and-press': 'At shoulder width, the arm swept in low and round.',
    },
    reasons: [
      'The straightest line is the longest.',
      'A wider hand catches sooner and spares the shoulder when tired.',
    ],
  },
  {
    topic: 'Recovery',
    says: {
      'long-line': 'Bent, low, relaxed.',
      'quick-rhythm': 'Any that clears the waves; straight is allowed.',
      'roll-and-press': 'Bent and very low.',
    },
    reasons: ['What hangs in the air presses the body down.', 'A low hand hits every wave.'],
  },
  {
    topic: 'Catch',
    says: {
      'long-line': 'High elbow, fingertips down.',
      'quick-rhythm': 'Deep and at once, with a strong finish past the hip.',
      'roll-and-press': 'On the side, after the kick has started the roll.',
    },
    reasons: [
      'A high elbow pushes back instead of down.',
      'Pressure from the first moment matters more than the perfect shape.',
    ],
  },
  {
    topic: 'Kick',
    says: {
      'long-line': 'Two to six beats.',
      'quick-rhythm': 'Two to four beats.',
      'roll-and-press': 'Two beats that start the roll.',
    },
    reasons: ['A steady kick holds the line while the arm waits.', 'Big leg muscles burn the air that the arms need.'],
  },
  {
    topic: 'Breath',
    says: {
      'long-line': 'Every three by default.',
      'quick-rhythm': 'The side that suits the leg, able to do both.',
      'roll-and-press': 'Every two, either side, or three; regular matters most.',
    },
    reasons: [
      'Both sides keep the stroke even and the course in sight.',
      'Air every two strokes lets hard swimming stay hard.',
    ],
  },
  {
    topic: 'How much face at the breath',
    says: {
      'long-line': 'About half the face in.',
      'quick-rhythm': 'Up to two thirds of the face out in chop.',
      'roll-and-press': 'The cheek rests on the water.',
    },
    reasons: ['Every centimetre out sinks the legs.', 'A mouth full of lake costs more than a little lift.'],
  },
  {
    topic: 'Exhale',
    says: {
      'long-line': 'Steady, all the way.',
      'quick-rhythm': 'Steady.',
      'roll-and-press': 'Part of the air, a short stop, then turn.',
    },
    reasons: ['A steady stream leaves the turn free for air in.', 'Some air kept keeps the chest up.'],
  },
];

/** Disagreements that no model decides: both reasons, and how Upwell begins. */
export const OPEN_QUESTIONS: readonly {
  readonly topic: string;
  readonly reasons: readonly [string, string];
  readonly here: string;
}[] = [
  {
    topic: 'Does a flip turn pay for a fitness swimmer?',
    reasons: [
      'It saves a second a length and teaches breath control.',
      'An open turn is safe, nearly as fast, and never costs air.',
    ],
    here: 'Open turns until the tumble ladder is passed.',
  },
  {
    topic: 'Does the count in “six kicks, swap” matter?',
    reasons: ['A count gives beginners a rhythm to hold on to.', 'Only the time on the side teaches anything.'],
    here: 'Time on the side matters; the count is a help.',
  },
  {
    topic: 'Slow or fast kick while learning?',
    reasons: ['Slow shows the movement.', 'Fast and small keeps the legs up and the hips in charge.'],
    here: 'Fast and small first.',
  },
  {
    topic: 'Every two or every three?',
    reasons: ['Three keeps both sides alive.', 'Two brings half as much air again.'],
    here: 'Be able to breathe to both sides; choose by the leg and the water.',
  },
];
