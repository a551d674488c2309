// The club's clock and units, wherever this device is.
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { dayIn, deviceZone } from '@upwell/core/days';
import { Text } from 'react-native';
import { AccountScreen } from '@/account/AccountScreen';
import { zonesLike } from '@/account/ZoneInput';
import { useMeQuery } from '@/account';
import { useCourseQuery } from '@/courses';
import { SessionLine } from '@/sessions/parts/SessionLine';
import { useAppSelector, useToday, useZone } from '@/state/hooks';
import { FocusCard } from '@/swimmers/parts/FocusCard';
import { PoolChoice } from '@/swimtests/parts/PoolChoice';
import { FOCUS, fakeServer, ID, ME, SESSION_ROW, showAt, type Call } from './fakeServer';

const FAR =
  dayIn('Pacific/Kiritimati', Date.now()) === dayIn(deviceZone(), Date.now()) ? 'Pacific/Niue' : 'Pacific/Kiritimati';
const me = (change: object = {}) => ({ 'GET /account/me': () => ({ body: { ...ME, role: 'head', ...change } }) });
const RULES = {
  ...{ name: 'Morrow Quay', timeZone: 'Europe/Lisbon', units: 'm', version: 3 },
  ...{ kit: [], laneCapacity: null, paceTable: [] },
};

function Day() {
  const { data } = useMeQuery();
  const zone = useZone();
  const today = useToday();
  const { units } = useAppSelector((state) => state.place);
  return data === undefined ? <Text>Nobody yet</Text> : <Text>{`${zone} ${today} ${units}`}</Text>;
}

describe('today', () => {
  it('is the day where the club is', async () => {
    fakeServer(me({ timeZone: FAR, units: 'yd' }));
    showAt({ deck: Day }, '/deck');
    expect(await screen.findByText(`${FAR} ${dayIn(FAR, Date.now())} yd`)).toBeTruthy();
    expect(dayIn(FAR, Date.now())).not.toBe(dayIn(deviceZone(), Date.now()));
  });

  it('is the day of the device for what was kept before clubs had a clock', async () => {
    fakeServer(me({ timeZone: undefined, units: undefined }));
    showAt({ deck: Day }, '/deck');
    expect(await screen.findByText(`${deviceZone()} ${dayIn(deviceZone(), Date.now())} m`)).toBeTruthy();
  });

  it('turns while a page is open', async () => {
    jest.useFakeTimers({ now: Date.parse('2026-07-10T22:59:30Z') });
    try {
      fakeServer(me({ timeZone: 'Europe/Lisbon' }));
      showAt({ deck: Day }, '/deck');
      expect(await screen.findByText('Europe/Lisbon 2026-07-10 m')).toBeTruthy();
      await act(() => jest.advanceTimersByTimeAsync(61_000));
      expect(screen.getByText('Europe/Lisbon 2026-07-11 m')).toBeTruthy();
    } finally {
      jest.useRealTimers();
    }
  });

  it('opens a course that was kept before it had a clock', async () => {
    const Zone = () => <Text>{useCourseQuery(ID).data?.timeZone ?? 'none yet'}</Text>;
    fakeServer({ [`GET /courses/${ID}`]: () => ({ body: { id: ID, version: 1, name: 'Loop' } }) });
    showAt({ deck: Zone }, '/deck');
    expect(await screen.findByText(deviceZone())).toBeTruthy();
  });
});

it('a line of a session says whose clock it is where that is not the reader’s', async () => {
  fakeServer({});
  const row = { ...SESSION_ROW, date: '2026-07-10', startTime: '21:30' };
  const Lines = () => (
    <>
      <SessionLine row={{ ...row, timeZone: deviceZone() }} href="/" />
      <SessionLine row={{ ...row, timeZone: 'Asia/Kathmandu' }} href="/" />
    </>
  );
  showAt({ deck: Lines }, '/deck');
  expect(await screen.findByText('21:30')).toBeTruthy();
  expect(screen.getByText('21:30 Kathmandu time')).toBeTruthy();
});

it('what was noted late in the evening stands under the club’s day, not under the one in Greenwich', async () => {
  fakeServer(me({ timeZone: 'Pacific/Auckland' }));
  const focus = { ...FOCUS, since: '2026-11-01T12:30:00.000Z' };
  const Card = () => (useMeQuery().data ? <FocusCard focus={focus} review={undefined} /> : <Text>Nobody yet</Text>);
  showAt({ deck: Card }, '/deck');
  expect(await screen.findByText('since Mon 2 Nov')).toBeTruthy();
});

describe('units', () => {
  it.each([
    ['m', '25 m'],
    ['yd', '25 yd'],
  ])('%s: the pool of the club stands first', async (units, first) => {
    fakeServer(me({ units }));
    const Pools = () =>
      useMeQuery().data ? <PoolChoice poolM={null} onPool={() => undefined} /> : <Text>Nobody yet</Text>;
    showAt({ deck: Pools }, '/deck');
    await screen.findByText('25 yd');
    const words = screen.getAllByText(/^\d+ (m|yd)$/).map((t) => t.props.children as string);
    expect(words[0]).toBe(first);
  });
});

describe('choosing a zone', () => {
  it.each([
    ['lisb', 'Europe/Lisbon'],
    ['new york', 'America/New_York'],
    ['AUCK', 'Pacific/Auckland'],
  ])('%s finds %s', (text, zone) => expect(zonesLike(text)[0]).toBe(zone));
  it('offers a few at most, and none for nothing', () => {
    expect(zonesLike('a')).toHaveLength(6);
    expect([zonesLike(''), zonesLike('  '), zonesLike('zzzz')]).toEqual([[], [], []]);
  });

  it('is stored with the name when the head coach says so, and not before', async () => {
    const saved: Call[] = [];
    fakeServer({
      ...me(),
      'GET /account/club': () => ({ body: RULES }),
      'PUT /account/club': (call) => {
        saved.push(call);
        return { body: { ...RULES, ...(call.body as object), version: 4 } };
      },
    });
    showAt({ account: AccountScreen }, '/account');
    const zone = await screen.findByLabelText('Time zone, or a city in it');
    expect(zone.props.value).toBe('Europe/Lisbon');
    fireEvent.changeText(zone, 'auckl');
    expect(screen.getByText('Type a city, or a zone like Europe/Lisbon.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Save name and time zone' }).props.accessibilityState.disabled).toBe(
      true,
    );
    fireEvent.press(screen.getByText(/^Auckland time, now \d\d:\d\d$/));
    expect(screen.getByText(/^Days and times will be those of Auckland time for everybody/)).toBeTruthy();
    expect(saved).toEqual([]);
    fireEvent.changeText(screen.getByLabelText('Name of the club'), ' Kestrel Bay ');
    fireEvent.press(screen.getByText('Save name and time zone'));
    await waitFor(() => expect(saved).toHaveLength(1));
    expect(saved[0]!.body).toMatchObject({ name: 'Kestrel Bay', timeZone: 'Pacific/Auckland', version: 3 });
    expect(screen.queryByText('Save name and time zone')).toBeNull();
    fireEvent.press(screen.getByText('yards'));
    await waitFor(() => expect(saved).toHaveLength(2));
    expect(saved[1]!.body).toMatchObject({ units: 'yd', timeZone: 'Pacific/Auckland', version: 4 });
  });
});
