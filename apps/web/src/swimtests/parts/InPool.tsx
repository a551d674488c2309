import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { PoolChoice } from './PoolChoice';
import type { CaptureProps } from './captureProps';

/** A test whose numbers hang on the length of the pool: nothing is taken before that is known. */
export function InPool({ poolM, onPool, of }: CaptureProps & { readonly of: (poolM: number) => ReactNode }) {
  return (
    <View style={styles.gap}>
      <PoolChoice poolM={poolM} onPool={onPool} />
      {poolM === null ? null : of(poolM)}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
});
