/** The session as a coach would write it on a whiteboard, with what is wrong told at its line. */
import type { ReadSession, TextProblem } from '@upwell/core/notation';
import { counted } from '@upwell/core/words';
import { useRef } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { textSize } from '@/ui/theme';

interface TextPaneProps {
  readonly text: string;
  readonly read: ReadSession | null;
  readonly reading: boolean;
  readonly onText: (text: string) => void;
}

export function TextPane({ text, read, reading, onText }: TextPaneProps) {
  const theme = useTheme();
  const area = useRef<TextInput>(null);
  const problems = read?.problems ?? [];
  const errors = problems.filter((p) => p.severity === 'error').length;
  const goTo = (problem: TextProblem) => {
    const at = offsetOf(text, problem);
    const field = area.current as unknown as HTMLTextAreaElement | null;
    field?.focus();
    field?.setSelectionRange?.(at, at + problem.length);
  };
  const fix = (problem: TextProblem) => {
    const at = offsetOf(text, problem);
    onText(text.slice(0, at) + problem.instead! + text.slice(at + problem.length));
  };
  const totals = read?.blocks.filter((block) => block.stated !== null) ?? [];
  return (
    <View style={styles.pane}>
      <TextInput
        ref={area}
        multiline
        value={text}
        onChangeText={onText}
        aria-label="The session as text"
        spellCheck={false}
        autoCorrect={false}
        autoCapitalize="none"
        style={[
          styles.area,
          {
            color: theme.colors.onSurface,
            backgroundColor: theme.colors.surface,
            borderColor: errors > 0 ? theme.colors.error : theme.colors.outline,
            height: Math.max(260, (text.split('\n').length + 2) * LINE),
          },
        ]}
      />
      <Text variant="labelMedium" aria-live="polite">
        {reading ? 'Reading…' : verdict(problems, totals.length)}
      </Text>
      <View role="list">
        {problems.map((problem, i) => (
          <View key={i} role="listitem" style={[styles.problem, { borderTopColor: theme.own.line }]}>
            <Button compact onPress={() => goTo(problem)} accessibilityLabel={`Go to line ${problem.line}`}>
              {`${problem.line}:${problem.column}`}
            </Button>
            <Text
              variant="bodySmall"
              style={[styles.flex, problem.severity === 'error' ? { color: theme.colors.error } : null]}
            >
              {problem.message}
            </Text>
            {problem.instead ? (
              <Button compact mode="outlined" onPress={() => fix(problem)}>
                {`Write “${problem.instead}”`}
              </Button>
            ) : null}
          </View>
        ))}
      </View>
    </View>
  );
}

/** Height of a line of the text, px. */
const LINE = textSize(22);

function verdict(problems: readonly TextProblem[], totals: number): string {
  const errors = problems.filter((p) => p.severity === 'error').length;
  const warnings = problems.length - errors;
  if (errors > 0) return `${counted(errors, 'thing')} to fix. The plan stays as it was until then.`;
  if (warnings > 0) return `${counted(warnings, 'total does', 'totals do')} not add up.`;
  return totals > 0 ? 'Everything was read, and the stated totals add up.' : 'Everything was read.';
}

/** Where a problem begins in the text. */
function offsetOf(text: string, { line, column }: TextProblem): number {
  const before = text.split('\n').slice(0, line - 1);
  return before.reduce((sum, l) => sum + l.length + 1, 0) + column - 1;
}

const styles = StyleSheet.create({
  pane: { gap: 8 },
  area: {
    borderWidth: 1,
    borderRadius: 6,
    padding: 12,
    fontFamily: 'Atkinson',
    fontSize: textSize(16),
    lineHeight: LINE,
    textAlignVertical: 'top',
  },
  problem: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 6, borderTopWidth: 1, minHeight: 44 },
  flex: { flex: 1, minWidth: 160 },
});
