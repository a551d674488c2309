import { v7 } from 'uuid';
import { fieldsOf, type Harness, type TestClub } from './harness';

/** Bodies that the server takes, for tests that repeat them, send them at once, or spoil them. */

export const save = () => ({ version: 0, writeId: v7() });
export const token = () => v7().replaceAll('-', '').padEnd(43, 'a');

export const rosterOf = () => ({
  ...{ id: v7(), name: 'List.csv', mapping: null, squad: '', level: 'build' },
  // Each time somebody else: who is here already does not come in.
  text: `First name,Last name,Born,100\nOdette,Quarrel ${v7().slice(-6)},2013,1:31`,
});

export const reviewOf = (swimmer: string) => ({
  swimmerId: swimmer,
  lookedAt: '2026-11-25T18:00:00Z',
  stroke: 'front-crawl',
  model: 'long-line',
  level: 'hold',
  signs: { 'elbow-leads': 'often' },
  measured: { strokeRateSpm: 60, rollDeg: 40 },
  good: 'even kick',
  focus: {
    id: v7(),
    cause: 'dropped-elbow',
    drill: 'front-scull',
    cue: 'Tips down.',
    tries: 4,
    relookOn: '2026-12-08',
  },
  relook: null,
});

export const setOf = (change: object = {}) => ({
  kind: 'swim',
  id: 's',
  reps: 4,
  lengths: 2,
  stroke: 'front-crawl',
  drill: null,
  effort: 0.8,
  breathing: { kind: 'every', strokes: 3, side: 'right' },
  sighting: null,
  strokeRateSpm: null,
  timing: { kind: 'rest', seconds: 20 },
  kit: ['fins'],
  note: '',
  ...change,
});

export const planOf = (items: readonly object[] = [setOf()]) => ({
  kind: 'aerobic',
  theme: 'spins',
  place: 'pool',
  pool: { length: 25, unit: 'm' },
  minutes: 60,
  seed: 1,
  note: '',
  groups: [
    {
      id: 'g',
      level: 'hold',
      model: 'long-line',
      name: 'Hold',
      swimmers: 8,
      lanes: 2,
      v400Mps: 1,
      paceIsGuess: false,
      strokeLengthM: 1,
      paceTable: [{ effort: 0.8, share: 0.9 }],
      knownDrills: ['side-kick'],
      breathRecord: null,
      note: '',
      blocks: [{ kind: 'main', id: 'b', landMinutes: 0, items, note: '' }],
    },
  ],
});

export const sessionOf = (squadId: string, items?: readonly object[]) => ({
  title: 'Tuesday',
  date: '2026-12-01',
  startTime: '19:00',
  squadIds: [squadId],
  template: false,
  seriesId: null,
  courseId: null,
  plan: planOf(items),
  done: null,
});

export const courseOf = () => ({
  name: 'Loop',
  place: 'Quiet Water',
  course: {
    start: { lat: 31, lon: -41 },
    marks: [
      { id: 'm1', name: '1', turn: 'left', lat: 31.002, lon: -41 },
      { id: 'm2', name: '2', turn: 'left', lat: 31.002, lon: -41.002 },
    ],
    finish: { lat: 31, lon: -41 },
    laps: 1,
    areas: [],
    landmarks: [{ id: 'l1', name: 'Tower', widthM: 5, heightM: 20, fixed: true, lat: 31.003, lon: -41.003 }],
  },
});

export const clipOf = (swimmerId: string) => ({
  swimmerId,
  title: 'Side',
  recordedOn: '2026-11-25',
  durationS: 10,
  aspect: 2,
  distanceM: null,
  taps: [{ kind: 'entry', side: 'left', timeS: 1 }],
  lines: [
    {
      id: v7(),
      kind: 'trunk',
      timeS: 1,
      line: [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ],
    },
  ],
  notes: [{ startS: 0, endS: 1, text: 'Look here' }],
});

/** The head of a JPEG of a size: enough to say that it is one, and how large. */
export const jpegOf = (width: number, height: number): string => {
  const size = Buffer.alloc(4);
  size.writeUInt16BE(height, 0);
  size.writeUInt16BE(width, 2);
  const jfif = Buffer.from('ffe000104a46494600010100000100010000', 'hex');
  const frame = Buffer.concat([Buffer.from('ffc0001108', 'hex'), size, Buffer.from('03012200021101031101', 'hex')]);
  return Buffer.concat([Buffer.from('ffd8', 'hex'), jfif, frame, Buffer.from('ffd9', 'hex')]).toString('base64');
};

export const sentAskOf = (swimmerId: string) => ({ swimmerId, wish: 'Three lengths from the side', view: 'side' });
/** How a film in WebM begins. */
export const filmOf = () => Buffer.concat([Buffer.from('1a45dfa3', 'hex'), Buffer.alloc(60, 7)]);
export const sentDoneOf = () => ({ type: 'video/webm', seconds: 12, pieces: 1 });
export const sentAnswerOf = () => ({
  words: 'Much better: now the left hand.',
  voice: { type: 'audio/webm;codecs=opus', data: Buffer.from('a voice').toString('base64') },
});

/** A film that came in, with a spoken answer. */
export async function sendFilm(harness: Pick<Harness, 'owner'>, clubId: string, id: string): Promise<void> {
  const em = harness.owner.em.fork();
  await em.execute('insert into sent_piece (clip_id, club_id, n, data) values (?, ?, 0, ?)', [id, clubId, filmOf()]);
  await em.execute(
    `update sent_clip set type = 'video/webm', seconds = 12, bytes = 64, sent_at = now(), answered_at = now(),
       words = 'Better', voice = ?, voice_type = 'audio/webm' where id = ?`,
    [Buffer.from('a voice'), id],
  );
}

export const stillsOf = () => ({
  stills: [{ timeS: 1, sentence: 'Hand over the middle', width: 320, height: 180, image: jpegOf(320, 180) }],
  agreed: true,
});

export const testOf = (swimmerId: string) => ({
  swimmerId,
  heldOn: '2026-11-20',
  input: { kind: 'glide', metres: [6, 6.5, 6.2] },
  note: '',
});

export const resultOf = (swimmerId: string) => ({
  swimmerId,
  on: '2026-11-20',
  distanceM: 100,
  timeS: 90,
  strokesPerLength: null,
  kind: 'trial',
  details: { pool: { length: 25, unit: 'm' }, splitsS: [43.2], meet: 'Lantern Cup' },
});

/** What was read at a water for an hour. */
export const readingOf = () => ({
  read: { waveHeightM: { value: 0.4, atMs: Date.UTC(2026, 6, 1, 16, 40) }, walked: { value: true, atMs: 1 } },
});

export const waterDayOf = (courseId: string) => ({
  courseId,
  startsAt: '2026-07-01T17:00:00Z',
  readings: {
    waterC: 18,
    airC: 20,
    windMps: 3,
    windFromDeg: 200,
    offshoreDeg: 20,
    currentMps: 0,
    currentToDeg: 0,
    waveHeightM: 0.1,
    rainMm72h: 0,
    visibility: 'clear',
    lightning: false,
    sewage: false,
    fouled: false,
    traffic: 'none',
    wildlife: false,
    walked: true,
    lightLeftMin: 200,
    depthM: 5,
  },
  group: {
    swimmers: 4,
    children: 0,
    settle: 0,
    firstTimers: 0,
    slowestMps: 0.8,
    wetsuits: true,
    watching: 2,
    craft: true,
    stopSignal: true,
    caller: 'Head',
    bright: true,
    minutes: 40,
  },
  overruled: null,
});

/** A track once round the course of {@link courseOf}, a point every four seconds. */
export const trackOf = (courseId: string, swimmerId: string) => {
  const corners: [number, number][] = [
    [31, -41],
    [31.002, -41],
    [31.002, -41.002],
    [31, -41],
  ];
  const points = corners.slice(1).flatMap(([lat, lon], i) => {
    const [fromLat, fromLon] = corners[i]!;
    return Array.from({ length: 60 }, (_, k) => [
      fromLat + ((lat - fromLat) * k) / 60,
      fromLon + ((lon - fromLon) * k) / 60,
      1_782_900_000_000 + (i * 60 + k) * 4000,
    ]);
  });
  return { courseId, swimmerId, habits: { every: 8, rateSpm: 60, currentMps: 0, currentToDeg: 0 }, points };
};

export const squadOf = () => ({
  name: 'New',
  coachIds: [],
  poolTimes: [{ weekday: 1, startTime: '19:00', minutes: 60, pool: { length: 25, unit: 'm' }, lanes: 4 }],
  archived: false,
});

export const swimmerOf = (squadId: string) =>
  fieldsOf(squadId, {
    goal: { event: 'Lake mile', date: '2027-06-20', distanceM: 1600, place: 'pool', targetTimeS: 1500 },
    ladderSteps: { tumble: 2 },
  });

export const choicesOf = () => ({
  extraToday: 0.1,
  growthLow: 0.005,
  sessionsPerWeek: 3,
  otherRaces: [{ event: 'Cup', date: '2027-03-01' }],
  locks: { '2027-01-04': { kind: 'normal', load: 3000, theme: 'spins' } },
  away: { '2027-01-11': 'ill' },
  marks: { sighting: true, coldDips: 3 },
});

/** The events of a short run on deck. */
export const eventsOf = (swimmerId: string, focusId: string) => {
  const note = (fields: object) => ({ id: v7(), atMs: 1_796_000_000_000, device: v7(), ...fields });
  const passage = {
    id: 's#1',
    block: 'main',
    set: setOf(),
    round: null,
    reps: 4,
    repM: 50,
    countdownS: null,
    sendOffS: 70,
    gapS: 5,
    beforeS: 0,
    expectedS: { [swimmerId]: 50 },
  };
  const lane = { id: 'g/1', groupId: 'g', number: 1, swimmers: [swimmerId], passages: [passage] };
  const setup = { title: 'Tuesday', minutes: 60, swimmers: [{ id: swimmerId, name: 'Ada L' }], lanes: [lane] };
  return [
    note({ kind: 'begin', setup }),
    note({ kind: 'attend', swimmer: swimmerId, as: 'in' }),
    note({ kind: 'go', lane: 'g/1', index: 0 }),
    note({ kind: 'wall', lane: 'g/1', swimmer: swimmerId, passage: 's#1', rep: 1 }),
    note({ kind: 'strokes', swimmer: swimmerId, passage: 's#1', rep: 1, count: 40 }),
    note({ kind: 'sign', swimmer: swimmerId, sign: 'legs-low', sighting: 'often' }),
    note({ kind: 'verdict', swimmer: swimmerId, focusId, drill: 'front-scull', verdict: 'better' }),
    note({ kind: 'rating', group: 'g', value: 6 }),
    note({ kind: 'void', of: v7() }),
    note({ kind: 'end' }),
  ];
};

export const raceCardOf = () => ({
  course: 'Loop',
  swimmer: 'Ada',
  day: 'Calm',
  metres: 800,
  timeS: 700,
  legs: [
    {
      name: 'Start to 1',
      metres: 200,
      timeS: 180,
      aim: 'Tower',
      side: 'left',
      every: 8,
      good: [6, 10],
      rateSpm: 60,
      headingDeg: 10,
      turn: 'left',
    },
  ],
  start: ['Easy'],
  turns: ['Wide'],
  feet: ['Find some'],
  ifs: [{ when: 'Goggles', then: 'Stop' }],
  kit: ['cap'],
});

/** Bodies of the calculators that are too rich to be made from their schema. */
export const computeBodies = (): Readonly<Record<string, object>> => ({
  'length-metrics': { lengthM: 25, pushOffM: 5, pushOffS: 3, timeS: 20, strokes: 18 },
  'critical-speed': {
    trials: [
      { distanceM: 400, timeS: 380 },
      { distanceM: 200, timeS: 180 },
    ],
  },
  'race-time': {
    trials: [
      { distanceM: 400, timeS: 380 },
      { distanceM: 200, timeS: 180 },
    ],
    distanceM: 1500,
  },
  'rate-ramp': { reps: [50, 55, 60, 65].map((strokeRateSpm) => ({ strokeRateSpm, speedMps: 1.1 })) },
  'effort-pace': { v400Mps: 1, effort: 0.8 },
  breathing: { strokeRateSpm: 60, every: 3, distanceM: 100, strokeLengthM: 1, startSide: 'left' },
  causes: { stroke: 'front-crawl', model: 'long-line', level: 'hold', signs: { 'elbow-leads': 'often' } },
  'lane-check': {
    poolLengthM: 25,
    rep: 100,
    swimmers: [
      { id: 'a', speedMps: 1 },
      { id: 'b', speedMps: 1.1 },
    ],
    gapS: 5,
    sendOffS: 120,
    reps: 4,
  },
  'session-text': { text: '# Tuesday\nMain = 200\n4 x 50 crawl easy, rest 20', poolLengthM: 25 },
  load: { sets: [{ distanceM: 400, effort: 0.8 }] },
  'build-session': {
    theme: 'spins',
    minutes: 60,
    poolLengthM: 25,
    groups: [
      { level: 'hold', v400Mps: 1, locked: [{ kind: 'main', id: 'b', landMinutes: 0, items: [setOf()], note: '' }] },
    ],
  },
  'sighting-interval': { biasDegPerStroke: 1, sdDegPerStroke: 2, lookCostS: 0.5, strokesPerSecond: 1 },
  'simulate-leg': {
    distanceM: 200,
    strokeLengthM: 1,
    speedMps: 1,
    biasDegPerStroke: 1,
    sdDegPerStroke: 2,
    lookCostS: 0.5,
    aimSdDeg: 2,
    seeProbability: 0.9,
    turnRadiusM: 3,
    currentMps: { along: 0, across: 0.1 },
    intervals: [4, 8],
    tracks: 20,
    seed: 1,
  },
  crossing: { swimMps: 1, crossMps: 0.3, alongMps: 0 },
  'drafting-limit': { gain: 0.2 },
  sun: { lat: 31, lon: -41, time: '2026-07-01T17:00:00Z' },
  'breathing-side': {
    legBearingDeg: 10,
    sun: { bearingDeg: 200, altitudeDeg: 20 },
    waveFromDeg: 90,
    waveHeightM: 0.2,
    nextTurn: 'left',
  },
});

/** The rows that other requests need, stored through the door. */
export async function stored(club: TestClub, swimmer: object = {}) {
  const coach = await club.as('coach');
  const squadId = club.squads[0]!;
  const swimmerId = v7();
  await coach('PUT', `/swimmers/${swimmerId}`, { ...swimmerOf(squadId), ...swimmer, ...save() });
  const review = reviewOf(swimmerId);
  const [reviewId, courseId, sessionId, clipId] = [v7(), v7(), v7(), v7()];
  const answers = [
    await coach('PUT', `/reviews/${reviewId}`, { ...review, ...save() }),
    await coach('PUT', `/courses/${courseId}`, { ...courseOf(), ...save() }),
    await coach('PUT', `/sessions/${sessionId}`, { ...sessionOf(squadId), ...save() }),
    await coach('PUT', `/clips/${clipId}`, { ...clipOf(swimmerId), ...save() }),
    await coach('PUT', `/clips/${clipId}/stills`, stillsOf()),
  ];
  const wrong = answers.find((a) => a.status !== 200);
  if (wrong) throw new Error(JSON.stringify(wrong.body));
  return { squadId, swimmerId, reviewId, focusId: review.focus.id, courseId, sessionId, clipId };
}

export type Stored = Awaited<ReturnType<typeof stored>>;
