// The library where there is room: the card beside the list.
import { fireEvent, screen, within } from '@testing-library/react-native';
import { drillCard } from '@upwell/core/library';
import { CAUSE_IDS, causeCard } from '@upwell/core/review';
import { LibraryScreen } from '@/library/screens/LibraryScreen';
import { fakeLibrary as library } from './fakeLibrary';
import { showAt } from './fakeServer';

jest.mock('@/ui/useRoomy', () => ({ useRoomy: () => true }));

const at = (address: string) => {
  library();
  showAt({ 'library/index': () => <LibraryScreen /> }, address);
};
const pane = () => within(screen.getByLabelText('The card that is chosen'));

describe('a card beside the list', () => {
  it('is the first one until another is chosen, and opens nowhere else', async () => {
    at('/library');
    const [first, second] = CAUSE_IDS.map(causeCard);
    expect(await screen.findByLabelText('The card that is chosen')).toBeTruthy();
    expect(pane().getByText(first!.name)).toBeTruthy();
    expect(pane().getByText(`Cue: “${first!.cue}”`)).toBeTruthy();
    fireEvent.press(screen.getByText(second!.name));
    expect(pane().getByText(`Cue: “${second!.cue}”`)).toBeTruthy();
    expect(screen.getAllByText(/^Cue: “/)).toHaveLength(1);
    expect(screen.queryByText(`Cue: “${first!.cue}”`)).toBeNull();
  });

  it('is the one in the address, with its figure and its cautions', async () => {
    at('/library?show=drills&open=ankle-mobility');
    expect(await screen.findByLabelText('The card that is chosen')).toBeTruthy();
    expect(pane().getByLabelText(`${drillCard('ankle-mobility').name}: the figure in its pose`)).toBeTruthy();
    expect(pane().getByText(drillCard('ankle-mobility').name)).toBeTruthy();
    expect(pane().getByText(/Never into pain/)).toBeTruthy();
  });

  it('goes with what is found, and is away where nothing is', async () => {
    at('/library?show=ladders');
    expect(await screen.findByLabelText('The card that is chosen')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Find by name'), 'tumble');
    expect(pane().getByText('Tumble turn')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Find by name'), 'no such card');
    expect(screen.queryByLabelText('The card that is chosen')).toBeNull();
    expect(screen.getByText('Nothing found')).toBeTruthy();
  });

  it('leaves the models, which are a page of their own, the whole width', async () => {
    at('/library?show=models');
    expect(await screen.findByText('Library')).toBeTruthy();
    expect(screen.queryByLabelText('The card that is chosen')).toBeNull();
  });
});
