import { CAUSE_IDS, SIGN_IDS } from '@upwell/core/review';
import { BLOCK_KINDS, LONGEST_TEXT } from '@upwell/core/sessions';
import { KIT_IDS } from '@upwell/core/library';
import { MOST_TRACK_POINTS } from '@upwell/core/water';
import { randomUUID } from 'node:crypto';

/** The dearest bodies that the server takes or has to read before it refuses them, one for each route that works hard. */

const times = <T>(n: number, one: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => one(i));
const save = () => ({ version: 0, writeId: randomUUID() });

const set = (i: number) => ({
  kind: 'halves',
  id: `s${i}`,
  reps: 10,
  lengths: 4,
  stroke: 'front-crawl',
  drill: i % 2 === 0 ? 'side-kick' : null,
  effort: 0.61,
  secondEffort: 0.93,
  breathing: { kind: 'by-length', strokes: 3, side: 'right' },
  sighting: { every: 8, forBreath: false },
  strokeRateSpm: 61.5,
  timing: { kind: 'send-off', seconds: 120 },
  kit: KIT_IDS.slice(0, 4),
  note: '',
});

/** As many sets as a group may have, each written out, in as many blocks as there may be. */
const blocks = (sets: number) =>
  times(12, (b) => ({
    kind: BLOCK_KINDS[b % BLOCK_KINDS.length],
    id: `b${b}`,
    landMinutes: 5,
    items: times(Math.floor(sets / 12), (i) => set(b * 100 + i)),
    note: '',
  }));

const plan = (groups: number, sets: number) => ({
  kind: 'aerobic',
  theme: 'spins',
  place: 'pool',
  pool: { length: 25, unit: 'm' },
  minutes: 360,
  seed: 1,
  note: '',
  groups: times(groups, (g) => ({
    id: `g${g}`,
    level: 'hold',
    model: 'long-line',
    name: `Hold ${g}`,
    swimmers: 200,
    lanes: 20,
    v400Mps: 1,
    paceIsGuess: false,
    strokeLengthM: 1,
    paceTable: times(12, (i) => ({ effort: 0.3 + i * 0.05, share: 0.5 + i * 0.04 })),
    knownDrills: [],
    breathRecord: null,
    note: '',
    blocks: blocks(sets),
  })),
});

export interface Ids {
  readonly squadId: string;
  readonly swimmerId: string;
  readonly courseId: string;
  readonly sessionId: string;
}

export interface Worst {
  readonly name: string;
  readonly method: 'PUT' | 'POST' | 'GET';
  readonly url: string;
  /** Made for each request, since an id is stored once. */
  readonly body?: () => string;
}

const zeros = (bytes: number) => `[${'0,'.repeat(bytes / 2)}0]`;

export const worstBodies = ({ squadId, swimmerId, courseId, sessionId }: Ids): readonly Worst[] => [
  {
    name: 'session with all its sets',
    method: 'PUT',
    url: `/sessions/${randomUUID()}`,
    body: () =>
      JSON.stringify({
        title: 'Worst',
        date: '2026-12-01',
        startTime: '19:00',
        squadIds: [squadId],
        plan: plan(6, 190),
        ...save(),
      }),
  },
  {
    name: 'session of rounds in rounds',
    method: 'PUT',
    url: `/sessions/${randomUUID()}`,
    body: () => {
      const nested = times(5, () => 0).reduce<object>(
        (inside) => ({ kind: 'rounds', id: 'r', rounds: 50, items: [inside] }),
        set(0),
      );
      const one = plan(1, 12);
      const groups = [{ ...one.groups[0], blocks: [{ ...blocks(12)[0], items: [nested] }] }];
      return JSON.stringify({
        title: 'Worst',
        date: '2026-12-01',
        startTime: '19:00',
        squadIds: [squadId],
        plan: { ...one, groups },
        ...save(),
      });
    },
  },
  {
    name: 'events: half a thousand',
    method: 'POST',
    url: `/deck/runs/${sessionId}/events`,
    body: () =>
      JSON.stringify({
        events: times(500, (i) => ({
          id: randomUUID(),
          atMs: 1.79e12 + i * 1000,
          device: swimmerId,
          kind: 'wall',
          lane: 'g/1',
          swimmer: swimmerId,
          passage: 's#1',
          rep: 1 + (i % 10),
        })),
      }),
  },
  {
    name: 'events: a set-up of two megabytes',
    method: 'POST',
    url: `/deck/runs/${sessionId}/events`,
    body: () => {
      const passage = (i: number) => ({
        id: `p${i}`,
        block: 'main',
        set: set(i),
        round: null,
        reps: 10,
        repM: 100,
        countdownS: null,
        sendOffS: 100,
        gapS: 5,
        beforeS: 0,
        expectedS: { [swimmerId]: 50 },
      });
      const lanes = times(9, (n) => ({
        id: `l${n}`,
        groupId: 'g',
        number: n + 1,
        swimmers: [swimmerId],
        passages: times(400, passage),
      }));
      const setup = { title: 'Worst', minutes: 60, swimmers: [{ id: swimmerId, name: 'A' }], lanes };
      return JSON.stringify({
        events: [{ id: randomUUID(), atMs: 1.79e12, device: swimmerId, kind: 'begin', setup }],
      });
    },
  },
  {
    name: 'events: nothing but zeros',
    method: 'POST',
    url: `/deck/runs/${sessionId}/events`,
    body: () => `{"events":${zeros(1_990_000)}}`,
  },
  {
    name: 'clip with eight thousand taps',
    method: 'PUT',
    url: `/clips/${randomUUID()}`,
    body: () =>
      JSON.stringify({
        swimmerId,
        title: 'Worst',
        recordedOn: '2026-11-25',
        durationS: 3600,
        aspect: 2,
        distanceM: null,
        taps: times(8000, (i) => ({ kind: 'entry', side: 'left', timeS: i / 10 })),
        lines: [],
        notes: [],
        ...save(),
      }),
  },
  {
    name: 'track with six thousand points',
    method: 'PUT',
    url: `/tracks/${randomUUID()}`,
    body: () =>
      JSON.stringify({
        courseId,
        swimmerId,
        habits: { every: 8, rateSpm: 60, currentMps: 0, currentToDeg: 0 },
        points: times(MOST_TRACK_POINTS, (i) => [31 + i * 1e-6, -41 + i * 1e-6, 1.78e12 + i * 1000]),
      }),
  },
  {
    name: 'track of zeros',
    method: 'PUT',
    url: `/tracks/${randomUUID()}`,
    body: () => `{"points":${zeros(1_000_000)}}`,
  },
  {
    name: 'two thousand results',
    method: 'PUT',
    url: `/imports/${randomUUID()}/0`,
    body: () =>
      JSON.stringify({
        rows: times(2000, (i) => ({
          swimmerId,
          on: '2026-11-20',
          distanceM: 100,
          timeS: 90 + i / 100,
          strokesPerLength: null,
          kind: 'trial',
          details: { pool: { length: 25, unit: 'm' }, splitsS: [21, 43, 66], meet: 'A meet with a long name' },
        })),
      }),
  },
  {
    name: 'course with all its corners',
    method: 'PUT',
    url: `/courses/${randomUUID()}`,
    body: () =>
      JSON.stringify({
        name: 'Worst',
        place: '',
        course: {
          start: { lat: 31, lon: -41 },
          marks: times(40, (i) => ({
            id: `m${i}`,
            name: `${i}`,
            turn: 'left',
            lat: 31 + 0.002 * Math.sin(i),
            lon: -41 + 0.002 * Math.cos(i),
          })),
          finish: { lat: 31, lon: -41 },
          laps: 20,
          areas: times(28, (a) => ({
            id: `a${a}`,
            kind: 'safe',
            name: '',
            points: times(500, (i) => ({
              lat: Number((31 + 0.02 * Math.sin(i / 80)).toFixed(6)),
              lon: Number((-41 + 0.02 * Math.cos(i / 80)).toFixed(6)),
            })),
          })),
          landmarks: times(60, (i) => ({
            id: `k${i}`,
            name: 'x',
            widthM: 5,
            heightM: 20,
            fixed: true,
            lat: 31.01,
            lon: -41.01,
          })),
        },
        ...save(),
      }),
  },
  {
    name: 'review with every sign',
    method: 'PUT',
    url: `/reviews/${randomUUID()}`,
    body: () =>
      JSON.stringify({
        swimmerId,
        lookedAt: '2026-11-25T18:00:00Z',
        stroke: 'front-crawl',
        model: 'long-line',
        level: 'hold',
        signs: Object.fromEntries(SIGN_IDS.map((id) => [id, 'often'])),
        good: 'all',
        focus: {
          id: randomUUID(),
          cause: 'dropped-elbow',
          drill: 'front-scull',
          cue: 'x',
          tries: 4,
          relookOn: '2026-12-08',
        },
        ...save(),
      }),
  },
  {
    name: 'builder, six groups and two thousand lengths',
    method: 'POST',
    url: '/compute/build-session',
    body: () =>
      JSON.stringify({
        theme: CAUSE_IDS[0],
        kind: 'speed',
        minutes: 360,
        poolLengthM: 12,
        kit: KIT_IDS,
        groups: times(6, () => ({
          level: 'race',
          v400Mps: 2.4,
          lengths: 1999,
          focuses: times(300, (i) => CAUSE_IDS[i % CAUSE_IDS.length]),
        })),
      }),
  },
  {
    name: 'builder with a locked monster',
    method: 'POST',
    url: '/compute/build-session',
    body: () =>
      JSON.stringify({
        theme: CAUSE_IDS[0],
        minutes: 60,
        poolLengthM: 25,
        groups: times(6, () => ({ level: 'hold', locked: blocks(180).slice(1, 6) })),
      }),
  },
  {
    name: 'text of brackets',
    method: 'POST',
    url: '/compute/session-text',
    body: () => JSON.stringify({ text: '('.repeat(LONGEST_TEXT) }),
  },
  {
    name: 'text of good lines',
    method: 'POST',
    url: '/compute/session-text',
    body: () => JSON.stringify({ text: '4x50 crawl easy, rest 20, breathe 3, look 8\n'.repeat(LONGEST_TEXT / 45) }),
  },
  {
    name: 'a leg swum sixty million strokes',
    method: 'POST',
    url: '/compute/simulate-leg',
    body: () =>
      JSON.stringify({
        distanceM: 1000,
        strokeLengthM: 1,
        speedMps: 1,
        biasDegPerStroke: 1,
        sdDegPerStroke: 3,
        lookCostS: 0.5,
        intervals: [2, 4, 6],
        tracks: 20_000,
        seed: 1,
      }),
  },
  {
    name: 'a lane of forty',
    method: 'POST',
    url: '/compute/lane-check',
    body: () =>
      JSON.stringify({
        poolLengthM: 10,
        rep: 10_000,
        swimmers: times(40, (i) => ({ id: `s${i}`, speedMps: 0.3 + i * 0.05 })),
        gapS: 5,
        sendOffS: 7200,
        reps: 200,
      }),
  },
  {
    name: 'race card of 120 legs',
    method: 'POST',
    url: '/race-cards/pdf',
    body: () =>
      JSON.stringify({
        course: 'Worst',
        swimmer: 'A',
        day: 'Calm',
        metres: 1e6,
        timeS: 1e6,
        legs: times(120, (i) => ({
          name: `Leg ${i} ${'x'.repeat(120)}`,
          metres: 200,
          timeS: 180,
          aim: 'y'.repeat(200),
          side: 'left',
          every: 8,
          good: [6, 10],
          rateSpm: 60,
          headingDeg: 10,
          turn: 'left',
        })),
        ...Object.fromEntries(
          [
            ['start', 10],
            ['turns', 10],
            ['feet', 10],
            ['kit', 20],
          ].map(([k, n]) => [k, times(n as number, () => 'word '.repeat(50))]),
        ),
        ifs: times(20, () => ({ when: 'w '.repeat(90), then: 't '.repeat(140) })),
      }),
  },
];
