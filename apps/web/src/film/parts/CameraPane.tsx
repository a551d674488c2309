/** What the camera sees, or why it sees nothing. */
import { createElement, useCallback, type CSSProperties, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from '@/ui/useTheme';

const WHOLE: CSSProperties = { width: '100%', height: '100%', objectFit: 'contain', display: 'block' };

interface CameraPaneProps {
  readonly stream: MediaStream | null;
  readonly label: string;
  /** Lies over the picture. */
  readonly children?: ReactNode;
}

export function CameraPane({ stream, label, children }: CameraPaneProps) {
  const theme = useTheme();
  const attach = useCallback(
    (video: HTMLVideoElement | null) => {
      if (video) video.srcObject = stream;
    },
    [stream],
  );
  return (
    <View style={[styles.frame, { backgroundColor: theme.own.waterDeep }]}>
      {stream
        ? createElement('video', {
            ref: attach,
            autoPlay: true,
            muted: true,
            playsInline: true,
            'aria-label': label,
            style: WHOLE,
          })
        : null}
      <View style={[StyleSheet.absoluteFill, styles.over]}>{children}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  frame: { width: '100%', aspectRatio: 16 / 9, borderRadius: 6, overflow: 'hidden' },
  over: { justifyContent: 'space-between', padding: 8 },
});
