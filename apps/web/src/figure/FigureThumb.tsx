/** A small still figure beside a name: drawn once it comes into sight, since a list has a hundred of them. */
import type { CardPicture } from '@upwell/core/figure';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from '@/ui/useTheme';
import { Drawing } from './Drawing';

export function FigureThumb({ picture }: { readonly picture: CardPicture | null }) {
  const theme = useTheme();
  const box = useRef<View>(null);
  const [near, setNear] = useState(typeof IntersectionObserver === 'undefined');
  useEffect(() => {
    const element = box.current as unknown as Element | null;
    if (near || !element) return;
    const watch = new IntersectionObserver(([seen]) => {
      if (seen?.isIntersecting) setNear(true);
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [near]);
  return (
    <View ref={box} aria-hidden style={[styles.box, { backgroundColor: theme.colors.background }]}>
      {near && picture ? (
        <Drawing
          stroke={picture.stroke}
          view={picture.view}
          posed={picture.posed}
          phase={picture.phase}
          chosen={picture.region}
          ghost={false}
          {...(picture.land ? { land: picture.land } : {})}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { width: 92, height: 46, borderRadius: 4, overflow: 'hidden', marginVertical: 4 },
});
