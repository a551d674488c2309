import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { SentClip } from '@upwell/contract/sent';
import { AnswerCard } from '@/film/sent/AnswerCard';
import { sentFilm } from '@/film/sent/sentFilm';
import { ClipScreen } from '@/review/screens/ClipScreen';
import { openFor } from '@/offline/db';
import { fakeServer, FOCUS, ID, showAt, SWIMMER } from './fakeServer';
import { show } from './show';

jest.mock('@/film/sent/sentFilm', () => ({ sentFilm: jest.fn() }));
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
URL.createObjectURL = () => 'blob:sent';
URL.revokeObjectURL = () => undefined;

const SENT = 'c1f0c0de-0000-4000-8000-000000000001';
const CLIP: SentClip = {
  ...{ id: SENT, swimmerId: ID, swimmerName: 'Ada Lindqvale', wish: 'Three lengths', view: 'side', askedBy: 'Jory' },
  ...{ askedAt: '2026-11-28T10:00:00.000Z', type: 'video/mp4', seconds: 41, bytes: 9_000_000, pieces: 9 },
  ...{ sentAt: '2026-11-29T10:00:00.000Z', answeredAt: null, words: '', voice: false },
};

let account = 0;
beforeEach(() => {
  jest.useRealTimers();
  openFor(`sent-in-${++account}`);
  jest
    .mocked(sentFilm)
    .mockReset()
    .mockResolvedValue(new Blob(['film']));
});

const open = (clips: readonly SentClip[] | null) => {
  fakeServer({
    [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }),
    ...(clips ? { 'GET /sent-clips': () => ({ body: clips }) } : {}),
  });
  showAt({ 'swimmers/[id]/clip': ClipScreen }, `/swimmers/${ID}/clip?sent=${SENT}`);
};

describe('the answer to a clip that was sent in', () => {
  const answer = (clip: SentClip, proposed = '') => {
    const onAnswered = jest.fn();
    const calls = fakeServer({
      [`PUT /sent-clips/${SENT}/answer`]: ({ body }) =>
        (body as SentClip).words === 'refused'
          ? { status: 409, body: { detail: 'This clip has not come in yet.' } }
          : { body: { ...CLIP, words: (body as SentClip).words } },
    });
    show(<AnswerCard clip={clip} proposed={proposed} onAnswered={onAnswered} />);
    return { calls, onAnswered };
  };
  const words = () => screen.getByLabelText('One thing, in your words');
  const send = () => screen.getByRole('button', { name: 'Send the answer' });

  it('begins with what the focus proposes, and goes in the words of the coach', async () => {
    const { calls, onAnswered } = answer(CLIP, `One thing: “${FOCUS.cue}”`);
    expect(screen.getByText('Answer Ada Lindqvale')).toBeTruthy();
    expect(screen.getByText(/^Asked: “Three lengths”\./)).toBeTruthy();
    expect(words().props.value).toBe('One thing: “Sip to the side.”');
    fireEvent.changeText(words(), '  ');
    expect(send()).toBeDisabled();
    fireEvent.changeText(words(), ' Press the chest. ');
    fireEvent.press(send());
    await waitFor(() => expect(onAnswered).toHaveBeenCalled());
    expect(calls[0]!.body).toEqual({ words: 'Press the chest.', voice: null });
  });

  it('stays on the page when it is refused, with the reason', async () => {
    const { onAnswered } = answer(CLIP);
    fireEvent.changeText(words(), 'refused');
    fireEvent.press(send());
    expect(await screen.findByText('This clip has not come in yet.')).toBeTruthy();
    expect(words().props.value).toBe('refused');
    expect(onAnswered).not.toHaveBeenCalled();
  });

  it('says that no voice can be recorded here, and can be written', async () => {
    answer(CLIP);
    fireEvent.press(screen.getByText('Say it, up to 60 s'));
    expect(await screen.findByText(/^This browser cannot record a voice here/)).toBeTruthy();
    expect(words().props.value).toBe('');
  });

  it('is shown as it was, to be said again', () => {
    answer({ ...CLIP, answeredAt: '2026-11-30T10:00:00.000Z', words: 'Press the chest.' }, 'Something else');
    expect(screen.getByText('Answered; said again it takes the place')).toBeTruthy();
    expect(words().props.value).toBe('Press the chest.');
  });
});

describe('a clip that was sent in, on the table', () => {
  it.each([
    ['that was deleted', [] as SentClip[]],
    ['that is not sent yet', [{ ...CLIP, sentAt: null }]],
    ['of somebody else', [{ ...CLIP, swimmerId: ID.replace(/5$/, '6') }]],
  ])('of one %s it says that it did not come, and loads nothing', async (_which, clips) => {
    open(clips);
    expect(await screen.findByText(/^This clip did not come: it was deleted/)).toBeTruthy();
    expect(sentFilm).not.toHaveBeenCalled();
  });

  it('and so it does of a film that the server does not give', async () => {
    jest.mocked(sentFilm).mockRejectedValue(new Error('The film did not come: 404.'));
    open([CLIP]);
    expect(await screen.findByText(/^This clip did not come/)).toBeTruthy();
    expect(screen.getByText('All films')).toBeTruthy();
  });

  it('asks again where the list of them failed', async () => {
    open(null);
    expect(await screen.findByText('There is nothing at this address.')).toBeTruthy();
    expect(screen.getByText('Try again')).toBeTruthy();
  });
});
