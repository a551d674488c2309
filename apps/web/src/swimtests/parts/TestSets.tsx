import type { TestView } from '@upwell/contract/records';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { stepPassed } from '@upwell/core/swimtests';
import { plural } from '@upwell/core/words';
import { StyleSheet } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence, type ApiError } from '@/api/problem';
import { useSaveSwimmerMutation } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';

/** What a stored test can set: best times and with them the paces, or the step of a ladder. */
export function Sets({ test, swimmer }: { readonly test: TestView; readonly swimmer: SwimmerPage }) {
  const [save, { isLoading, error, isSuccess }] = useSaveSwimmerMutation();
  const { input } = test;
  const {
    id,
    version,
    squadName: _s,
    child: _c,
    focuses: _f,
    reviews: _r,
    results: _x,
    clips: _k,
    ladderLog: _g,
    ...fields
  } = swimmer;
  const set = (change: Partial<typeof fields>) =>
    void save({ id, body: { ...fields, ...change, version, writeId: v7() } });
  const done = <Text variant="labelMedium">{isSuccess ? 'Done: the next session uses it.' : ''}</Text>;
  if (input.kind === 'critical-speed') {
    const best = new Map(swimmer.bestTimes.map((b) => [b.distanceM, b.timeS]));
    const faster = input.trials.filter((t) => (best.get(t.distanceM) ?? Infinity) > t.timeS);
    for (const t of faster) best.set(t.distanceM, t.timeS);
    return (
      <Card title="Kept" strong>
        <Text>
          {faster.length > 0
            ? `${faster.map((t) => `${t.distanceM} m`).join(' and ')} ${plural(faster.length, 'is', 'are')} faster than the times that set ${swimmer.givenName}'s paces.`
            : 'None of these is faster than the times that set the paces.'}
        </Text>
        {faster.length > 0 && !isSuccess ? (
          <Button
            mode="contained"
            style={styles.words}
            disabled={isLoading}
            onPress={() => set({ bestTimes: [...best].map(([distanceM, timeS]) => ({ distanceM, timeS })) })}
          >
            Use them to set the paces
          </Button>
        ) : null}
        {error ? <Notice tone="error">{sentence(error as ApiError)}</Notice> : null}
        {done}
      </Card>
    );
  }
  if (input.kind === 'ladder-step' && stepPassed(input)) {
    const step = Math.max(swimmer.ladderSteps[input.ladder] ?? 0, input.step + 1);
    return (
      <Card title="Reached" strong>
        <Text>The next step may be tried.</Text>
        {!isSuccess ? (
          <Button
            mode="contained"
            style={styles.words}
            disabled={isLoading}
            onPress={() => set({ ladderSteps: { ...swimmer.ladderSteps, [input.ladder]: step } })}
          >
            Go on to the next step
          </Button>
        ) : null}
        {error ? <Notice tone="error">{sentence(error as ApiError)}</Notice> : null}
        {done}
      </Card>
    );
  }
  return (
    <Card title="Kept" strong>
      <Text>It is in the records now.</Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  words: { marginVertical: 6 },
});
