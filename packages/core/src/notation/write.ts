import { isSet, type AnySet, type Block, type Breathing, type GroupPlan, type Item, type SessionPlan } from '../sessions';
import { EASY, groupLengths, blockLengths, setsOf, STROKE_WORD, BLOCK_NAME } from '../sessions';
import { formatTime, poolDistance, type Pool } from '../units';

/** A session as it stands in a text: its plan with its title and when it is. */
export interface SessionDocument {
  readonly title: string;
  /** ISO day, or null when it is not said. */
  readonly date: string | null;
  /** Like 19:00. */
  readonly startTime: string | null;
  readonly plan: SessionPlan;
}

/**
 * A session as text, as on a coach's whiteboard; {@link readSession} reads it back without loss.
 *
 * Ids are not written: they follow from the place of a thing in the text.
 */
export function writeSession({ title, date, startTime, plan }: SessionDocument): string {
  const when = [date, startTime].filter(Boolean).join(' ');
  const head = [
    `# ${title}`,
    ...(when ? [`when: ${when}`] : []),
    `theme: ${plan.theme}`,
    `kind: ${plan.kind}`,
    `${plan.place === 'pool' ? 'pool' : 'loop'}: ${exact(plan.pool.length)} ${plan.pool.unit}`,
    `minutes: ${exact(plan.minutes)}`,
    `seed: ${plan.seed}`,
    ...(plan.note ? [`// ${plan.note}`] : []),
  ];
  return `${[head.join('\n'), ...plan.groups.map((group) => writeGroup(group, plan))].join('\n\n')}\n`;
}

/** 33⅓ is written as people say it. */
function exact(value: number): string {
  return Math.abs(value * 3 - Math.round(value * 3)) < 1e-9 && value % 1 !== 0
    ? `${Math.floor(value)}${Math.round((value % 1) * 3) === 1 ? '⅓' : '⅔'}`
    : String(value);
}

function writeGroup(group: GroupPlan, plan: SessionPlan): string {
  const { breathRecord: record, paceTable } = group;
  return [
    `== ${group.name}${isExact(group.blocks) ? ` = ${poolDistance(plan.pool, groupLengths(group))}` : ''}`,
    `level: ${group.level}`,
    `who: ${group.swimmers} swimmers in ${group.lanes} lanes`,
    `pace: ${group.v400Mps} m/s${group.paceIsGuess ? ' guess' : ''}, ${group.strokeLengthM} m a stroke`,
    ...(paceTable.length > 0
      ? [`paces: ${paceTable.map((p) => `${percent(p.effort)} ${p.share}`).join(', ')}`]
      : []),
    ...(group.knownDrills.length > 0 ? [`knows: ${group.knownDrills.join(', ')}`] : []),
    ...(record
      ? [
          `lifeguard: "${record.lifeguard}"${record.rulesTold ? ', rules told' : ''}${record.minorsAgreed ? ', minors agreed' : ''}`,
        ]
      : []),
    ...(group.note ? [`// ${group.note}`] : []),
    ...group.blocks.flatMap((block) => writeBlock(block, plan)),
  ].join('\n');
}

const isExact = (blocks: readonly Block[]): boolean =>
  blocks.every((block) => setsOf(block.items).every(({ set }) => set.kind !== 'timed'));

function writeBlock(block: Block, plan: SessionPlan): string[] {
  const lengths = blockLengths(block);
  const head = [
    BLOCK_NAME[block.kind],
    block.landMinutes > 0 ? `${block.landMinutes} min` : '',
    lengths > 0 && isExact([block]) ? `= ${poolDistance(plan.pool, lengths)}` : '',
  ];
  const note = block.note ? `  // ${block.note}` : '';
  return [head.filter(Boolean).join(' ') + note, ...writeItems(block.items, plan, '  ')];
}

function writeItems(items: readonly Item[], plan: SessionPlan, indent: string): string[] {
  return items.flatMap((item) =>
    isSet(item)
      ? [indent + writeSet(item, plan.pool, plan.place === 'open-water')]
      : [`${indent}${item.rounds} x (`, ...writeItems(item.items, plan, `${indent}  `), `${indent})`],
  );
}

/** One set as a line of the text. */
export function writeSet(set: AnySet, pool: Pool, outside = false): string {
  const stroke = STROKE_WORD[set.stroke];
  const what = set.drill ? `drill ${set.drill}${set.stroke === 'front-crawl' ? '' : ` ${stroke}`}` : stroke;
  const effort =
    set.kind === 'halves'
      ? ` halves ${effortWord(set.effort)}/${effortWord(set.secondEffort)}`
      : set.drill && set.effort === EASY
        ? ''
        : ` ${effortWord(set.effort)}`;
  const { timing, sighting } = set;
  const clock = (s: number) => (s < 60 ? String(s) : formatTime(s, s % 1 === 0 ? 0 : 1));
  const parts = [
    `${set.reps === 1 ? '' : `${set.reps} x `}${extentOf(set, pool, outside)} ${what}${effort}`,
    breathingOf(set.breathing),
    sighting ? `look ${sighting.every}${sighting.forBreath ? ' for a breath' : ''}` : '',
    set.strokeRateSpm === null ? '' : `rate ${set.strokeRateSpm}`,
    timing.kind === 'send-off' ? `on ${clock(timing.seconds)}` : timing.seconds > 0 ? `rest ${clock(timing.seconds)}` : '',
    set.kit.length > 0 ? `with ${set.kit.join(' + ')}` : '',
  ];
  return parts.filter(Boolean).join(', ') + (set.note ? `  // ${set.note}` : '');
}

function extentOf(set: AnySet, pool: Pool, outside: boolean): string {
  if (set.kind === 'timed') return `${set.seconds % 60 === 0 ? set.seconds / 60 : formatTime(set.seconds)} min`;
  return outside ? `${set.lengths} ${set.lengths > 1 ? 'loops' : 'loop'}` : String(poolDistance(pool, set.lengths));
}

const percent = (share: number): string => `${Math.round(share * 1000) / 10}%`;
const effortWord = (effort: number): string => (effort === EASY ? 'easy' : percent(effort));

function breathingOf(breathing: Breathing): string {
  switch (breathing.kind) {
    case 'free':
      return '';
    case 'every':
      return `breathe ${breathing.strokes} ${breathing.side}`;
    case 'to-side':
      return `breathe ${breathing.side}`;
    case 'by-length':
      return `breathe ${breathing.strokes} ${breathing.side} by length`;
    case 'limited':
      return `breaths ${breathing.first}..${breathing.last}`;
  }
}
