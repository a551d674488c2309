/** The beeper: stroke by stroke, from mark to mark, or climbing. It is heard, and seen as a pulse. */
import { BEEP_RATE, beatAt, type BeepPlan } from '@upwell/core/deck';
import { formatTime } from '@upwell/core/units';
import { numberWord } from '@upwell/core/words';
import type { SessionPerson } from '@upwell/contract/sessions';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { Beeper } from './sound';

const KINDS = [
  { value: 'rate', label: 'Stroke rate' },
  { value: 'pace', label: 'Pace' },
  { value: 'ramp', label: 'Ramp' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

interface BeeperProps {
  /** The first rate that the session asks for. */
  readonly suggested: number | null;
  readonly people: readonly SessionPerson[];
}

export function BeeperPanel({ suggested, people }: BeeperProps) {
  const theme = useTheme();
  const [kind, setKind] = useState<Kind>('rate');
  const [rate, setRate] = useState(suggested ?? 60);
  const [paceS, setPaceS] = useState(25);
  const [step, setStep] = useState(4);
  const [beeper, setBeeper] = useState<Beeper | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => () => beeper?.stop(), [beeper]);

  const tested = people.filter((p) => p.rateSpm !== null);
  const plan: BeepPlan =
    kind === 'rate'
      ? { kind, strokeRateSpm: rate }
      : kind === 'pace'
        ? { kind, everyS: paceS }
        : {
            kind,
            fromSpm: rate,
            stepSpm: step,
            steps: Math.min(8, Math.floor((BEEP_RATE.max - rate) / step) + 1),
            stepS: 60,
          };
  const stop = () => {
    beeper?.stop();
    setBeeper(null);
  };
  const start = async () => {
    stop();
    try {
      setBeeper(await Beeper.start(plan));
      setFailed(false);
    } catch (error) {
      console.warn('The beeper cannot play sound.', error);
      setFailed(true);
    }
  };
  const less = (by: number) => (rate - by >= BEEP_RATE.min ? () => setRate(rate - by) : null);
  const more = (by: number) => (rate + by <= BEEP_RATE.max ? () => setRate(rate + by) : null);
  return (
    <View style={styles.panel}>
      <Choice label="What the beeps mark" options={KINDS} chosen={[kind]} onPress={setKind} />
      <Pulse beeper={beeper} plan={plan} />
      {kind === 'pace' ? (
        <Stepper
          label="Seconds from mark to mark"
          value={numberWord(paceS, 1)}
          onLess={paceS > 5 ? () => setPaceS(Math.round((paceS - 0.5) * 10) / 10) : null}
          onMore={paceS < 120 ? () => setPaceS(Math.round((paceS + 0.5) * 10) / 10) : null}
        />
      ) : (
        <View style={styles.row}>
          <Stepper label="Strokes a minute" value={String(rate)} onLess={less(1)} onMore={more(1)} />
          <Button mode="outlined" disabled={!less(5)} onPress={() => less(5)?.()}>
            −5
          </Button>
          <Button mode="outlined" disabled={!more(5)} onPress={() => more(5)?.()}>
            +5
          </Button>
        </View>
      )}
      {kind === 'rate' && tested.length > 0 ? (
        <Choice
          label="From their rate ramp, for distance"
          options={tested.map((p) => ({ value: p.id, label: `${p.name} ${p.rateSpm}` }))}
          chosen={tested.filter((p) => p.rateSpm === rate).map((p) => p.id)}
          onPress={(id) => setRate(tested.find((p) => p.id === id)?.rateSpm ?? rate)}
        />
      ) : null}
      {kind === 'ramp' ? (
        <Stepper
          label="Raise by, every minute"
          value={String(step)}
          onLess={step > 1 ? () => setStep(step - 1) : null}
          onMore={step < 10 ? () => setStep(step + 1) : null}
        />
      ) : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {kind === 'pace'
          ? `At each mark a beep: 25 m apart this is ${formatTime(paceS * 4, 1)} per 100 m.`
          : 'One hand entry on every beep.'}
      </Text>
      <Button
        mode="contained"
        icon={beeper ? 'pause' : 'play'}
        contentStyle={styles.tall}
        labelStyle={styles.label}
        onPress={() => (beeper ? stop() : void start())}
      >
        {beeper ? 'Stop' : 'Start'}
      </Button>
      {beeper && JSON.stringify(beeper.plan) !== JSON.stringify(plan) ? (
        <Button mode="outlined" onPress={() => void start()}>
          Use the new rate
        </Button>
      ) : null}
      {failed ? (
        <Text style={{ color: theme.colors.error }}>This device gives no sound. The pulse still shows the beat.</Text>
      ) : null}
    </View>
  );
}

/** The beat as light, following the audio clock. */
function Pulse({ beeper, plan }: { readonly beeper: Beeper | null; readonly plan: BeepPlan }) {
  const theme = useTheme();
  const disc = useRef<View>(null);
  const figure = useRef<HTMLElement | null>(null);
  useEffect(() => {
    if (!beeper) return;
    let frame = 0;
    let n = 0;
    const draw = () => {
      const heard = beeper.heardS;
      for (let next = beatAt(beeper.plan, n + 1); next && next.atS <= heard; next = beatAt(beeper.plan, n + 1)) n++;
      const beat = beatAt(beeper.plan, n);
      const since = beat && heard >= beat.atS ? heard - beat.atS : 1;
      const node = disc.current as unknown as HTMLElement | null;
      if (node) node.style.opacity = String(Math.max(0.12, 1 - since * 5));
      if (figure.current && beat?.strokeRateSpm) figure.current.textContent = String(Math.round(beat.strokeRateSpm));
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [beeper]);
  return (
    <View style={styles.pulse}>
      <View ref={disc} style={[styles.disc, { backgroundColor: theme.colors.primary, opacity: 0.12 }]} aria-hidden />
      <Text ref={figure as never} style={styles.rate} aria-label={beeper ? 'The beeper runs' : 'The beeper is silent'}>
        {plan.kind === 'pace' ? numberWord(plan.everyS, 1) : plan.kind === 'rate' ? plan.strokeRateSpm : plan.fromSpm}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { padding: 16, gap: 12, width: '100%', maxWidth: 560, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  pulse: { height: 180, alignItems: 'center', justifyContent: 'center' },
  disc: { position: 'absolute', width: 170, height: 170, borderRadius: 85 },
  rate: { fontFamily: 'Atkinson Bold', fontSize: 64, lineHeight: 70, fontVariant: ['tabular-nums'] },
  tall: { minHeight: 64 },
  label: { fontSize: 22, lineHeight: 28 },
});
