import { fireEvent, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { NotFoundScreen } from '@/frame/NotFoundScreen';
import { SessionScreen } from '@/sessions/screens/SessionScreen';
import { fakeServer, ME, showAt } from './fakeServer';

describe('an address that leads nowhere', () => {
  it('says so in our own words, and leads back to the start', async () => {
    fakeServer({ 'GET /account/me': () => ({ body: ME }) });
    showAt({ index: () => <Text>The start</Text>, '+not-found': NotFoundScreen }, '/season/2019');
    expect(await screen.findByText('No such page')).toBeTruthy();
    expect(screen.getByText(/Nothing you have entered is lost/)).toBeTruthy();
    fireEvent.press(screen.getByText('Go to the start'));
    expect(await screen.findByText('The start')).toBeTruthy();
    expect(screen.queryByText('No such page')).toBeNull();
  });

  it('is named where a word stands in the place of an id, and not asked again', async () => {
    const detail = 'Please write it as a valid id.';
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /sessions/week': () => ({ status: 400, body: { detail, fields: [{ field: 'id', message: detail }] } }),
    });
    showAt({ 'sessions/[id]': SessionScreen }, '/sessions/week');
    expect(await screen.findByText('There is nothing at this address. It may have been mistyped.')).toBeTruthy();
    expect(screen.queryByText('Try again')).toBeNull();
    expect(screen.queryByText(detail)).toBeNull();
  });
});
