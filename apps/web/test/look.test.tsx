// A look with many faults: the coach finds every sign and cause, overrules, and closes what is solved.
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { router } from 'expo-router';
import { FocusScreen } from '@/review/screens/FocusScreen';
import { ReviewScreen } from '@/review/screens/ReviewScreen';
import { FOCUS, fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';

const page = `/swimmers/${ID}/review`;
const open = (swimmer: object = SWIMMER, answers: Parameters<typeof fakeServer>[0] = {}) => {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: ME }),
    'GET /outcomes': () => ({ body: [] }),
    [`GET /swimmers/${ID}`]: () => ({ body: swimmer }),
    'PUT /reviews/': () => ({ body: {} }),
    ...answers,
  });
  const store = showAt({ 'swimmers/[id]/review': ReviewScreen, 'swimmers/[id]/index': () => <></> }, page);
  const sent = () => calls.filter((c) => c.method === 'PUT').map((c) => c.body);
  return { calls, store, sent };
};
const FREE = { ...SWIMMER, focuses: [], reviews: [] };
const press = (label: string | RegExp) => fireEvent.press(screen.getAllByLabelText(label)[0]!);

/** The causes are worked out a moment after each answer. */
const settled = () => act(async () => undefined);

/** Looks for a sign by any words and says that it is there often. */
const see = async (asked: string, sign: string) => {
  fireEvent.changeText(screen.getByLabelText('Find what you saw'), asked);
  fireEvent.press((await screen.findAllByLabelText(`${sign}: often`))[0]!);
  await settled();
};

describe('what a coach sees', () => {
  it('is found in everyday words, and five faults give the first thing to work on', async () => {
    const { sent } = open(FREE);
    await screen.findByText('What do you see?');
    await see('midline', 'the hand enters past the line of the nose');
    await see('pulls under', 'the hand crosses under the body');
    await see('laid flat', 'the hand is laid on the surface');
    await see('recovery long', 'the arm stays long in the air');
    await see('looks short', 'the body looks short');
    expect(await screen.findByText('Make it the focus: Crossing over')).toBeTruthy();
    const strip = screen.getByLabelText('The likely cause so far');
    expect(within(strip).getByText('Crossing over')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('First, what is good?'), 'steady');
    fireEvent.changeText(screen.getByLabelText('What else you saw'), 'Stops when overtaken');
    fireEvent.press(screen.getByText('Make it the focus: Crossing over'));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]).toMatchObject({
      noted: 'Stops when overtaken',
      focus: { cause: 'crosses-midline' },
      relook: null,
    });
    expect(Object.keys(sent()[0]!.signs)).toHaveLength(5);
  });

  it('is answered in the strip that stays in sight', async () => {
    const { store } = open(FREE);
    await screen.findByText('What do you see?');
    await see('legs ride low', 'hips and legs ride low');
    const strip = await screen.findByLabelText('The likely cause so far');
    expect(within(strip).getByText(/^Perhaps: /)).toBeTruthy();
    fireEvent.press(within(strip).getAllByLabelText(/: not there$/)[0]!);
    await settled();
    await waitFor(() =>
      expect(Object.keys((store.getState().drafts[`review:${ID}`] as { signs: object }).signs)).toHaveLength(2),
    );
  });

  it('that no list has goes into words, and is kept without a focus', async () => {
    const { sent } = open(FREE);
    await screen.findByText('What do you see?');
    fireEvent.changeText(screen.getByLabelText('Find what you saw'), 'quixotic');
    expect(await screen.findByText(/No listed sign is called that/)).toBeTruthy();
    expect(screen.queryByText('Keep the look, without a focus')).toBeNull();
    fireEvent.changeText(screen.getByLabelText('What else you saw'), 'Talks while swimming');
    fireEvent.press(await screen.findByText('Keep the look, without a focus'));
    expect(await screen.findByText('Say one thing that is good first.')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('First, what is good?'), 'happy');
    fireEvent.press(screen.getByText('Keep the look, without a focus'));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]).toMatchObject({ signs: {}, noted: 'Talks while swimming', focus: null, relook: null });
  });

  it('at a part without signs of its own shows all of the stroke', async () => {
    open(FREE);
    await screen.findByText('What do you see?');
    fireEvent.press(screen.getByText('Breast'));
    fireEvent(screen.getByLabelText('Parts of the body'), 'layout', {
      nativeEvent: { layout: { width: 358, height: 180 } },
    });
    press('Signs at the shoulders');
    expect(await screen.findByText(/No sign of this stroke belongs to this part alone/)).toBeTruthy();
    fireEvent.press(screen.getByText(/more signs$/));
    expect(screen.getAllByLabelText('the arms open while the legs kick: often').length).toBeGreaterThan(0);
  });
});

describe('what a coach decides', () => {
  it('is any cause of the stroke, found by name, with the cue that follows the drill', async () => {
    const { sent } = open(FREE);
    await screen.findByText('What do you see?');
    await see('low', 'hips and legs ride low');
    // Nothing is likely enough: the causes stand open.
    fireEvent.changeText(await screen.findByLabelText('Find a cause of this stroke'), 'spin');
    fireEvent.press(await screen.findByText('Spinning'));
    expect(await screen.findByText('Make it the focus: Spinning')).toBeTruthy();
    const first = screen.getByLabelText('Cue, said at the wall').props.value as string;
    fireEvent.press(screen.getByText('Count-down 50s'));
    await waitFor(() => expect(screen.getByLabelText('Cue, said at the wall').props.value).not.toBe(first));
    fireEvent.changeText(screen.getByLabelText('First, what is good?'), 'quick');
    fireEvent.press(screen.getByText('Make it the focus: Spinning'));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]).toMatchObject({ focus: { cause: 'spins', drill: 'count-down-50s' } });
  });
});

describe('a second look', () => {
  it('begins with the stroke of its focus', async () => {
    const turn = { ...SWIMMER.reviews[0]!, stroke: 'turn', signs: { 'hands-apart': 'often' } };
    open({ ...SWIMMER, reviews: [turn], focuses: [{ ...FOCUS, cause: 'no-streamline', drill: 'streamline-glide' }] });
    expect(await screen.findByText('Then and now')).toBeTruthy();
    press('hands apart or head up off the wall: not there');
    expect(await screen.findByText('Close as solved: No streamline')).toBeTruthy();
    // What is gone points nowhere: no cause is made up from nothing.
    expect(screen.getAllByText('Nothing seen points to a fault.').length).toBeGreaterThan(0);
    expect(screen.queryByText(/Not counted/)).toBeNull();
  });

  it('closes what is gone with one tap, and says what could come next', async () => {
    const { sent } = open();
    await screen.findByText('Then and now');
    press('the face turns past the side up and back: not there');
    await see('slips', 'the hand slips early');
    await see('elbow leads', 'the elbow leads the hand back');
    expect(await screen.findByText('Solved. What could come next: Dropped elbow. Nothing has to.')).toBeTruthy();
    fireEvent.press(screen.getByText('Close as solved: Turning too far for air'));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]).toMatchObject({
      good: 'Solved: Turning too far for air',
      focus: null,
      relook: { focusId: ID, outcome: 'solved' },
    });
  });

  it('may go on with what comes next instead', async () => {
    const { sent } = open();
    await screen.findByText('Then and now');
    press('the face turns past the side up and back: not there');
    await see('slips', 'the hand slips early');
    await see('elbow leads', 'the elbow leads the hand back');
    fireEvent.press(await screen.findByText('Go on with it'));
    fireEvent.press(await screen.findByText('Make it the focus: Dropped elbow'));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]).toMatchObject({ focus: { cause: 'dropped-elbow' }, relook: { outcome: 'solved' } });
  });

  it('that another device had closed meanwhile is kept beside it', async () => {
    let refused = false;
    const { sent } = open(SWIMMER, {
      'PUT /reviews/': () => {
        if (refused) return { body: {} };
        refused = true;
        return { status: 409, body: { status: 409, title: 'x', current: { ...FOCUS, outcome: 'worse' } } };
      },
    });
    await screen.findByText('Then and now');
    press('the face turns past the side up and back: not there');
    fireEvent.press(await screen.findByText('Close as solved: Turning too far for air'));
    expect(await screen.findByText(/Somebody closed this focus meanwhile: worse/)).toBeTruthy();
    fireEvent.press(screen.getByText('Keep this look'));
    await waitFor(() => expect(sent()).toHaveLength(2));
    expect(sent().map((body) => body.relook)).toEqual([{ focusId: ID, outcome: 'solved' }, null]);
  });
});

describe('the same lesson goes on', () => {
  const signs = { 'face-up-and-back': 'often', 'enters-past-middle': 'often' };
  const better = { id: ID, drill: FOCUS.drill, verdict: 'better', note: 'calmer', at: '' };
  const going = {
    ...SWIMMER,
    reviews: [{ ...SWIMMER.reviews[0]!, signs }],
    focuses: [{ ...FOCUS, triesMade: [better] }],
  };
  const routes = {
    'swimmers/[id]/focus': FocusScreen,
    'swimmers/[id]/review': ReviewScreen,
    'swimmers/[id]/index': () => <></>,
  };
  const serve = () =>
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /outcomes': () => ({ body: [] }),
      [`GET /swimmers/${ID}`]: () => ({ body: going }),
      'PUT /focuses/': () => ({ body: FOCUS }),
      'PUT /reviews/': () => ({ body: {} }),
    });

  it('with the next fault of the same look in two taps', async () => {
    const calls = serve();
    const store = showAt(routes, `/swimmers/${ID}/focus`);
    fireEvent.press(await screen.findByText('Next fault: Crossing over'));
    fireEvent.press(await screen.findByText('Make it the focus: Crossing over'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')!.body).toMatchObject({
      signs: { 'enters-past-middle': 'often' },
      good: 'Better: turning too far for air',
      focus: { cause: 'crosses-midline' },
      relook: { focusId: ID, outcome: 'better' },
    });
    await waitFor(() => expect(store.getState().drafts).toEqual({}));
  });

  it('and leaves a look that was begun as it is', async () => {
    serve();
    const store = showAt(routes, `/swimmers/${ID}/review`);
    await screen.findByText('Then and now');
    await see('slips', 'the hand slips early');
    const before = store.getState().drafts[`review:${ID}`];
    act(() => router.navigate(`/swimmers/${ID}/focus`));
    fireEvent.press(await screen.findByText('Next fault: Crossing over'));
    expect(await screen.findByText('Then and now')).toBeTruthy();
    expect(store.getState().drafts[`review:${ID}`]).toEqual(before);
    await settled();
  });

  it('with what the swimmer says of each try', async () => {
    const calls = serve();
    showAt(routes, `/swimmers/${ID}/focus`);
    expect(await screen.findByText('Try 1: “calmer”')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('What the swimmer says of the next try'), ' more air ');
    fireEvent.press(screen.getByText('Same'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')!.body).toMatchObject({ verdict: 'same', note: 'more air' });
    await waitFor(() => expect(screen.getByLabelText('What the swimmer says of the next try').props.value).toBe(''));
  });
});

describe('the cue at the wall', () => {
  it('is changed at any time, and changes with the drill', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /outcomes': () => ({ body: [] }),
      [`GET /swimmers/${ID}`]: () => ({
        body: {
          ...SWIMMER,
          focuses: [{ ...FOCUS, triesMade: [{ id: ID, drill: FOCUS.drill, verdict: 'worse', note: '', at: '' }] }],
        },
      }),
      'PUT /focuses/': () => ({ body: FOCUS }),
    });
    showAt({ 'swimmers/[id]/focus': FocusScreen }, `/swimmers/${ID}/focus`);
    fireEvent.press(await screen.findByLabelText('Change the cue'));
    fireEvent.changeText(screen.getByLabelText('Cue, said at the wall'), 'Goggle in.');
    fireEvent.press(screen.getByText('Keep this cue'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    await waitFor(() => expect(screen.getByLabelText('Change the cue')).toBeTruthy());
    fireEvent.press(screen.getByText(/^Use /));
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(2));
    const [words, drill] = calls.filter((c) => c.method === 'PUT').map((c) => c.body);
    expect(words).toMatchObject({ cue: 'Goggle in.', drill: FOCUS.drill });
    expect(drill.drill).not.toBe(FOCUS.drill);
    expect(drill.cue).not.toBe('Goggle in.');
    expect(drill.tries).toBeGreaterThan(0);
  });
});
