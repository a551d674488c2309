/** A calendar day, typed or picked; the calendar is a part of its own, so that no first screen brings it along. */
import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import type { DayPickerProps } from './DayPicker';

const DayPicker = lazy(() => import('./DayPicker').then((part) => ({ default: part.DayPicker })));

export function DayInput(props: DayPickerProps) {
  return (
    <Suspense fallback={<View style={[props.style, styles.room]} />}>
      <DayPicker {...props} />
    </Suspense>
  );
}

const styles = StyleSheet.create({ room: { minHeight: 62 } });
