// Results are paged through beyond what is counted.
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { RESULTS_COUNTED } from '@upwell/contract/recordLimits';
import { ResultsScreen } from '@/records/screens/ResultsScreen';
import { fakeServer, ME, showAt } from './fakeServer';

const line = (at: number) => ({
  ...{ id: `r${at}`, swimmerId: 's1', name: `Swimmer ${at}`, on: '2026-05-01', kind: 'training', details: {} },
  ...{ distanceM: 100, timeS: 80, strokesPerLength: null },
});

/** A club with a number of results; its server counts up to the limit. */
function club(many: number) {
  return fakeServer({
    'GET /account/me': () => ({ body: ME }),
    'GET /squads': () => ({ body: [] }),
    'GET /results': ({ path }: { path: string }) => {
      const asked = new URLSearchParams(path.split('?')[1]);
      const [from, most] = [Number(asked.get('offset')), Number(asked.get('limit'))];
      const items = Array.from({ length: Math.min(most, many - from) }, (_, i) => line(from + i + 1));
      return { body: { items, total: Math.min(many, RESULTS_COUNTED + 1) } };
    },
  } as never);
}

const more = () => screen.getByRole('button', { name: 'More' });

describe('a page of results', () => {
  it('goes on behind the last one that was counted, to the last there is', async () => {
    // By hand: 25 a page. Page 201 begins behind the five thousandth, page 202 holds the last seven.
    club(RESULTS_COUNTED + 32);
    showAt({ 'swimmers/results': ResultsScreen }, '/swimmers/results?page=200');
    expect(await screen.findByText('5,001–5,025 of more than 5,000')).toBeTruthy();
    expect(screen.getByText('more than 5,000 results')).toBeTruthy();
    fireEvent.press(more());
    expect(await screen.findByText('5,026–5,032 of more than 5,000')).toBeTruthy();
    await waitFor(() => expect(more()).toBeDisabled());
  });

  it('ends with the last where all are counted', async () => {
    club(100);
    showAt({ 'swimmers/results': ResultsScreen }, '/swimmers/results?page=3');
    expect(await screen.findByText('76–100 of 100')).toBeTruthy();
    expect(more()).toBeDisabled();
  });
});
