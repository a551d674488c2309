// Bodies that show in the OpenAPI document how some calls are made.

const TRIALS = [
  { distanceM: 200, timeS: 165 },
  { distanceM: 400, timeS: 352 },
];

/** By method and path under `/api/v1`; each is taken by the door that it stands at. */
export const EXAMPLES: Readonly<Record<string, unknown>> = {
  'POST /account/sign-in': { email: 'head@upwell.example', password: 'quiet-water-demo' },
  'POST /compute/length-metrics': { lengthM: 25, pushOffM: 5, pushOffS: 3, timeS: 20, strokes: 18 },
  'POST /compute/critical-speed': { trials: TRIALS },
  'POST /compute/race-time': { trials: TRIALS, distanceM: 1500 },
  'POST /compute/effort-pace': { v400Mps: 1.136, effort: 0.8 },
  'POST /compute/load': { sets: [{ distanceM: 800, effort: 0.8 }] },
  'POST /compute/session-text': { text: 'Main\n8 x 100 crawl 80%, breathe 3, on 2:15' },
  'POST /compute/drafting-limit': { gain: 0.2 },
  'PUT /results/{id}': {
    swimmerId: '01975b2e-7c11-7a4e-8f59-0b8a3f6f2d01',
    on: '2026-10-19',
    distanceM: 400,
    timeS: 352.14,
    strokesPerLength: 19,
    kind: 'trial',
    details: { pool: { length: 25, unit: 'm' }, splitsS: [84.1, 173.02, 263.5], meet: 'Lantern Cup' },
  },
  'PUT /courses/{id}/readings/{date}/{hour}': {
    read: { waveHeightM: { value: 0.4, atMs: 1_782_925_200_000 } },
  },
};
