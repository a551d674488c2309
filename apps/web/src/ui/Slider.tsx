/** The browser's own slider: finger, mouse, arrow keys and screen reader come with it. */
import { createElement, type ChangeEvent } from 'react';
import { useTheme } from './useTheme';

interface SliderProps {
  /** What it moves, for the screen reader. */
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** The value in words, read out instead of the bare number. */
  readonly words?: string;
  readonly disabled?: boolean;
  readonly onChange: (value: number) => void;
}

export function Slider({ label, value, min, max, step, words, disabled = false, onChange }: SliderProps) {
  const theme = useTheme();
  return createElement('input', {
    type: 'range',
    min,
    max,
    step,
    value,
    disabled,
    'aria-label': label,
    'aria-valuetext': words,
    onChange: (event: ChangeEvent<HTMLInputElement>) => onChange(Number(event.target.value)),
    style: { width: '100%', height: 44, margin: 0, accentColor: theme.colors.primary },
  });
}
