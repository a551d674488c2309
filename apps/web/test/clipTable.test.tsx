import type { ClipView } from '@upwell/contract/clips';
import { fireEvent, screen } from '@testing-library/react-native';
import { ClipScreen } from '@/review/screens/ClipScreen';
import { fakeServer, ID, showAt, SWIMMER } from './fakeServer';

// Keys are listened for on the whole page; the browser does not say how much room there is.
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
Object.defineProperty(globalThis, 'document', { value: new EventTarget(), configurable: true });

/** Five hand entries, 0.6 s from one to the next. */
const CLIP: ClipView = {
  ...{ id: ID, version: 1, swimmerId: ID, title: 'Second fifty', recordedOn: '2026-11-20' },
  ...{ durationS: 9, aspect: 16 / 9, distanceM: 3.6, lines: [], notes: [] },
  taps: [0, 1, 2, 3, 4].map((i) => ({ kind: 'entry', side: i % 2 === 0 ? 'left' : 'right', timeS: 1 + i * 0.6 })),
};

const open = (query = '', swimmer = SWIMMER, clip = CLIP) => {
  fakeServer({
    [`GET /swimmers/${ID}`]: () => ({ body: swimmer }),
    [`GET /clips/${ID}`]: () => ({ body: clip }),
  });
  return showAt(
    { 'swimmers/[id]/clip': ClipScreen, 'swimmers/[id]/edit': () => <></> },
    `/swimmers/${ID}/clip${query}`,
  );
};
const field = (label: string) => screen.queryAllByLabelText(label)[0];

it('asks for nothing but a clip while there is none', async () => {
  open();
  expect(await screen.findByText('Which clip?')).toBeTruthy();
  expect(screen.queryByText('From the taps')).toBeNull();
  expect(field('Name of the clip')).toBeUndefined();
});

it('shows what a stored clip gives, without its video', async () => {
  open(`?open=${ID}`);
  expect(await screen.findByText('Your taps are still here. Choose the video again:')).toBeTruthy();
  // Four strokes in 2.4 s; 3.6 m over four.
  expect(screen.getByText('100.0')).toBeTruthy();
  expect(screen.getByText('0.90')).toBeTruthy();
  expect(screen.getByText('both as long')).toBeTruthy();
  expect(field('Name of the clip')!.props.value).toBe('Second fifty');
  fireEvent.changeText(field('Metres from first to last entry')!, '4');
  expect(await screen.findByText('1.00')).toBeTruthy();
});

it.each([
  [0.66, 'after left longer'],
  [0.54, 'after right longer'],
])('says after which side it takes longer: %f s after left', async (after, words) => {
  const taps = [0, after, 1.2, 1.2 + after, 2.4].map(
    (timeS, i) => ({ kind: 'entry', side: i % 2 === 0 ? 'left' : 'right', timeS }) as const,
  );
  open(`?open=${ID}`, SWIMMER, { ...CLIP, taps });
  expect(await screen.findByText(words)).toBeTruthy();
});

it('stays shut for a child whose guardian has not agreed', async () => {
  open('', { ...SWIMMER, birthYear: 2016, child: true });
  expect(await screen.findByText(/the guardian has not agreed to clips/)).toBeTruthy();
  expect(screen.queryByText('Which clip?')).toBeNull();
});
