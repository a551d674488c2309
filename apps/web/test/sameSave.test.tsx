// What was sent and is stored already, though the answer never came: nothing is lost, and nothing is doubled.
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { testOutcome } from '@upwell/core/swimtests';
import { newReviewDraft, withSign } from '@/review/draft';
import { ReviewScreen } from '@/review/screens/ReviewScreen';
import { keepDraft } from '@/state/drafts';
import { sameSave } from '@/state/sameSave';
import { newTestDraft } from '@/swimtests/draft';
import { TestScreen } from '@/swimtests/screens/TestScreen';
import { type Call, fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';

describe('the ids of a first save', () => {
  const base = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
  it('are the same for the same content of the same draft, and others for any other', () => {
    const first = sameSave(base, { title: 'Tuesday', plan: [1, 2] });
    expect(sameSave(base, { title: 'Tuesday', plan: [1, 2] })).toEqual(first);
    expect(first.id).not.toBe(first.writeId);
    const others = [
      sameSave(base, { title: 'Tuesday', plan: [1, 3] }),
      sameSave('01a20bb8-5dce-719c-8bc2-8d9b01d7e696', { title: 'Tuesday', plan: [1, 2] }),
    ];
    expect(new Set([first, ...others].flatMap(({ id, writeId }) => [id, writeId])).size).toBe(6);
  });
});

const draft = { ...withSign(newReviewDraft(), 'feet-hooked', 'often'), good: 'Calm' };
const stored = {
  ...{ id: draft.id, version: 1, swimmerId: ID, coachName: 'Jory', lookedAt: '2026-11-28T10:00:00.000Z' },
  ...{ stroke: 'front-crawl', model: 'long-line', level: 'hold', signs: { 'feet-hooked': 'often' }, measured: {} },
  ...{ noted: '', good: 'Calm', ranking: [], focusCause: null },
};

describe('a look', () => {
  const sendings = (reviews: readonly object[], refuse?: (n: number) => object | null) => {
    const sent: Call['body'][] = [];
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /outcomes': () => ({ body: [] }),
      [`GET /swimmers/${ID}`]: () => ({ body: { ...SWIMMER, focuses: [], reviews } }),
      'PUT /reviews/': ({ path, body }) => {
        sent.push({ id: path.split('/').pop(), ...body });
        const current = refuse?.(sent.length);
        return current ? { status: 409, body: { detail: 'Changed elsewhere.', current } } : { body: {} };
      },
    });
    return sent;
  };
  const open = async (kept: object | null) => {
    const page = `/swimmers/${ID}/review`;
    const store = showAt({ 'swimmers/[id]/review': ReviewScreen, 'swimmers/[id]/index': () => <></> }, page);
    if (kept) act(() => void store.dispatch(keepDraft({ key: `review:${ID}`, value: kept })));
    await screen.findByText('What do you see?');
    await act(async () => undefined);
    return () => store.getState().drafts[`review:${ID}`] as typeof draft | undefined;
  };

  it('that is stored as it was sent begins afresh', async () => {
    sendings([stored]);
    const now = await open(draft);
    await waitFor(() => expect(now()).toBeUndefined());
    expect(screen.queryByText('Keep the look, without a focus')).toBeNull();
  });

  it('that was changed since is another look, beside the stored one', async () => {
    const sent = sendings([stored]);
    const now = await open(withSign(draft, 'feet-hooked', 'absent'));
    await waitFor(() => expect(now()!.id).not.toBe(draft.id));
    expect(now()!.focusId).not.toBe(draft.focusId);
    fireEvent.press(await screen.findByText('Keep the look, without a focus'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ version: 0, signs: { 'feet-hooked': 'absent' } });
    expect(sent[0]!.id).not.toBe(draft.id);
  });

  it('whose answer was lost and that was changed before it was sent again is another look as well', async () => {
    const sent = sendings([], (n) => (n === 1 ? { id: draft.id, version: 1 } : null));
    const now = await open(withSign(draft, 'feet-hooked', 'absent'));
    fireEvent.press(await screen.findByText('Keep the look, without a focus'));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[0]!.id).toBe(draft.id);
    expect(sent[1]!.id).not.toBe(draft.id);
    expect(sent[1]!.writeId).not.toBe(sent[0]!.writeId);
    expect(sent[1]).toMatchObject({ version: 0, signs: { 'feet-hooked': 'absent' }, good: 'Calm' });
    await waitFor(() => expect(now()).toBeUndefined());
  });

  it('is another write with every sign that changes', () => {
    const changed = withSign(draft, 'feet-hooked', 'sometimes');
    expect([changed.id, changed.writeId === draft.writeId]).toEqual([draft.id, false]);
  });
});

describe('a test', () => {
  const kept = newTestDraft('glide', SWIMMER as never, null, '2026-11-28');
  const input = { kind: 'glide', metres: [6, 7] } as const;
  const view = {
    ...{ id: kept.id, swimmerId: ID, kind: 'glide', heldOn: '2026-11-28', input, note: '', version: 1 },
    outcome: testOutcome(input),
  };
  const open = async (value: object) => {
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /squads': () => ({ body: [] }),
      [`GET /swimmers/${ID}/records`]: () => ({ body: { tests: [view], results: [], reference: null } }),
      [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }),
    });
    const store = showAt({ 'swimmers/[id]/test': TestScreen }, `/swimmers/${ID}/test?kind=glide`);
    act(() => void store.dispatch(keepDraft({ key: `test:${ID}:glide`, value })));
    await screen.findByText('Save this test');
    await act(async () => undefined);
    return () => store.getState().drafts[`test:${ID}:glide`] as typeof kept;
  };

  it('that is stored as it was sent begins afresh', async () => {
    const now = await open({ ...kept, input });
    await waitFor(() => expect(now().input).toEqual({ kind: 'glide', metres: [] }));
    expect(now().id).not.toBe(kept.id);
  });

  it('that was changed since is the next one, and keeps what was noted', async () => {
    const now = await open({ ...kept, input: { ...input, metres: [6, 7, 8] } });
    await waitFor(() => expect(now().id).not.toBe(kept.id));
    expect(now().input).toEqual({ kind: 'glide', metres: [6, 7, 8] });
    expect(now().writeId).not.toBe(kept.writeId);
  });
});
