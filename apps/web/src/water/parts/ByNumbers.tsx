/** Places something without a finger on the map: by bearing and distance, by coordinates, or where this phone is. */
import { placeAt, readPosition, type Place } from '@upwell/core/water';
import { numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Choice, FieldError } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { typedNumber } from '../conditions';

interface ByNumbersProps {
  /** What is placed: "the mark". */
  readonly what: string;
  /** What a bearing can be taken from. */
  readonly from: readonly { readonly name: string; readonly place: Place }[];
  readonly onPlace: (place: Place) => void;
}

/** Farther from where it is measured nothing of a course stands, metres. */
const FARTHEST_M = 50_000;
/** How a browser says that it may not tell. */
const DENIED = 1;
/** A phone that is less sure than this says so, metres. */
const UNSURE_M = 15;

export function ByNumbers({ what, from, onPlace }: ByNumbersProps) {
  const [open, setOpen] = useState(false);
  const [base, setBase] = useState<string | null>(null);
  const [bearing, setBearing] = useState('');
  const [metres, setMetres] = useState('');
  const [position, setPosition] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const place = (at: Place, words: string | null = null) => {
    setProblem(null);
    setSaid(words);
    onPlace(at);
  };
  // The last one, unless another was chosen: a course is measured from mark to mark.
  const start = from.find(({ name }) => name === base) ?? from.at(-1)!;
  const byBearing = () => {
    const [deg, far] = [typedNumber(bearing.trim(), 0, 360), typedNumber(metres.trim(), 1, FARTHEST_M)];
    if (typeof deg === 'string') return setProblem(`Bearing: ${deg}`);
    if (typeof far === 'string') return setProblem(`Distance: ${far}`);
    place(placeAt(start.place, deg, far));
  };
  const byPosition = () => {
    const at = readPosition(position);
    if (!at) return setProblem('A position like 31.4000, -41.2000 or N 31° 24.0′ W 41° 12.0′, please.');
    place(at);
  };
  const byPhone = () => {
    const { geolocation } = navigator;
    if (!geolocation) return setProblem('This device does not know where it is.');
    geolocation.getCurrentPosition(
      ({ coords }) =>
        place(
          { lat: coords.latitude, lon: coords.longitude },
          `Placed where this device is, within ${numberWord(Math.round(coords.accuracy))} m.${coords.accuracy > UNSURE_M ? ' Wait in the open for a better fix, or move it on the map.' : ''}`,
        ),
      ({ code }) =>
        setProblem(
          code === DENIED
            ? 'This device may not say where it is: allow it in the settings of the browser.'
            : 'This device could not find out where it is. Try again in the open.',
        ),
      { enableHighAccuracy: true, timeout: 20_000, maximumAge: 0 },
    );
  };
  return (
    <View>
      <Disclosure label={`Place ${what} by numbers`} open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.box}>
          <Choice
            label="Measured from"
            options={from.map(({ name }) => ({ value: name, label: name }))}
            chosen={[start.name]}
            onPress={setBase}
          />
          <View style={styles.row}>
            <View style={styles.field}>
              <Input label="Bearing, degrees" value={bearing} maxLength={6} onChangeText={setBearing} />
            </View>
            <View style={styles.field}>
              <Input label="Distance, metres" value={metres} maxLength={8} onChangeText={setMetres} />
            </View>
            <Button mode="outlined" onPress={byBearing}>
              Place it there
            </Button>
          </View>
          <View style={styles.row}>
            <View style={styles.grow}>
              <Input label="Position of it" value={position} maxLength={60} onChangeText={setPosition} />
            </View>
            <Button mode="outlined" onPress={byPosition}>
              Place it at this position
            </Button>
          </View>
          <Button mode="outlined" icon="crosshairs-gps" style={styles.left} onPress={byPhone}>
            Place it where I stand
          </Button>
        </View>
      ) : null}
      {problem ? <FieldError>{problem}</FieldError> : null}
      {said ? <Notice>{said}</Notice> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 10, marginBottom: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  field: { width: 150 },
  grow: { flexGrow: 1, minWidth: 200 },
  left: { alignSelf: 'flex-start' },
});
