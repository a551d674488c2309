import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { RecordsView } from '@upwell/contract/records';
import { Bests } from '@/records/parts/Bests';
import { Progress } from '@/records/parts/Progress';
import { Swims } from '@/records/parts/Swims';
import { dayIn, deviceZone } from '@upwell/core/days';
import * as files from '@/ui/saveFile';
import { fakeServer, ID, SWIMMER } from './fakeServer';
import { show } from './show';

const RESULT = '01890000-0000-7000-8000-0000000000a1';
const year = dayIn(deviceZone(), Date.now()).slice(0, 4);
const records: RecordsView = {
  results: [
    { id: RESULT, on: '2024-11-24', distanceM: 400, timeS: 380.25, strokesPerLength: 19, kind: 'trial' },
    {
      id: `${RESULT.slice(0, -1)}2`,
      on: `${year}-01-10`,
      distanceM: 100,
      timeS: 80,
      strokesPerLength: null,
      kind: 'training',
    },
  ],
  ...{ tests: [], reps: [], signs: [], attended: [] },
};
const WAS = { on: '2024-11-24', distanceM: 400, timeS: 380.25, strokesPerLength: 19, kind: 'trial' };

describe('results of a swimmer', () => {
  it('are corrected with what they were, and put back', async () => {
    const calls = fakeServer({
      [`PUT /results/${RESULT}`]: ({ body }) => ({ body: { id: RESULT, name: '', ...body } }),
    });
    show(<Swims records={records} swimmerId={ID} coach />);
    // The year where it is not this one.
    await screen.findByText('Sun 24 Nov 2024');
    expect(screen.getByText(/^\S+ 10 Jan$/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Correct 400 m all-out of Sun 24 Nov 2024'));
    fireEvent.changeText(screen.getByLabelText('Time'), 'soon');
    fireEvent.press(screen.getByText('Save it'));
    await screen.findByText('A time like 5:52.3, please.');
    expect(calls).toEqual([]);
    fireEvent.changeText(screen.getByLabelText('Time'), '6:10,5');
    fireEvent.changeText(screen.getByLabelText('Strokes a length'), '');
    fireEvent.press(screen.getByText('Save it'));
    await screen.findByText('400 m in 6:20.3 is corrected.');
    expect(calls[0]!.body).toEqual({
      ...{ ...WAS, swimmerId: ID, timeS: 370.5, strokesPerLength: null, details: {} },
      was: WAS,
    });
    fireEvent.press(screen.getByText('Undo'));
    await waitFor(() => expect(screen.queryByText(/is corrected\.$/)).toBeNull());
    expect(calls[1]!.body).toEqual({
      ...{ ...WAS, swimmerId: ID },
      was: { ...WAS, timeS: 370.5, strokesPerLength: null, details: {} },
    });
  });

  it('are taken out, and put back under the same id', async () => {
    const calls = fakeServer({
      [`DELETE /results/${RESULT}`]: () => ({ body: { removed: true } }),
      [`PUT /results/${RESULT}`]: ({ body }) => ({ body: { id: RESULT, name: '', ...body } }),
    });
    show(<Swims records={records} swimmerId={ID} coach />);
    fireEvent.press(await screen.findByLabelText(/^Correct 400 m/));
    fireEvent.press(screen.getByText('Take it out'));
    await screen.findByText('400 m in 6:20.3 is taken out.');
    fireEvent.press(screen.getByText('Undo'));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[1]).toMatchObject({ method: 'PUT', path: `/results/${RESULT}`, body: { ...WAS, swimmerId: ID } });
  });

  it('say why where others changed them in the meantime, and keep what was typed', async () => {
    fakeServer({
      [`PUT /results/${RESULT}`]: () => ({
        status: 409,
        body: { detail: 'This result was changed elsewhere in the meantime.' },
      }),
    });
    show(<Swims records={records} swimmerId={ID} coach />);
    fireEvent.press(await screen.findByLabelText(/^Correct 400 m/));
    fireEvent.changeText(screen.getByLabelText('Metres'), '200');
    fireEvent.press(screen.getByText('Save it'));
    await screen.findByText('This result was changed elsewhere in the meantime.');
    expect(screen.getByDisplayValue('200')).toBeTruthy();
  });

  it('are only looked at by a swimmer', async () => {
    fakeServer({});
    show(<Swims records={records} swimmerId={ID} coach={false} />);
    await screen.findByText('Sun 24 Nov 2024');
    expect(screen.queryByLabelText(/^Correct/)).toBeNull();
  });
});

describe('bests of a swimmer', () => {
  it('stand with their day, what they gained, and the best of the year where that is another', () => {
    const swim = (id: number, on: string, distanceM: number, timeS: number, kind: 'trial' | 'track' = 'trial') => ({
      ...{ id: `${RESULT.slice(0, -1)}${id}`, on, distanceM, timeS, strokesPerLength: null, kind },
    });
    show(
      <Bests
        records={{
          ...records,
          results: [
            swim(1, '2024-11-24', 400, 340),
            swim(2, `${year}-01-02`, 400, 352.5),
            swim(3, `${year}-01-03`, 100, 75),
            swim(4, `${year}-01-10`, 100, 73.5),
            swim(5, '2023-06-01', 1500, 1500, 'track'),
          ],
        }}
      />,
    );
    expect(screen.getByText('100 m')).toBeTruthy();
    expect(screen.getByText('1.5 s faster than before · 2 swims')).toBeTruthy();
    expect(screen.getByText('Sun 24 Nov 2024')).toBeTruthy();
    expect(screen.getByText(/^best of twelve months 5:52\.5 on .* 2 Jan · 2 swims$/)).toBeTruthy();
    expect(screen.getByText('1,500 m, outside')).toBeTruthy();
    expect(screen.getByText('not swum in the last twelve months · 1 swim')).toBeTruthy();
  });

  it('are not there before anything was swum', () => {
    show(<Bests records={{ ...records, results: [] }} />);
    expect(screen.queryByText('Bests')).toBeNull();
  });
});

describe('the picture of progress', () => {
  const swims: RecordsView = {
    ...records,
    results: [
      {
        id: `${RESULT.slice(0, -1)}7`,
        on: '2025-01-10',
        distanceM: 400,
        timeS: 360,
        strokesPerLength: 20,
        kind: 'trial',
      },
      {
        id: `${RESULT.slice(0, -1)}8`,
        on: '2025-03-10',
        distanceM: 400,
        timeS: 352.5,
        strokesPerLength: 19,
        kind: 'trial',
      },
    ],
  };

  it('is heard as it is seen, and given away as a drawing', async () => {
    const saved = jest.spyOn(files, 'saveFile').mockImplementation(() => undefined);
    const { UNSAFE_root: root } = show(<Progress swimmer={{ ...SWIMMER, focuses: [] }} records={swims} />);
    const frame = root.findAll((node) => typeof (node.props as { onLayout?: unknown }).onLayout === 'function').at(-1)!;
    fireEvent(frame, 'layout', { nativeEvent: { layout: { width: 360, height: 300 } } });
    expect(
      await screen.findByLabelText(
        /^400 m: 6:00\.0 on Fri 10 Jan 2025, 5:52\.5 on Mon 10 Mar 2025: 7\.5 s faster\. Strokes a length: 20, then 19\./,
      ),
    ).toBeTruthy();
    fireEvent.press(screen.getByText('Drawing (SVG)'));
    const [name, type, svg] = saved.mock.calls[0]!;
    expect([name, type]).toEqual([`${SWIMMER.givenName} ${SWIMMER.familyName} progress.svg`, 'image/svg+xml']);
    expect(svg).toContain('width="900"');
    saved.mockRestore();
  });

  it('is not there with one swim', () => {
    show(<Progress swimmer={{ ...SWIMMER, focuses: [] }} records={{ ...swims, results: swims.results.slice(1) }} />);
    expect(screen.queryByText('Progress')).toBeNull();
  });
});
