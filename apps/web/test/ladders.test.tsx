// The ladder at the pool side: one tap for each try, one for passed, one to undo.
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { marked, unmarked, type LadderMark } from '@upwell/core/library';
import { LaddersOf } from '@/swimmers';
import { fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';

const press = (label: string) => fireEvent.press(screen.getByLabelText(label));

/** A server that climbs as the real one does. */
function open(start: Partial<SwimmerPage>) {
  let page: SwimmerPage = { ...SWIMMER, ladderSteps: {}, ladderLog: [], ...start };
  const climb = () => ({ ladderSteps: page.ladderSteps, ladderLog: page.ladderLog ?? [] });
  const calls = fakeServer({
    'GET /account/me': () => ({ body: ME }),
    [`GET /swimmers/${ID}`]: () => ({ body: page }),
    [`PUT /swimmers/${ID}/ladder-marks/`]: (call) => {
      page = { ...page, ...marked(climb(), { ...(call.body as LadderMark), id: call.path.split('/').at(-1)! }) };
      return { body: page };
    },
    [`DELETE /swimmers/${ID}/ladder-marks/`]: (call) => {
      page = { ...page, ...unmarked(climb(), call.path.split('/').at(-1)!) };
      return { body: page };
    },
  });
  showAt({ deck: () => <LaddersOf id={ID} /> }, '/deck');
  return { calls, page: () => page };
}

it('counts the tries, says when it looks passed, passes, and takes it back', async () => {
  const { page } = open({ ladderSteps: { tumble: 1 } });
  expect(await screen.findByText('step 2 of 6')).toBeTruthy();
  expect(screen.getByText('From half a metre: feet touch, hands stay by the hips.')).toBeTruthy();
  expect(screen.getByText('0 of 6 tries, 0 good')).toBeTruthy();
  for (let i = 1; i <= 5; i++) {
    press('Good try: Tumble turn');
    await screen.findByText(`${i} of 6 tries, ${i} good`);
  }
  press('Not yet: Tumble turn');
  await screen.findByText('6 of 6 tries, 5 good: looks passed');
  press('Passed: Tumble turn');
  await screen.findByText('step 3 of 6');
  expect(page().ladderSteps).toEqual({ tumble: 2 });
  press('Undo: Tumble turn');
  await screen.findByText('6 of 6 tries, 5 good: looks passed');
  expect(page().ladderSteps).toEqual({ tumble: 1 });
});

it('thinks of the step before when most tries fail, and goes there in one tap', async () => {
  const { page } = open({ level: 'settle', ladderSteps: { confidence: 4 } });
  await screen.findByText('step 5 of 11');
  // The cautions of the ladder stand beside a step that is new.
  expect(screen.getByText(/Standing depth all the way/)).toBeTruthy();
  for (let i = 1; i <= 5; i++) {
    press('Not yet: Water confidence');
    await screen.findByText(new RegExp(`^${i} of 5 tries, 0 good`));
  }
  expect(screen.getByText('5 of 5 tries, 0 good: think of the step before')).toBeTruthy();
  press('A step back: Water confidence');
  await screen.findByText('step 4 of 11');
  expect(page().ladderSteps).toEqual({ confidence: 3 });
});

it('begins another ladder, and shows one that is passed', async () => {
  open({ ladderSteps: { catch: 5 } });
  expect(await screen.findByText('All 5 steps are passed.')).toBeTruthy();
  fireEvent.press(screen.getByText('Begin another ladder'));
  fireEvent.press(screen.getByText('Open turn'));
  expect(await screen.findByText('step 1 of 4')).toBeTruthy();
  press('Good try: Open turn');
  await screen.findByText('1 of 6 tries, 1 good');
});

it('of somebody who is not at ease yet is the first one', async () => {
  open({ level: 'settle' });
  expect(await screen.findByText('Water confidence')).toBeTruthy();
});

it('of others is none until one is begun', async () => {
  open({ level: 'hold' });
  expect(await screen.findByText('None begun yet.')).toBeTruthy();
  expect(screen.queryByText('Water confidence')).toBeNull();
});

it('says so where a tap could not be stored', async () => {
  fakeServer({
    'GET /account/me': () => ({ body: ME }),
    [`GET /swimmers/${ID}`]: () => ({ body: { ...SWIMMER, ladderSteps: { tumble: 1 }, ladderLog: [] } }),
    [`PUT /swimmers/${ID}/ladder-marks/`]: () => {
      throw new TypeError('network down');
    },
  });
  showAt({ deck: () => <LaddersOf id={ID} /> }, '/deck');
  await screen.findByText('0 of 6 tries, 0 good');
  press('Good try: Tumble turn');
  await waitFor(() => expect(screen.queryByText(/No connection to the server/)).toBeTruthy());
});
