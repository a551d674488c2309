/** The session as a coach would write it on a whiteboard, with what is wrong told at its line. */
import type { ReadSession, TextProblem } from '@upwell/core/notation';
import { counted } from '@upwell/core/words';
import { useRef, useState } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Disclosure } from '@/ui/Disclosure';
import { useTheme } from '@/ui/useTheme';
import { textSize } from '@/ui/theme';
import { NOTATION_HELP } from '../notationHelp';

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
  const put = (line: string) => {
    const field = area.current as unknown as HTMLTextAreaElement | null;
    onText(withLine(text, line, field?.selectionEnd ?? text.length));
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
      {reading || !read ? null : <AsRead text={text} read={read} />}
      <Help put={put} />
    </View>
  );
}

/** How lines were understood that were written in other words. */
function AsRead({ text, read }: { readonly text: string; readonly read: ReadSession }) {
  const { own } = useTheme();
  const rows = otherWords(text, read);
  if (rows.length === 0) return null;
  return (
    <View role="list" aria-label="How it was read">
      <Text variant="labelMedium">How it was read</Text>
      {rows.map(({ line, said }) => (
        <View key={line} role="listitem" style={[styles.asRead, { borderTopColor: own.line }]}>
          <Text variant="bodySmall" style={styles.lineNumber}>
            {line}
          </Text>
          <Text variant="bodySmall" style={styles.flex}>
            {said.join(' · ').replaceAll('( · ', '(')}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** Ways to write a session, each of which can be tapped into the text. */
function Help({ put }: { readonly put: (line: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <View>
      <Disclosure label="How to write it" open={open} onPress={() => setOpen(!open)} />
      {open
        ? NOTATION_HELP.map(({ title, says, lines }) => (
            <View key={title} style={styles.help}>
              <Text variant="titleSmall">{title}</Text>
              <Text variant="bodySmall">{says}</Text>
              <View style={styles.examples}>
                {lines.map((line) => (
                  <Button
                    key={line}
                    compact
                    mode="outlined"
                    onPress={() => put(line)}
                    accessibilityLabel={`Add the line ${line}`}
                  >
                    {line}
                  </Button>
                ))}
              </View>
            </View>
          ))
        : null}
    </View>
  );
}

/** A line put behind the one in which the cursor stands. */
function withLine(text: string, line: string, cursor: number): string {
  const end = text.indexOf('\n', cursor);
  const at = end < 0 ? text.length : end;
  const before = text.slice(0, at);
  return `${before}${before === '' || before.endsWith('\n') ? '' : '\n'}${line}${text.slice(at)}`;
}

/** Lines that were understood in other words than they have, each with those of the notation. */
function otherWords(
  text: string,
  { asRead, problems }: ReadSession,
): { readonly line: number; readonly said: string[] }[] {
  const typed = text.split('\n');
  const lines = new Map<number, string[]>();
  // What is wrong on a line is said already.
  const wrong = new Set(problems.filter(({ severity }) => severity === 'error').map(({ line }) => line));
  for (const { line, text: said } of asRead) if (!wrong.has(line)) lines.set(line, [...(lines.get(line) ?? []), said]);
  const plain = (words: string) => words.replace(/\s+/g, ' ').trim().toLowerCase();
  return [...lines]
    .filter(([line, said]) => {
      const [words = ''] = (typed[line - 1] ?? '').split('//');
      const heading = said.length === 1 && plain(words).startsWith(plain(said[0]!));
      return !heading && plain(words) !== plain(said.join(', ').split('//')[0]!);
    })
    .map(([line, said]) => ({ line, said }));
}

/** Height of a line of the text, px. */
const LINE = textSize(22);

function verdict(problems: readonly TextProblem[], totals: number): string {
  const errors = problems.filter((p) => p.severity === 'error').length;
  const warnings = problems.length - errors;
  const wrong = problems.filter((p) => p.severity === 'warning' && p.instead === undefined).length;
  if (errors > 0) return `${counted(errors, 'thing')} to fix. The plan stays as it was until then.`;
  if (wrong > 0) return `${counted(wrong, 'total does', 'totals do')} not add up.`;
  if (warnings > 0) return `Everything was read; ${counted(warnings, 'thing')} to look at.`;
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
  asRead: { flexDirection: 'row', gap: 8, borderTopWidth: 1, paddingVertical: 4 },
  lineNumber: { width: 28, textAlign: 'right', fontVariant: ['tabular-nums'] },
  help: { gap: 4, marginBottom: 10 },
  examples: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  problem: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 6, borderTopWidth: 1, minHeight: 44 },
  flex: { flex: 1, minWidth: 160 },
});
