import { useEffect, useState } from 'react';
import { AccessibilityInfo } from 'react-native';

/** Whether the system asks for less motion: then nothing moves by itself. */
export function useReducedMotion(): boolean {
  const [reduced, setReduced] = useState(false);
  useEffect(() => {
    void AccessibilityInfo.isReduceMotionEnabled().then(setReduced);
    const listening = AccessibilityInfo.addEventListener('reduceMotionChanged', setReduced);
    return () => listening?.remove();
  }, []);
  return reduced;
}
