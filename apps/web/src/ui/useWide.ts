import { useWindowDimensions } from 'react-native';

/** From this width up there is a rail at the left and panes stand side by side. */
export const WIDE = 900;

export function useWide(): boolean {
  return useWindowDimensions().width >= WIDE;
}
