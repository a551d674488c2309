import 'fake-indexeddb/auto';
import { format } from 'node:util';
import { configure } from '@testing-library/react-native';

// Charts leave timers running, and no test may wait for real time.
jest.mock('react-native-gifted-charts', () => ({ LineChart: () => null, BarChart: () => null }));

// A browser reads addresses against the page's own; Node has no page.
const NodeRequest = global.Request;
global.Request = class extends NodeRequest {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' && input.startsWith('/') ? `http://upwell.test${input}` : input, init);
  }
};

// Dragging needs a browser; here the rows just stand there.
jest.mock('../src/sessions/parts/Reorder', () => ({
  Reorder: ({ children }: { children: unknown }) => children,
  ReorderRow: ({ children }: { children: unknown }) => children,
}));

// Node has no web worker: core answers right here, a moment later as the worker would.
jest.mock('../src/worker/compute', () => ({
  compute: () => ({
    inferCauses: async (...input: unknown[]) => jest.requireActual('@upwell/core/review').inferCauses(...input),
    readLibraryFile: async (text: string) => jest.requireActual('@upwell/contract/library').readLibraryFile(text),
    plannedConcerns: async (...input: unknown[]) => jest.requireActual('@upwell/core/water').plannedConcerns(...input),
    readSession: async (...input: unknown[]) => jest.requireActual('@upwell/core/notation').readSession(...input),
    readSessionCsv: async (...input: unknown[]) => jest.requireActual('@upwell/core/notation').readSessionCsv(...input),
    readSessionJson: async (...input: unknown[]) =>
      jest.requireActual('@upwell/core/notation').readSessionJson(...input),
    writeSession: async (...input: unknown[]) => jest.requireActual('@upwell/core/notation').writeSession(...input),
    anotherSession: async (...input: unknown[]) => jest.requireActual('@upwell/core/sessions').anotherSession(...input),
    readResults: async (...input: unknown[]) => jest.requireActual('@upwell/core/exchange').readResults(...input),
    listText: async (...input: unknown[]) => jest.requireActual('@upwell/core/exchange/files').listText(...input),
    readSwum: async (file: Uint8Array) => {
      const { cleanTrack, swumSum } = jest.requireActual('@upwell/core/water');
      const { tracks } = await jest.requireActual('@upwell/core/exchange/files').readSwumFile(file);
      const orRefused = <T>(work: () => T) => {
        try {
          return { ok: work() };
        } catch (error) {
          return { refused: (error as Error).message };
        }
      };
      return {
        ok: tracks.map(({ name, points }: { name: string; points: { timeMs: number }[] }) => ({
          ...{ name, startMs: points[0]!.timeMs },
          track: orRefused(() => cleanTrack(points)),
          sum: orRefused(() => swumSum(cleanTrack(points))),
        })),
      };
    },
    deviceLengthsCsv: async (...input: unknown[]) =>
      jest.requireActual('@upwell/core/exchange').deviceLengthsCsv(...input),
    buildSession: async (...input: unknown[]) => jest.requireActual('@upwell/core/sessions').buildSession(...input),
  }),
}));

// Nor does it read videos: what is found in a film is a test's own affair.
jest.mock('../src/worker/film', () => ({ filmWork: jest.fn() }));

// The first screen of a file pays for loading everything, which a clean checkout on a busy machine has to translate first.
// These limits end what hangs; no test says how fast a screen is.
configure({ asyncUtilTimeout: 60_000 });
jest.setTimeout(180_000);

// What is written to the console and not expected fails the test that wrote it.
const said: string[] = [];
beforeEach(() => {
  for (const kind of ['warn', 'error'] as const)
    jest.spyOn(console, kind).mockImplementation((...args: unknown[]) => void said.push(format(...args)));
});
afterEach(() => {
  const unexpected = said.splice(0);
  if (unexpected.length > 0) throw new Error(`Written to the console:\n${unexpected.join('\n')}`);
});
