// The list of swimmers where there is room: the swimmer beside it, from what the list holds.
import { fireEvent, screen, within } from '@testing-library/react-native';
import { causeCard } from '@upwell/core/review';
import { SwimmersScreen } from '@/swimmers/screens/SwimmersScreen';
import { fakeServer, FOCUS, ID, ME, ROW, showAt, SQUAD } from './fakeServer';

jest.mock('@/ui/useRoomy', () => ({ useRoomy: () => true }));

const BO = {
  ...{ ...ROW, id: `${ID.slice(0, -1)}6`, givenName: 'Bo', focus: null, child: true },
  goal: {
    event: 'Quill Crossing',
    date: '2030-06-01',
    distanceM: 3000,
    targetTimeS: 3600,
    place: 'open-water' as const,
  },
};

const open = (rows: readonly unknown[], role = 'coach') => {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: { ...ME, role } }),
    'GET /squads': () => ({ body: [SQUAD] }),
    'GET /swimmers': () => ({ body: { items: rows, next: null } }),
  });
  showAt({ swimmers: SwimmersScreen }, '/swimmers');
  return calls;
};
const pane = (name: string) => screen.findByLabelText(`Swimmer ${name}`);

describe('a swimmer beside the list', () => {
  it('is the first one, with the focus, its cue and its drill', async () => {
    open([ROW, BO]);
    const ada = within(await pane('Ada Lindqvale'));
    expect(ada.getByText(causeCard(FOCUS.cause).name)).toBeTruthy();
    expect(ada.getByText(`“${FOCUS.cue}”`)).toBeTruthy();
    expect(ada.getByText('Take the second look')).toBeTruthy();
    expect(ada.getByText('On deck')).toBeTruthy();
  });

  it('is the one that is pointed at, and no record is opened for it', async () => {
    const calls = open([ROW, BO]);
    await pane('Ada Lindqvale');
    fireEvent(screen.getByRole('link', { name: /^Bo Lindqvale/ }), 'focus');
    const bo = within(await pane('Bo Lindqvale'));
    expect(bo.getByText(/counts as under 18/)).toBeTruthy();
    expect(bo.getByText(/^3000 m in open water on .* · wanted 1:00:00$/)).toBeTruthy();
    expect(bo.getByText(/^No focus yet\./)).toBeTruthy();
    expect(bo.getByText('Look at the stroke')).toBeTruthy();
    expect(bo.queryByText('On deck')).toBeNull();
    expect(calls.filter(({ path }) => /^\/swimmers\/[0-9a-f]/.test(path))).toEqual([]);
  });

  it('offers a swimmer the page alone', async () => {
    open([ROW], 'swimmer');
    const own = within(await pane('Ada Lindqvale'));
    expect(own.getByText('Open the page')).toBeTruthy();
    expect(own.queryByText('Take the second look')).toBeNull();
  });

  it('is away where nobody is found', async () => {
    open([]);
    expect(await screen.findByText('No swimmers yet')).toBeTruthy();
    expect(screen.queryByLabelText(/^Swimmer /)).toBeNull();
  });
});
