/** What can be seen: what fits the view and the moment first, the rest by a tap on the body or by search. */
import { fitting, type FigureSide, type Region, signsAt } from '@upwell/core/figure';
import {
  causesFor,
  findSigns,
  type Sighting,
  type SignId,
  type SignsSeen,
  signsFor,
  type Stroke,
} from '@upwell/core/review';
import { counted } from '@upwell/core/words';
import { useMemo, useState } from 'react';
import { StyleSheet } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { SearchField } from '@/ui/SearchField';
import { SignRow } from './SignRow';

interface SignListProps {
  readonly stroke: Stroke;
  readonly region: Region | null;
  readonly view: FigureSide;
  readonly phase: number | null;
  readonly signs: SignsSeen;
  readonly onAnswer: (sign: SignId, sighting: Sighting) => void;
  readonly onClose: () => void;
}

/** Rows shown before the list is opened: of everything, and of a part of the body. */
const FIRST = 6;
const FIRST_AT_PART = 10;

export function SignList({ stroke, region, view, phase, signs, onAnswer, onClose }: SignListProps) {
  const [asked, setAsked] = useState('');
  const [all, setAll] = useState(false);
  const listed = useMemo(() => signsFor(stroke), [stroke]);
  const causes = useMemo(() => causesFor(stroke), [stroke]);
  const searching = asked.trim() !== '';
  const at = region ? signsAt(region, listed) : [];
  const nothingHere = region !== null && at.length === 0 && !searching;
  const pool = searching ? findSigns(asked, listed, causes) : at.length > 0 ? at : listed;
  const { here, others } = fitting(pool, view, phase);
  // What was found keeps its order: by name first.
  const ordered = searching ? pool : [...here, ...others];
  const shown = all ? ordered : ordered.slice(0, region && !nothingHere && !searching ? FIRST_AT_PART : FIRST);
  return (
    <Card
      title={region ? `Seen at the ${region}?` : 'What do you see?'}
      aside={
        region ? (
          <Button compact onPress={onClose}>
            Close
          </Button>
        ) : null
      }
    >
      <SearchField
        label="Find what you saw"
        placeholder="Find what you saw"
        value={asked}
        onChange={(text) => {
          setAsked(text);
          setAll(false);
        }}
      />
      {nothingHere ? (
        <Text variant="bodySmall" style={styles.note}>
          No sign of this stroke belongs to this part alone. These are all of them:
        </Text>
      ) : null}
      {searching && ordered.length === 0 ? (
        <Text style={styles.note}>No listed sign is called that. Write it below in your own words.</Text>
      ) : null}
      {shown.map((sign) => (
        <SignRow key={sign} sign={sign} sighting={signs[sign]} onAnswer={(sighting) => onAnswer(sign, sighting)} />
      ))}
      {shown.length < ordered.length ? (
        <Button style={styles.note} onPress={() => setAll(true)}>
          {`${counted(ordered.length - shown.length, 'more sign')}${region && !nothingHere && !searching ? ' of this part' : ''}`}
        </Button>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({ note: { marginTop: 8 } });
