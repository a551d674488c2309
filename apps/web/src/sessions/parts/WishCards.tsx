// What the coach wants of a new session: theme, distance, and blocks that stay.
import type { SessionProposal } from '@upwell/contract/sessions';
import { CAUSE_IDS, causeCard, findCauses, STAGES } from '@upwell/core/review';
import {
  BLOCK_KINDS,
  BLOCK_NAME,
  type BlockKind,
  groupLengths,
  SESSION_KINDS,
  type SessionPlan,
} from '@upwell/core/sessions';
import { KIT, type KitId } from '@upwell/core/library';
import type { LevelId } from '@upwell/core/swimmers';
import { sentenceCase } from '@upwell/core/text';
import { poolDistance } from '@upwell/core/units';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import type { PartProps } from './wishProps';

const KIND_WORD = { aerobic: 'Steady', technique: 'Technique', speed: 'With speed' } as const;

/** What the session is for: what serves most swimmers first, every other theme behind it. */
export function ThemeCard({ wish, proposal, change }: PartProps & { readonly proposal: SessionProposal | undefined }) {
  const [all, setAll] = useState(false);
  const [search, setSearch] = useState('');
  const themes = proposal?.themes.slice(0, 5) ?? [];
  const theme = wish.theme ?? themes[0]?.cause ?? null;
  const shown = findCauses(search, CAUSE_IDS);
  return (
    <Card
      title="Theme"
      aside={<Disclosure label={all ? 'Fewer' : 'All themes'} open={all} onPress={() => setAll(!all)} />}
    >
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={styles.scroll}>
        {theme && !themes.some((t) => t.cause === theme) ? (
          <Toggle label={causeCard(theme).name} on onPress={() => undefined} />
        ) : null}
        {themes.map(({ cause, swimmers }) => (
          <Toggle
            key={cause}
            label={`${causeCard(cause).name} · ${swimmers} of ${proposal?.swimmers ?? 0}`}
            on={theme === cause}
            onPress={() => change({ theme: cause })}
          />
        ))}
      </ScrollView>
      {theme ? <Text variant="bodySmall">{causeCard(theme).costs}</Text> : null}
      {all ? (
        <View>
          <Input dense label="Find a theme" value={search} onChangeText={setSearch} style={styles.gap} />
          {shown.length === 0 ? (
            <Text variant="bodyMedium" style={styles.gap} aria-live="polite">
              {`Nothing here is called “${search.trim()}”. Try a fault, a skill, a drill, or a word like sight, kick or turns.`}
            </Text>
          ) : null}
          {STAGES.map((stage) => {
            const here = shown.filter((id) => causeCard(id).stage === stage);
            return here.length === 0 ? null : (
              <View key={stage} style={styles.gap}>
                <Text variant="labelMedium">{sentenceCase(stage)}</Text>
                <View style={styles.chips}>
                  {here.map((id) => (
                    <Toggle
                      key={id}
                      label={causeCard(id).name}
                      on={theme === id}
                      onPress={() => change({ theme: id })}
                    />
                  ))}
                </View>
              </View>
            );
          })}
        </View>
      ) : null}
      <Choice
        label="Kind"
        options={SESSION_KINDS.map((value) => ({ value, label: KIND_WORD[value] }))}
        chosen={[wish.kind]}
        onPress={(kind) => change({ kind })}
      />
    </Card>
  );
}

/** The distance a level should swim exactly; without it the builder takes what suits the level. */
export function Distances({ plan, wish, change }: PartProps & { readonly plan: SessionPlan | null }) {
  const [open, setOpen] = useState(false);
  if (!plan || wish.place === 'open-water') return null;
  const ask = (level: LevelId, lengths: number | undefined) => {
    const { [level]: _before, ...others } = wish.lengths;
    change({ lengths: lengths === undefined ? others : { ...others, [level]: lengths } });
  };
  return (
    <View>
      <Disclosure label="Set a distance" open={open} onPress={() => setOpen(!open)} />
      {open
        ? plan.groups.map((group) => {
            const asked = wish.lengths[group.level];
            const now = asked ?? groupLengths(group);
            return (
              <View key={group.id} style={styles.chips}>
                <Stepper
                  label={`${plan.pool.unit}, ${group.name}`}
                  value={asked === undefined ? 'free' : String(poolDistance(plan.pool, asked))}
                  onLess={now > 4 ? () => ask(group.level, now - 2) : null}
                  onMore={() => ask(group.level, now + 2)}
                />
                {asked === undefined ? null : (
                  <Button compact onPress={() => ask(group.level, undefined)}>
                    No set distance
                  </Button>
                )}
              </View>
            );
          })
        : null}
    </View>
  );
}

/** What lies at the pool tonight: it begins with what the club owns; nothing at all is one tap. */
export function KitTonight({ wish, proposal, change }: PartProps & { readonly proposal: SessionProposal | undefined }) {
  const owned = proposal?.kit ?? [];
  const now = wish.kit ?? owned;
  // In a pool only what is swum with; outside all that the club owns.
  const others = wish.place === 'open-water' ? owned.filter((item) => !SWUM_WITH.includes(item)) : [];
  return (
    <Choice
      label="Kit tonight"
      options={[
        { value: NO_KIT, label: 'No kit' },
        ...[...SWUM_WITH, ...others].map((value) => ({ value, label: sentenceCase(KIT[value]) })),
      ]}
      chosen={now.length === 0 ? [NO_KIT] : now}
      onPress={(value) => {
        if (value === NO_KIT) return change({ kit: now.length === 0 ? null : [] });
        const item = value as KitId;
        change({ kit: now.includes(item) ? now.filter((k) => k !== item) : [...now, item] });
      }}
    />
  );
}

const NO_KIT = 'none';
const SWUM_WITH: readonly KitId[] = ['buoy', 'board', 'fins', 'snorkel', 'beeper', 'finger-paddles'];

/** Blocks to keep while the rest is solved again. */
export function Locks({ plan, wish, change }: PartProps & { readonly plan: SessionPlan }) {
  const kinds = BLOCK_KINDS.filter((kind) => plan.groups.some((g) => g.blocks.some((b) => b.kind === kind)));
  const kept = kinds.filter((kind) => Object.values(wish.locked).some((blocks) => blocks.some((b) => b.kind === kind)));
  const toggle = (kind: BlockKind) =>
    change({
      locked: Object.fromEntries(
        plan.groups.map((group) => {
          const others = (wish.locked[group.level] ?? []).filter((b) => b.kind !== kind);
          const block = group.blocks.find((b) => b.kind === kind);
          return [group.level, kept.includes(kind) || !block ? others : [...others, block]];
        }),
      ),
    });
  return (
    <Choice
      label="Keep as it is for “Another one”"
      options={kinds.map((value) => ({ value, label: BLOCK_NAME[value] }))}
      chosen={kept}
      onPress={toggle}
    />
  );
}

const styles = StyleSheet.create({
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginVertical: 4 },
  scroll: { gap: 8, paddingBottom: 4 },
  gap: { marginTop: 8 },
});
