import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ClipView } from '@upwell/contract/clips';
import type { CourseView } from '@upwell/contract/water';
import { ClipRemoval } from '@/review/clip/ClipRemoval';
import { CourseRemoved, RemoveCourse } from '@/water/parts/CourseRemoval';
import { fakeServer, ID } from './fakeServer';
import { show } from './show';

const CLIP: ClipView = {
  ...{ id: ID, version: 3, swimmerId: ID, title: 'Side, 400', recordedOn: '2025-11-02', durationS: 12.5, aspect: 1.78 },
  ...{ distanceM: 25, taps: [{ kind: 'entry', side: 'left', timeS: 1.2 }], lines: [] },
  notes: [{ startS: 1, endS: 3, text: 'Look at the elbow.' }],
};

describe('what is kept of a clip', () => {
  it('is taken out and put back as it was', async () => {
    const onVersion = jest.fn();
    const calls = fakeServer({
      'DELETE /clips/': () => ({ status: 204, body: null }),
      'PUT /clips/': ({ body }) => ({ body: { ...(body as object), id: ID, version: 1 } }),
    });
    show(<ClipRemoval clip={CLIP} onVersion={onVersion} />);
    fireEvent.press(screen.getByText('Take out what is kept'));
    expect(await screen.findByText('What was kept of “Side, 400” is taken out.')).toBeTruthy();
    expect(onVersion).toHaveBeenLastCalledWith(0);
    fireEvent.press(screen.getByText('Undo'));
    expect(await screen.findByText('Take out what is kept')).toBeTruthy();
    expect(onVersion).toHaveBeenLastCalledWith(1);
    const { id: _id, version: _version, ...fields } = CLIP;
    const put = calls.find((c) => c.method === 'PUT')!;
    expect(put.body).toEqual({ ...fields, version: 0, writeId: expect.any(String) });
  });

  it('stays when the server does not take it out', async () => {
    const onVersion = jest.fn();
    fakeServer({ 'DELETE /clips/': () => ({ status: 404, body: { status: 404, detail: 'This is not here.' } }) });
    show(<ClipRemoval clip={CLIP} onVersion={onVersion} />);
    fireEvent.press(screen.getByText('Take out what is kept'));
    expect(await screen.findByText(/This is not here/)).toBeTruthy();
    expect(onVersion).not.toHaveBeenCalled();
    expect(screen.queryByText('Undo')).toBeNull();
  });
});

describe('a course', () => {
  const course = (removed: boolean) => ({ id: ID, name: 'Heron Loop', removed }) as unknown as CourseView;

  it('is taken out of the list', async () => {
    const calls = fakeServer({ 'DELETE /courses/': () => ({ body: course(true) }) });
    show(<RemoveCourse course={course(false)} />);
    fireEvent.press(screen.getByLabelText('Take out Heron Loop'));
    await waitFor(() => expect(calls.map((c) => `${c.method} ${c.path}`)).toEqual([`DELETE /courses/${ID}`]));
  });

  it('says that it is out, and is put back', async () => {
    const calls = fakeServer({ 'POST /courses/': () => ({ body: course(false) }) });
    show(
      <>
        <CourseRemoved course={course(true)} />
        <RemoveCourse course={course(true)} />
      </>,
    );
    expect(screen.getByText(/is taken out of the list\. Sessions, tracks and decisions on it stay\./)).toBeTruthy();
    expect(screen.queryByText('Take out')).toBeNull();
    fireEvent.press(screen.getByText('Put it back'));
    await waitFor(() => expect(calls.map((c) => `${c.method} ${c.path}`)).toEqual([`POST /courses/${ID}/restore`]));
  });
});
