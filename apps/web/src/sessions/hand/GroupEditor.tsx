/** One level by hand: blocks and sets to add, to open, to choose several of, to move; totals follow at once. */
import {
  addBlock,
  addItem,
  BLOCK_KINDS,
  BLOCK_NAME,
  blockWord,
  chosenItems,
  describeSet,
  duplicateItems,
  groupClock,
  MOST_BLOCKS,
  newBlock,
  pauseWord,
  removeItems,
  type Item,
  type SessionPlan,
} from '@upwell/core/sessions';
import { sentenceCase } from '@upwell/core/text';
import { counted, timesWord } from '@upwell/core/words';
import { useState, type KeyboardEvent } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useWide } from '@/ui/useWide';
import { Reorder, ReorderRow } from '../parts/Reorder';
import { BlockHead } from './BlockHead';
import type { EditorProps } from './props';
import { ChosenBar } from './ChosenBar';
import { dropped, rowsOf, type SheetRow } from './rows';
import { PauseLine, RoundsLine, SetLine } from './SetLine';
import { Tick } from './Tick';

export function GroupEditor({ plan, group, onChange }: EditorProps) {
  const wide = useWide();
  const [open, setOpen] = useState<string | null>(null);
  /** The block whose tray is open. */
  const [filling, setFilling] = useState<string | null>(null);
  /** What is chosen; null while nothing is to be chosen. */
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const rows = rowsOf(group);
  const clock = groupClock(group, plan.pool);
  const secondsOf = (id: string) => {
    const found = clock.blocks.find((b) => b.block.id === id);
    return found ? found.endS - found.startS : 0;
  };
  const nameOf = (id: string) => {
    const row = rows.find((r) => r.id === id);
    return row ? labelOf(row, plan) : '';
  };
  const choose = (id: string) => setChosen((now) => toggled(now ?? new Set(), id));
  const add = (blockId: string, items: readonly Item[]) => {
    const from = group.blocks.find(({ id }) => id === blockId)?.items.length ?? 0;
    onChange(items.reduce((now, item, i) => addItem(now, item, { holderId: blockId, index: from + i }), plan));
  };
  const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
    const id = rowOfKey(event);
    const row = rows.find((r) => r.id === id);
    if (!id || !row) return;
    const block = group.blocks[rows.slice(0, rows.indexOf(row) + 1).filter((r) => r.kind === 'block').length - 1];
    if (event.key === 'a' && block && block.kind !== 'land') setFilling(filling === block.id ? null : block.id);
    else if (row.kind === 'block') return;
    else if (event.key === 'x') choose(id);
    else if (event.key === 'd') onChange(duplicateItems(plan, new Set([id]), v7));
    else if (event.key === 'Delete') {
      focusBeside(event.currentTarget, id);
      onChange(removeItems(plan, new Set([id])));
    } else return;
    event.preventDefault();
  };
  return (
    <View>
      <View style={styles.row}>
        <Button
          compact
          icon="check"
          mode={chosen ? 'contained-tonal' : 'text'}
          onPress={() => setChosen(chosen ? null : new Set())}
        >
          {chosen ? 'Done choosing' : 'Choose several'}
        </Button>
        {wide ? (
          <Text variant="bodySmall" style={styles.keys}>
            Keys on a set: X chooses, D repeats, A adds, Delete removes.
          </Text>
        ) : null}
      </View>
      {chosen ? (
        <ChosenBar
          plan={plan}
          group={group}
          chosen={new Set(chosenItems(plan, chosen).map(({ id }) => id))}
          onChange={onChange}
          onDone={() => setChosen(null)}
        />
      ) : null}
      <div onKeyDown={onKey}>
        <Reorder
          ids={rows.map((row) => row.id)}
          nameOf={nameOf}
          onDrop={(id, over, after) => onChange(dropped(plan, group, id, over, after))}
        >
          {rows.map((row) => (
            <ReorderRow key={row.id} id={row.id} label={labelOf(row, plan)} fixed={row.kind === 'block'}>
              {row.kind === 'block' ? (
                <BlockHead
                  block={row.block}
                  seconds={secondsOf(row.id)}
                  plan={plan}
                  group={group}
                  filling={filling === row.id}
                  onFill={() => setFilling(filling === row.id ? null : row.id)}
                  onAdd={(items) => add(row.id, items)}
                  onChange={onChange}
                />
              ) : (
                <View style={[styles.item, { marginLeft: row.depth * 14 }]}>
                  {chosen ? (
                    <Tick label={labelOf(row, plan)} on={chosen.has(row.id)} onPress={() => choose(row.id)} />
                  ) : null}
                  <View style={styles.flex}>
                    {row.kind === 'rounds' ? (
                      <RoundsLine rounds={row.rounds} plan={plan} onChange={onChange} />
                    ) : row.kind === 'pause' ? (
                      <PauseLine pause={row.pause} plan={plan} onChange={onChange} />
                    ) : (
                      <SetLine
                        row={row}
                        plan={plan}
                        group={group}
                        open={open === row.id}
                        onOpen={() => setOpen(open === row.id ? null : row.id)}
                        onChange={onChange}
                      />
                    )}
                  </View>
                </View>
              )}
            </ReorderRow>
          ))}
        </Reorder>
      </div>
      {group.blocks.length < MOST_BLOCKS ? (
        <View role="group" aria-label="Add a block" style={[styles.row, styles.more]}>
          <Text variant="labelMedium">Add a block</Text>
          {BLOCK_KINDS.map((kind) => (
            <Button
              key={kind}
              compact
              mode="outlined"
              accessibilityLabel={`Add a block: ${BLOCK_NAME[kind]}`}
              onPress={() => {
                const block = newBlock(v7(), kind);
                onChange(addBlock(plan, group.id, block));
                setFilling(kind === 'land' ? null : block.id);
              }}
            >
              {BLOCK_NAME[kind]}
            </Button>
          ))}
        </View>
      ) : (
        <Text variant="bodySmall">{`A level has at most ${counted(MOST_BLOCKS, 'block')}.`}</Text>
      )}
    </View>
  );
}

function labelOf(row: SheetRow, plan: SessionPlan): string {
  if (row.kind === 'block') return blockWord(row.block);
  if (row.kind === 'pause') return sentenceCase(pauseWord(row.pause));
  return row.kind === 'rounds'
    ? `${timesWord(row.rounds.rounds)} through`
    : describeSet(row.set, plan.pool, plan.place);
}

function toggled(now: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(now);
  if (!next.delete(id)) next.add(id);
  return next;
}

/** The row that a key was pressed on; none while something is typed, or with a key held that means something else. */
function rowOfKey({ target, ctrlKey, metaKey, altKey }: KeyboardEvent<HTMLDivElement>): string | null {
  if (ctrlKey || metaKey || altKey || !(target instanceof HTMLElement) || target.matches('input, textarea'))
    return null;
  return target.closest('[data-row]')?.getAttribute('data-row') ?? null;
}

/** Keeps the keyboard in the list when a row goes: on the one behind it, or before it at the end. */
function focusBeside(list: HTMLElement, id: string): void {
  const rows = [...list.querySelectorAll('[data-row]')];
  const at = rows.findIndex((row) => row.getAttribute('data-row') === id);
  const beside = (rows[at + 1] ?? rows[at - 1])?.querySelector<HTMLElement>('button, [role="button"]');
  beside?.focus();
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  keys: { flexShrink: 1 },
  item: { flex: 1, flexDirection: 'row' },
  flex: { flex: 1, minWidth: 0 },
  more: { marginTop: 16 },
});
