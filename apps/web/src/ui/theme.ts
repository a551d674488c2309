// Colours, type and spacing by day and by night.
import { configureFonts, MD3DarkTheme, MD3LightTheme, type MD3Theme } from 'react-native-paper';

export const FONT = 'Atkinson';
export const FONT_BOLD = 'Atkinson Bold';

const type = configureFonts({ config: { fontFamily: FONT, fontWeight: '400', letterSpacing: 0 } });
const bold = { fontFamily: FONT_BOLD, fontWeight: '400' as const };

/** How much larger, or smaller, than usual somebody has set the text of their browser. */
function textScale(): number {
  const root = globalThis.document?.documentElement;
  const px = root ? parseFloat(globalThis.getComputedStyle(root).fontSize) : 16;
  return px > 0 ? Math.min(2, Math.max(0.8, px / 16)) : 1;
}
const SCALE = textScale();

/** A size of text, px, as somebody has set it: for what is not of the theme. Large figures are large already. */
export const textSize = (px: number): number => px * SCALE;

const sizes: MD3Theme['fonts'] = {
  ...type,
  displayLarge: { ...type.displayLarge, ...bold, fontSize: 64, lineHeight: 68 },
  displayMedium: { ...type.displayMedium, ...bold, fontSize: 48, lineHeight: 52 },
  headlineMedium: { ...type.headlineMedium, ...bold, fontSize: 26, lineHeight: 32 },
  titleLarge: { ...type.titleLarge, ...bold, fontSize: 21, lineHeight: 27 },
  titleMedium: { ...type.titleMedium, ...bold, fontSize: 17, lineHeight: 23 },
  titleSmall: { ...type.titleSmall, ...bold, fontSize: 15, lineHeight: 20 },
  bodyLarge: { ...type.bodyLarge, fontSize: 17, lineHeight: 24 },
  bodyMedium: { ...type.bodyMedium, fontSize: 16, lineHeight: 22 },
  bodySmall: { ...type.bodySmall, fontSize: 14, lineHeight: 19 },
  labelLarge: { ...type.labelLarge, ...bold, fontSize: 16, lineHeight: 22 },
  labelMedium: { ...type.labelMedium, ...bold, fontSize: 14, lineHeight: 18 },
  labelSmall: { ...type.labelSmall, fontSize: 13, lineHeight: 17 },
};

const fonts = Object.fromEntries(
  Object.entries(sizes).map(([name, font]) => [
    name,
    'fontSize' in font ? { ...font, fontSize: textSize(font.fontSize), lineHeight: textSize(font.lineHeight) } : font,
  ]),
) as MD3Theme['fonts'];

/** Colours of our own beside Paper's. */
export interface OwnColours {
  readonly sand: string;
  readonly kelp: string;
  readonly line: string;
  readonly water: string;
  readonly waterDeep: string;
  readonly skin: string;
  readonly skinFar: string;
  /** Effort is depth: from shallow to deep. */
  readonly shallow: readonly [number, number, number];
  readonly deep: readonly [number, number, number];
}

export type Theme = MD3Theme & { readonly own: OwnColours };

export const DAY: Theme = {
  ...MD3LightTheme,
  roundness: 2,
  fonts,
  colors: {
    ...MD3LightTheme.colors,
    primary: '#0B5D57',
    onPrimary: '#FFFFFF',
    primaryContainer: '#CFE3DD',
    onPrimaryContainer: '#0F2A2E',
    secondary: '#4E5B2A',
    onSecondary: '#FFFFFF',
    secondaryContainer: '#E7DEC8',
    onSecondaryContainer: '#0F2A2E',
    tertiary: '#6B5A2E',
    onTertiary: '#FFFFFF',
    tertiaryContainer: '#F3EBD9',
    onTertiaryContainer: '#0F2A2E',
    error: '#B3361C',
    onError: '#FFFFFF',
    errorContainer: '#FBE3DC',
    onErrorContainer: '#5E1706',
    background: '#FBF8F1',
    onBackground: '#0F2A2E',
    surface: '#FFFFFF',
    onSurface: '#0F2A2E',
    surfaceVariant: '#F3EBD9',
    onSurfaceVariant: '#3F5559',
    surfaceDisabled: '#E7DEC8',
    onSurfaceDisabled: '#6A7678',
    outline: '#5C7074',
    outlineVariant: '#E0D6BE',
    inverseSurface: '#0F2A2E',
    inverseOnSurface: '#FBF8F1',
    inversePrimary: '#8FD0C4',
    backdrop: 'rgba(15, 42, 46, 0.5)',
    elevation: {
      level0: 'transparent',
      level1: '#FFFFFF',
      level2: '#FFFFFF',
      level3: '#FFFFFF',
      level4: '#FFFFFF',
      level5: '#FFFFFF',
    },
  },
  own: {
    sand: '#F3EBD9',
    kelp: '#66763A',
    line: '#E0D6BE',
    water: '#CFE0D8',
    waterDeep: '#9DBDB2',
    skin: '#0F2A2E',
    skinFar: '#6F898A',
    shallow: [214, 226, 214],
    deep: [14, 62, 62],
  },
};

/** By day in full sun: black on white, for a screen that mirrors the sky. */
export const SUN: Theme = {
  ...DAY,
  colors: {
    ...DAY.colors,
    primary: '#00433E',
    error: '#8A1F08',
    background: '#FFFFFF',
    onBackground: '#000000',
    onSurface: '#000000',
    onSurfaceVariant: '#1C2B2D',
    outline: '#2E4043',
  },
  own: { ...DAY.own, line: '#5C7074' },
};

export const NIGHT: Theme = {
  ...MD3DarkTheme,
  roundness: 2,
  fonts,
  colors: {
    ...MD3DarkTheme.colors,
    primary: '#7CCBBD',
    onPrimary: '#06231F',
    primaryContainer: '#1D4A47',
    onPrimaryContainer: '#E8F3EE',
    secondary: '#B9C48E',
    onSecondary: '#1E2409',
    secondaryContainer: '#2C4143',
    onSecondaryContainer: '#F3EBD9',
    tertiary: '#D8C58F',
    onTertiary: '#2A220A',
    tertiaryContainer: '#22373A',
    onTertiaryContainer: '#F3EBD9',
    error: '#FF9A80',
    onError: '#4A1003',
    errorContainer: '#5E2315',
    onErrorContainer: '#FFE2D9',
    background: '#0D1D20',
    onBackground: '#F3EBD9',
    surface: '#15292C',
    onSurface: '#F3EBD9',
    surfaceVariant: '#1D3337',
    onSurfaceVariant: '#B7C6C4',
    surfaceDisabled: '#22373A',
    onSurfaceDisabled: '#8FA19F',
    outline: '#86A09E',
    outlineVariant: '#2C4447',
    inverseSurface: '#F3EBD9',
    inverseOnSurface: '#0D1D20',
    inversePrimary: '#0B5D57',
    backdrop: 'rgba(0, 0, 0, 0.6)',
    elevation: {
      level0: 'transparent',
      level1: '#15292C',
      level2: '#182E31',
      level3: '#1B3336',
      level4: '#1D363A',
      level5: '#203A3E',
    },
  },
  own: {
    sand: '#1D3337',
    kelp: '#A9B873',
    line: '#2C4447',
    water: '#1B4145',
    waterDeep: '#0F2C30',
    skin: '#F1E4CB',
    skinFar: '#8FA19A',
    shallow: [42, 66, 68],
    deep: [150, 214, 202],
  },
};
