import { useRef, type ReactNode } from 'react';
import { StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';

/** A finger that moves further than this scrolls, pixels. */
const SCROLL_PX = 14;

interface TapProps {
  /** What a screen reader says; must hold the words that are shown. Without it those are said. */
  readonly label?: string;
  /** Gets the page's own stamp of the moment of the touch, milliseconds. */
  readonly onTap: (monoMs: number) => void;
  readonly disabled?: boolean;
  readonly style?: StyleProp<ViewStyle>;
  readonly children: ReactNode;
  readonly testID?: string;
}

/** What React Native calls a pointer event carries the browser's own. */
interface Pointed {
  readonly nativeEvent: { readonly timeStamp: number; readonly clientX: number; readonly clientY: number };
}

/**
 * A button whose moment is that of the finger touching it, not of the finger leaving or of this code
 * getting its turn. A touch that becomes a scroll is none.
 */
export function Tap({ label, onTap, disabled = false, style, children, testID }: TapProps) {
  const down = useRef<{ at: number; x: number; y: number } | null>(null);
  // Events of the browser: React Native's types do not know their stamps.
  const handlers: object = {
    onPointerDown: ({ nativeEvent: e }: Pointed) => {
      down.current = disabled ? null : { at: e.timeStamp, x: e.clientX, y: e.clientY };
    },
    onPointerCancel: () => {
      down.current = null;
    },
    onPointerUp: ({ nativeEvent: e }: Pointed) => {
      const from = down.current;
      down.current = null;
      if (!from || Math.hypot(e.clientX - from.x, e.clientY - from.y) > SCROLL_PX) return;
      onTap(from.at);
    },
    onKeyDown: (e: { nativeEvent: KeyboardEvent; preventDefault: () => void }) => {
      const { key, repeat, timeStamp } = e.nativeEvent;
      if (disabled || repeat || (key !== 'Enter' && key !== ' ')) return;
      e.preventDefault();
      onTap(timeStamp);
    },
    // A screen reader clicks without a finger to date it by.
    onClick: (e: { nativeEvent: MouseEvent }) => {
      if (!disabled && e.nativeEvent.detail === 0) onTap(e.nativeEvent.timeStamp);
    },
  };
  return (
    <View
      role="button"
      tabIndex={disabled ? -1 : 0}
      {...(label ? { 'aria-label': label } : {})}
      aria-disabled={disabled}
      testID={testID}
      style={[styles.tap, style]}
      {...handlers}
    >
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  tap: { cursor: 'pointer', userSelect: 'none', touchAction: 'manipulation' } as object,
});
