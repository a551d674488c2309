import { fireEvent, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { NotFoundScreen } from '@/frame/NotFoundScreen';
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
});
