import { deviceZone } from '@upwell/core/days';
import type { ReactElement } from 'react';
import { renderRouter } from 'expo-router/testing-library';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import type { SessionProposal, SessionRow, SessionView } from '@upwell/contract/sessions';
import type { FocusView, ReviewView } from '@upwell/contract/review';
import type { Squad, SwimmerPage, SwimmerRow } from '@upwell/contract/swimmers';
import { buildSession } from '@upwell/core/sessions';
import { testStore } from './testStore';
import { Icon } from '@/ui/Icon';
import { DAY } from '@/ui/theme';

export interface Call {
  readonly method: string;
  readonly path: string;
  readonly body: ReturnType<typeof JSON.parse>;
}

interface Answered {
  readonly status?: number;
  readonly body: unknown;
}
type Answer = (call: Call) => Answered | Promise<Answered>;

/** Answers by `METHOD path` without its query; the longest matching start wins. Unknown calls are a 404. */
export function fakeServer(given: Readonly<Record<string, Answer>>): Call[] {
  // A club that has written nothing of its own, where a test says nothing else.
  const answers: typeof given = { 'GET /library': () => ({ body: { version: 0, entries: [] } }), ...given };
  const calls: Call[] = [];
  global.fetch = jest.fn(async (input: Request) => {
    const text = await input.clone().text();
    const path = input.url.replace(/^https?:\/\/[^/]+(\/api\/v1)?/, '');
    const call: Call = { method: input.method, path, body: text ? JSON.parse(text) : null };
    calls.push(call);
    const wanted = `${call.method} ${call.path}`;
    const key = Object.keys(answers)
      .filter((k) => wanted.startsWith(k))
      .sort((a, b) => b.length - a.length)[0];
    const { status = 200, body } = key
      ? await answers[key]!(call)
      : { status: 404, body: { detail: 'There is nothing at this address.' } };
    return new Response(status === 204 ? null : JSON.stringify(body), {
      status,
      headers: { 'content-type': status < 400 ? 'application/json' : 'application/problem+json' },
    });
  }) as unknown as typeof fetch;
  return calls;
}

/** Shows screens at their addresses with a store of their own. */
export function showAt(routes: Readonly<Record<string, () => ReactElement>>, initialUrl: string) {
  const store = testStore();
  const wrapped = Object.fromEntries(
    Object.entries(routes).map(([name, Screen]) => [
      name,
      function Wrapped() {
        return (
          <Provider store={store}>
            <PaperProvider theme={DAY} settings={{ icon: Icon }}>
              <Screen />
            </PaperProvider>
          </Provider>
        );
      },
    ]),
  );
  renderRouter(wrapped, { initialUrl });
  return store;
}

export const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
export const ME = {
  accountId: ID,
  name: 'Jory',
  role: 'coach' as const,
  clubId: ID,
  clubName: 'Morrow Quay',
  timeZone: deviceZone(),
  units: 'm' as const,
  libraryVersion: 0,
  swimmerId: null,
};
export const SQUAD: Squad = {
  id: ID,
  version: 1,
  name: 'Evening Lanes',
  swimmers: 2,
  coachIds: [ID],
  poolTimes: [],
  archived: false,
};

export const FOCUS: FocusView = {
  id: ID,
  swimmerId: ID,
  swimmerName: 'Ada Lindqvale',
  cause: 'breath-too-low',
  drill: 'float-board-breathing',
  cue: 'Sip to the side.',
  tries: 4,
  since: '2026-11-01T08:00:00.000Z',
  relookOn: '2026-11-15',
  outcome: null,
  reviewId: ID,
  version: 1,
  saidBack: '',
  felt: '',
  triesMade: [],
};

export const ROW: SwimmerRow = {
  id: ID,
  givenName: 'Ada',
  familyName: 'Lindqvale',
  level: 'hold',
  squadId: ID,
  squadName: 'Evening Lanes',
  child: false,
  clipConsent: false,
  archived: false,
  goal: null,
  focus: FOCUS,
};

const REVIEW: ReviewView = {
  id: ID,
  version: 1,
  swimmerId: ID,
  coachName: 'Jory',
  lookedAt: '2026-11-01T08:00:00.000Z',
  stroke: 'front-crawl',
  model: 'long-line',
  level: 'hold',
  signs: { 'face-up-and-back': 'often', 'no-bubbles': 'absent' },
  measured: {},
  good: 'calm face',
  ranking: [],
  focusCause: 'breath-too-low',
};

export const SWIMMER: SwimmerPage = {
  ...ROW,
  version: 3,
  birthYear: 1990,
  strokeModel: 'long-line',
  breathingSide: 'right',
  healthFlags: ['asthma'],
  healthConsent: true,
  ladderSteps: {},
  clipConsent: false,
  clips: [],
  kit: ['fins'],
  bestTimes: [{ distanceM: 400, timeS: 384 }],
  goal: { event: 'Quill Crossing', date: '2099-06-21', distanceM: 3200, place: 'open-water', targetTimeS: 3600 },
  focuses: [FOCUS],
  reviews: [REVIEW],
  results: [],
};

export const PROPOSAL: SessionProposal = {
  groups: (['build', 'hold', 'race'] as const).map((level) => ({
    level,
    name: level[0]!.toUpperCase() + level.slice(1),
    swimmers: 6,
    lanes: 1,
    v400Mps: null,
  })),
  themes: [
    { cause: 'breath-too-low', swimmers: 3 },
    { cause: 'spins', swimmers: 1 },
  ],
  served: [],
  swimmers: 18,
  kit: ['board', 'fins', 'buoy'],
  people: [],
  laneCapacity: null,
};

export const PLAN = (() => {
  const built = buildSession({
    kind: 'aerobic',
    theme: 'breath-too-low',
    minutes: 60,
    pool: { length: 25, unit: 'm' },
    kit: ['board', 'fins', 'buoy'],
    seed: 1,
    groups: PROPOSAL.groups,
  });
  if (built.kind === 'clash') throw new Error('no plan');
  return built.plan;
})();

export const SESSION: SessionView = {
  id: ID,
  version: 2,
  title: 'Sip to the side',
  date: '2026-11-24',
  startTime: '19:00',
  timeZone: deviceZone(),
  squadIds: [ID],
  template: false,
  seriesId: null,
  courseId: null,
  breatheFreely: [],
  plan: PLAN,
  done: null,
};
export const SESSION_ROW: SessionRow = {
  id: ID,
  title: 'Sip to the side',
  date: '2026-11-24',
  startTime: '19:00',
  timeZone: deviceZone(),
  theme: 'breath-too-low',
  minutes: 60,
  squadIds: [ID],
  template: false,
  seriesId: null,
  done: false,
  groups: [{ name: 'Hold', level: 'hold', metres: 1900, load: 2400 }],
};
