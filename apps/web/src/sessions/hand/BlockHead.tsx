/** The head of a block: its name, how far and how long it is; opens its tray, and what can be changed of it. */
import {
  BLOCK_NAME,
  blockLengths,
  blockWord,
  distanceWord,
  editBlock,
  LONGEST_BLOCK_NAME,
  moveBlock,
  removeBlock,
  type Block,
  type Item,
} from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { taken, typedWhole } from '../typed';
import type { EditorProps } from './props';
import { Tray } from './Tray';

interface BlockHeadProps extends EditorProps {
  readonly block: Block;
  readonly seconds: number;
  readonly filling: boolean;
  readonly onFill: () => void;
  readonly onAdd: (items: readonly Item[]) => void;
}

/** Signs that mean something else in the text of a session. */
const NOT_IN_A_NAME = /["“”=/\r\n]/g;

export function BlockHead({ block, seconds, plan, group, filling, onFill, onAdd, onChange }: BlockHeadProps) {
  const theme = useTheme();
  const [changing, setChanging] = useState(false);
  const lengths = blockLengths(block);
  const name = blockWord(block);
  const land = block.kind === 'land';
  const minutes = block.landMinutes;
  const setMinutes = (landMinutes: number) => onChange(editBlock(plan, block.id, { landMinutes }));
  const at = group.blocks.indexOf(block);
  return (
    <View style={styles.block} role="group" aria-label={name}>
      <View style={[styles.head, { borderBottomColor: theme.own.line }]}>
        <Text variant="titleSmall" role="heading" aria-level={3} style={styles.flex}>
          {name}
        </Text>
        <Text variant="labelMedium" style={styles.figures}>
          {`${lengths > 0 && plan.place === 'pool' ? `${distanceWord(plan.pool, lengths)} · ` : ''}${formatTime(seconds)}`}
        </Text>
        <IconButton
          icon="pencil"
          size={18}
          style={styles.button}
          accessibilityLabel={`Change the block ${name}`}
          aria-pressed={changing}
          onPress={() => setChanging(!changing)}
        />
        {land ? null : (
          <IconButton
            icon={filling ? 'chevron-up' : 'plus'}
            size={20}
            style={styles.button}
            accessibilityLabel={filling ? `Close the tray of ${name}` : `Add a set to ${name}`}
            onPress={onFill}
          />
        )}
      </View>
      {block.note && !changing ? <Text variant="bodySmall">{block.note}</Text> : null}
      {changing ? (
        <View style={styles.change}>
          <Input
            dense
            label="Name of the block"
            placeholder={BLOCK_NAME[block.kind]}
            value={block.name ?? ''}
            maxLength={LONGEST_BLOCK_NAME}
            onChangeText={(text) => onChange(editBlock(plan, block.id, { name: text.replace(NOT_IN_A_NAME, '') }))}
          />
          <Input
            dense
            label="Note of the block"
            value={block.note}
            maxLength={400}
            onChangeText={(note) => onChange(editBlock(plan, block.id, { note }))}
          />
          <View style={styles.row}>
            <Button
              compact
              icon="arrow-up"
              disabled={at === 0}
              accessibilityLabel={`Move ${name} up`}
              onPress={() => onChange(moveBlock(plan, block.id, -1))}
            >
              Up
            </Button>
            <Button
              compact
              icon="chevron-down"
              disabled={at === group.blocks.length - 1}
              accessibilityLabel={`Move ${name} down`}
              onPress={() => onChange(moveBlock(plan, block.id, 1))}
            >
              Down
            </Button>
            <Button
              compact
              icon="trash-can-outline"
              accessibilityLabel={`Remove the block ${name}`}
              onPress={() => onChange(removeBlock(plan, block.id))}
            >
              Remove the block
            </Button>
          </View>
        </View>
      ) : null}
      {land ? (
        <Stepper
          label="minutes on land"
          value={String(minutes)}
          onLess={minutes > 1 ? () => setMinutes(minutes - 1) : null}
          onMore={minutes < 30 ? () => setMinutes(minutes + 1) : null}
          onType={(text) => taken(typedWhole(text, 1, 60), setMinutes)}
        />
      ) : null}
      {filling ? <Tray block={block} plan={plan} group={group} onAdd={onAdd} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  block: { paddingTop: 12, flex: 1, gap: 4, paddingBottom: 4 },
  head: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 2, minHeight: 44 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
  button: { margin: 0, width: 48, height: 44 },
  change: { gap: 6, paddingVertical: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
