/** The figure of a card as large as the card: the pose that its words describe, standing still. */
import type { CardPicture } from '@upwell/core/figure';
import { StyleSheet, View } from 'react-native';
import { useTheme } from '@/ui/useTheme';
import { Drawing, frameOf } from './Drawing';

export function FigureCard({ picture, label }: { readonly picture: CardPicture; readonly label: string }) {
  const theme = useTheme();
  const { stroke, view, posed, phase, region, land } = picture;
  const { width, height } = frameOf(stroke, view);
  return (
    <View
      role="img"
      aria-label={label}
      style={[styles.box, { aspectRatio: width / height, backgroundColor: theme.colors.background }]}
    >
      <Drawing {...{ stroke, view, posed, phase }} chosen={region} ghost={false} {...(land ? { land } : {})} />
    </View>
  );
}

const styles = StyleSheet.create({
  box: { width: '100%', maxWidth: 420, borderRadius: 6, overflow: 'hidden' },
});
