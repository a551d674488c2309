/** Things a coach must know before planning for a swimmer; kept only with consent. */
export const HEALTH_FLAGS = [
  'heart',
  'asthma',
  'epilepsy',
  'diabetes',
  'pregnancy',
  'shoulder',
  'back',
  'ear',
  'panic',
  'faint',
] as const;
export type HealthFlag = (typeof HEALTH_FLAGS)[number];

/** What to avoid, in one line. It informs; a doctor decides. */
export const HEALTH_ADVICE: Readonly<Record<HealthFlag, string>> = {
  heart: 'No breath-limited sets, no cold shock. Effort by what the doctor allows.',
  asthma: 'Inhaler at the pool side, long warm-up, no breath-limited sets.',
  epilepsy: 'Never alone in the water, no breath-limited sets, a spotter in sight.',
  diabetes: 'Sugar at the pool side, no long sets without a break.',
  pregnancy: 'Easy efforts, no breath-limited sets, stop at any discomfort.',
  shoulder: 'No paddles, no load on pain. Pain: stop and refer.',
  back: 'No head-up sets, no hard fins. Pain: stop and refer.',
  ear: 'Ear plugs, no deep push-offs.',
  panic: 'Star float first, standing depth, a calm partner close by.',
  faint: 'No breath-limited sets, never alone in the water. Ask the doctor before the next session.',
};

/** Flags that rule out sets with few breaths. */
export const NO_FEW_BREATHS: readonly HealthFlag[] = [
  'heart',
  'asthma',
  'epilepsy',
  'diabetes',
  'pregnancy',
  'panic',
  'faint',
];
