// A size in metres, with a slider.
import { Stepper } from '@/ui/Stepper';

export function Size({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}) {
  const step = value >= 100 ? 20 : value >= 20 ? 5 : 1;
  return (
    <Stepper
      label={label}
      value={String(value)}
      onLess={value > step ? () => onChange(value - step) : null}
      onMore={value < 4000 ? () => onChange(value + step) : null}
    />
  );
}
