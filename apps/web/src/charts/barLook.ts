import { numberWord } from '@upwell/core/words';
import { FONT } from '@/ui/theme';
import type { Theme } from '@/ui/theme';

/** Room for the numbers at the left, px. */
export const BAR_LABELS = 48;

/** Axes and words that all bars share. */
export function barLook(theme: Theme, fontSize: number) {
  const label = { color: theme.colors.onSurfaceVariant, fontFamily: FONT, fontSize };
  return {
    initialSpacing: 4,
    endSpacing: 0,
    noOfSections: 2,
    disableScroll: true,
    formatYLabel: (value: string) => numberWord(Number(value)),
    yAxisTextStyle: label,
    xAxisLabelTextStyle: label,
    yAxisLabelWidth: BAR_LABELS,
    yAxisColor: theme.own.line,
    xAxisColor: theme.own.line,
    rulesColor: theme.own.line,
  };
}
