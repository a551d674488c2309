import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { renderRouter } from 'expo-router/testing-library';
import { buildSession, editSet } from '@upwell/core/sessions';
import { inferCauses } from '@upwell/core/review';
import { StyleSheet, type TextStyle, type ViewStyle } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { FigureView } from '@/figure/FigureView';
import { LookNext, WhyStrip } from '@/review/parts/WhyStrip';
import { GroupEditor } from '@/sessions/hand/GroupEditor';
import { LevelSheet } from '@/sessions/parts/LevelSheet';
import { PlanTruth } from '@/sessions/parts/PlanTruth';
import { SignInScreen } from '@/account/SignInScreen';
import { testStore } from './testStore';
import { DAY } from '@/ui/theme';
import * as wide from '@/ui/useWide';
import { Icon } from '@/ui/Icon';
import { show } from './show';

const built = buildSession({
  kind: 'aerobic',
  theme: 'breath-too-low',
  minutes: 60,
  pool: { length: 25, unit: 'm' },
  kit: ['board', 'fins'],
  seed: 1,
  groups: (['build', 'hold', 'race'] as const).map((level) => ({ level, swimmers: 8, lanes: 2, v400Mps: null })),
});
if (built.kind === 'clash') throw new Error('no plan');
const { plan } = built;

describe('the why strip', () => {
  it('names the cause, how sure, and asks for one more look', () => {
    const answered = jest.fn();
    const inference = inferCauses({
      stroke: 'front-crawl',
      model: 'long-line',
      level: 'hold',
      signs: { 'face-up-and-back': 'often', 'lead-arm-drops': 'often' },
    });
    show(
      <>
        <WhyStrip inference={inference} />
        <LookNext inference={inference} onAnswer={answered} />
      </>,
    );
    expect(screen.getByText('Turning too far for air')).toBeTruthy();
    expect(screen.getByText('87 %')).toBeTruthy();
    fireEvent.press(screen.getByText('Show the reasons'));
    expect(
      screen.getByText(/It is the only cause that is likely enough\. 8\d % likely × 1\.30 for breathing/),
    ).toBeTruthy();
    fireEvent.press(screen.getByLabelText('presses a straight arm down: often'));
    expect(answered).toHaveBeenCalledWith('straight-arm-press', 'often');
  });

  it('says so while nothing is likely enough', () => {
    const inference = inferCauses({
      stroke: 'front-crawl',
      model: 'long-line',
      level: 'hold',
      signs: { 'legs-low': 'often' },
    });
    show(<WhyStrip inference={inference} />);
    fireEvent.press(screen.getByText('Show the reasons'));
    expect(screen.getByText(/No cause reaches 50 %/)).toBeTruthy();
  });
});

describe('the figure', () => {
  it('offers every part of the body as a button of its own', () => {
    const chosen = jest.fn();
    show(
      <FigureView
        stroke="front-crawl"
        signs={['legs-low']}
        view="side"
        phase={null}
        label="The swimmer"
        onChoose={chosen}
      />,
    );
    fireEvent(screen.getByLabelText('Parts of the body'), 'layout', {
      nativeEvent: { layout: { width: 358, height: 180 } },
    });
    fireEvent.press(screen.getByLabelText('Signs at the legs'));
    expect(chosen).toHaveBeenCalledWith('legs');
    const places = screen.getAllByLabelText(/^Signs at the/).map((button) => {
      const { left, top } = Object.assign({}, ...[button.props.style].flat(3)) as { left: number; top: number };
      return { left, top };
    });
    for (const [i, a] of places.entries()) {
      for (const b of places.slice(i + 1)) expect(Math.hypot(a.left - b.left, a.top - b.top)).toBeGreaterThan(44);
    }
  });
});

describe('the level sheet and its editor', () => {
  it('shows a column per level and opens the one that is pressed', () => {
    const selected = jest.fn();
    show(<LevelSheet plan={plan} selected={null} onSelect={selected} />);
    fireEvent.press(screen.getByText('Race'));
    expect(selected).toHaveBeenCalledWith('g3');
  });

  it('keeps the words of the heads in one row, whichever is open', () => {
    show(<LevelSheet plan={plan} selected="g3" onSelect={() => undefined} />);
    const below = screen.getAllByRole('button').map(({ props }) => {
      const { borderBottomWidth, paddingBottom } = StyleSheet.flatten(props.style) as ViewStyle;
      return [borderBottomWidth, Number(borderBottomWidth) + Number(paddingBottom)];
    });
    expect(below).toEqual([
      [2, 9],
      [2, 9],
      [6, 9],
    ]);
  });

  it('writes a drill where there is no room for its name, and never cuts one', () => {
    jest.spyOn(wide, 'useWide').mockReturnValue(true);
    const drills = { ...plan, groups: [plan.groups[2]!] };
    show(<LevelSheet plan={drills} />);
    const words = () =>
      screen.getAllByText(/^\d+ × \d+ /).map(({ props }) => props as { children: string; numberOfLines: number });
    const before = words();
    // By hand: 77 px hold (77 − 17) / 6 = 10 letters in a line.
    fireEvent(screen.getByText('Race'), 'layout', { nativeEvent: { layout: { width: 77, height: 600 } } });
    const changed = words().filter(({ children }, i) => children !== before[i]!.children);
    expect(changed.length).toBeGreaterThan(0);
    for (const { children } of changed) expect(children).toMatch(/^\d+ × \d+ drill$/);
    words().forEach(({ children, numberOfLines }, i) =>
      expect(children.endsWith('drill')).toBe(before[i]!.children.length > 10 * numberOfLines),
    );
    jest.restoreAllMocks();
  });

  it.each([
    // An hour in some 600 px: half a minute is thinner than a line of text, two minutes are not.
    [30, true],
    [120, false],
  ])('the name of a block that begins with a pause of %i s stands on ground of its own: %p', (seconds, own) => {
    jest.spyOn(wide, 'useWide').mockReturnValue(true);
    const [, , race] = plan.groups;
    const pause = { kind: 'pause' as const, id: 'p', seconds, note: '' };
    const blocks = race!.blocks.map((b) =>
      b.kind === 'main' ? { ...b, items: [pause, ...b.items.filter((i) => i.kind !== 'pause')] } : b,
    );
    show(<LevelSheet plan={{ ...plan, groups: [{ ...race!, blocks }] }} />);
    const { backgroundColor } = StyleSheet.flatten(screen.getByText('Main').props.style as TextStyle);
    expect(backgroundColor !== undefined).toBe(own);
    jest.restoreAllMocks();
  });

  it('has room for every word that it writes into a set', () => {
    jest.spyOn(wide, 'useWide').mockReturnValue(true);
    show(<LevelSheet plan={plan} />);
    let written = 0;
    for (const set of screen.getAllByTestId('set')) {
      const { height } = StyleSheet.flatten(set.props.style as ViewStyle);
      for (const word of within(set).queryAllByText(/./)) {
        written++;
        const { marginTop, lineHeight } = StyleSheet.flatten(word.props.style as TextStyle);
        const needed = Number(marginTop) + (word.props.numberOfLines as number) * Number(lineHeight);
        expect(needed).toBeLessThanOrEqual(Number(height));
      }
    }
    expect(written).toBeGreaterThan(10);
    jest.restoreAllMocks();
  });

  it('changes a set in place', () => {
    const changed = jest.fn();
    show(<GroupEditor plan={plan} group={plan.groups[1]!} onChange={changed} />);
    fireEvent.press(screen.getAllByText(/^\d+ choice$/)[0]!);
    fireEvent.press(screen.getByLabelText('More reps'));
    const next = changed.mock.calls[0]![0] as typeof plan;
    expect(next).toEqual(editSet(plan, 'g2-wu-choice', { reps: 2 }));
  });

  it('tells at once when the finish is broken', () => {
    const { rerender } = show(<PlanTruth plan={plan} startTime="19:00" />);
    expect(screen.queryByText(/ runs .* over/)).toBeNull();
    rerender(<PlanTruth plan={editSet(plan, 'g1-sd', { lengths: 40 })} startTime="19:00" />);
    expect(within(screen.getAllByRole('alert')[0]!).getByText(/Build runs .* over/)).toBeTruthy();
  });

  it('says what a full lane waits for, and nothing where everyone has their own', () => {
    const lanes = (swimmers: number) => ({ ...plan, groups: plan.groups.map((g) => ({ ...g, swimmers, lanes: 1 })) });
    const { rerender } = show(<PlanTruth plan={lanes(8)} startTime="19:00" />);
    expect(
      screen.getAllByText(/ rest, .* · \d+′ waiting for the last of the lane, \d+′ with one more lane/),
    ).toHaveLength(plan.groups.length);
    rerender(<PlanTruth plan={lanes(1)} startTime="19:00" />);
    expect(screen.queryByText(/waiting for the last/)).toBeNull();
  });
});

describe('signing in', () => {
  it('keeps what was typed and says what is wrong', async () => {
    global.fetch = jest.fn(
      async () =>
        new Response(JSON.stringify({ detail: 'E-mail or password is not right.' }), {
          status: 401,
          headers: { 'content-type': 'application/problem+json' },
        }),
    ) as typeof fetch;
    renderRouter(
      {
        'sign-in': () => (
          <Provider store={testStore()}>
            <PaperProvider theme={DAY} settings={{ icon: Icon }}>
              <SignInScreen />
            </PaperProvider>
          </Provider>
        ),
      },
      { initialUrl: '/sign-in' },
    );
    fireEvent.changeText(screen.getByLabelText('E-mail'), 'head@upwell.example');
    fireEvent.changeText(screen.getByLabelText('Password'), 'wrong');
    fireEvent.press(screen.getByText('Sign in'));
    await waitFor(() => expect(screen.getByText('E-mail or password is not right.')).toBeTruthy());
    expect(screen.getByLabelText('E-mail').props.value).toBe('head@upwell.example');
  });
});
