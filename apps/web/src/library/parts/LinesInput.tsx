/** Sentences, one on each line. */
import { View } from 'react-native';
import { FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';

interface Props {
  readonly label: string;
  readonly lines: readonly string[];
  readonly onChange: (lines: readonly string[]) => void;
  readonly error?: string | undefined;
}

/** Sentences, one on each line: quicker to write and to move than a field for each. */
export function LinesInput({ label, lines, onChange, error }: Props) {
  return (
    <View>
      <Input
        label={label}
        multiline
        numberOfLines={Math.max(2, lines.length + 1)}
        value={lines.join('\n')}
        onChangeText={(text) => onChange(text.split('\n'))}
        error={error !== undefined}
      />
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

/** What is said in the lines, without the empty ones. */
export const said = (lines: readonly string[]): string[] => lines.map((text) => text.trim()).filter(Boolean);
