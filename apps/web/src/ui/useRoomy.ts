import { useWindowDimensions } from 'react-native';

/** From this width up a list stands beside what was opened from it. */
const ROOMY = 1180;

export function useRoomy(): boolean {
  return useWindowDimensions().width >= ROOMY;
}
