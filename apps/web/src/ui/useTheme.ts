import { useTheme as usePaperTheme } from 'react-native-paper';
import type { Theme } from './theme';

/** The theme with our own colours. */
export const useTheme = (): Theme => usePaperTheme<Theme>();
