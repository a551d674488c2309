import { type AnySet, type Block, type Breathing, type GroupPlan, type Item, type SessionPlan } from '../sessions';
import {
  cautionsOf,
  EASY,
  groupLengths,
  blockLengths,
  isPull,
  pauseWord,
  setsOf,
  STROKE_WORD,
  BLOCK_NAME,
  SWIM_STROKES,
} from '../sessions';
import { formatTime, poolDistance, type Pool } from '../units';
import { counted } from '../words';
import { MINUTES_BELOW } from './habits/times';

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
  const head = [
    `# ${title}`,
    ...keyLines(planFacts({ title, date, startTime, plan })),
    ...(plan.note ? [`// ${plan.note}`] : []),
  ];
  return `${[head.join('\n'), ...plan.groups.map((group) => writeGroup(group, plan))].join('\n\n')}\n`;
}

/** A fact as it stands on its own line; left out when it says nothing. */
export type Fact = readonly [key: string, value: string];

const keyLines = (facts: readonly Fact[]): string[] =>
  facts.filter(([, value]) => value !== '').map(([key, value]) => `${key}: ${value}`);

/** What is said of the whole session. */
export function planFacts({ date, startTime, plan }: SessionDocument): Fact[] {
  const outside = plan.place === 'open-water';
  const { standingDepth, edge } = plan.pool;
  const length = [
    `${exact(plan.pool.length)} ${plan.pool.unit}`,
    standingDepth === undefined ? '' : standingDepth ? 'standing depth' : 'no standing depth',
    edge === undefined ? '' : `${edge} edge`,
  ]
    .filter(Boolean)
    .join(', ');
  return [
    ['when', [date, startTime].filter(Boolean).join(' ')],
    ['theme', plan.theme],
    ['kind', plan.kind],
    ['pool', outside ? '' : length],
    ['loop', outside ? length : ''],
    ['minutes', exact(plan.minutes)],
    ['seed', String(plan.seed)],
  ];
}

/** What is said of a group. */
export function groupFacts(group: GroupPlan): Fact[] {
  const { breathRecord: record, paceTable, strokeShares = {} } = group;
  return [
    ['level', group.level],
    ['model', group.model],
    ['who', `${counted(group.swimmers, 'swimmer')} in ${counted(group.lanes, 'lane')}`],
    ['pace', `${group.v400Mps} m/s${group.paceIsGuess ? ' guess' : ''}, ${group.strokeLengthM} m a stroke`],
    ['paces', paceTable.map((p) => `${percent(p.effort)} ${p.share}`).join(', ')],
    [
      'strokes',
      SWIM_STROKES.flatMap((s) => (strokeShares[s] === undefined ? [] : `${STROKE_WORD[s]} ${strokeShares[s]}`)).join(
        ', ',
      ),
    ],
    ['knows', group.knownDrills.join(', ')],
    [
      'lifeguard',
      record
        ? `"${record.lifeguard}"${record.rulesTold ? ', rules told' : ''}${record.minorsAgreed ? ', minors agreed' : ''}`
        : '',
    ],
  ];
}

/** 33⅓ is written as people say it. */
function exact(value: number): string {
  return Math.abs(value * 3 - Math.round(value * 3)) < 1e-9 && value % 1 !== 0
    ? `${Math.floor(value)}${Math.round((value % 1) * 3) === 1 ? '⅓' : '⅔'}`
    : String(value);
}

function writeGroup(group: GroupPlan, plan: SessionPlan): string {
  return [
    `== ${group.name}${isExact(group.blocks) ? ` = ${poolDistance(plan.pool, groupLengths(group))}` : ''}`,
    ...keyLines(groupFacts(group)),
    ...(group.note ? [`// ${group.note}`] : []),
    ...group.blocks.flatMap((block) => writeBlock(block, group, plan)),
  ].join('\n');
}

const isExact = (blocks: readonly Block[]): boolean =>
  blocks.every((block) => setsOf(block.items).every(({ set }) => set.kind !== 'timed'));

function writeBlock(block: Block, group: GroupPlan, plan: SessionPlan): string[] {
  const lengths = blockLengths(block);
  const head = [
    BLOCK_NAME[block.kind],
    block.name ? `"${block.name}"` : '',
    block.landMinutes > 0 ? `${block.landMinutes} min${block.kind === 'land' ? '' : ' on land'}` : '',
    lengths > 0 && isExact([block]) ? `= ${poolDistance(plan.pool, lengths)}` : '',
  ];
  const note = block.note ? `  // ${block.note}` : '';
  return [head.filter(Boolean).join(' ') + note, ...writeItems(block.items, group, plan, '  ')];
}

/** The sets line by line, each with its cautions under it: those are worked out, and passed over in reading. */
function writeItems(items: readonly Item[], group: GroupPlan, plan: SessionPlan, indent: string): string[] {
  return items.flatMap((item) => {
    if (item.kind === 'pause') return [indent + pauseWord(item) + (item.note ? `  // ${item.note}` : '')];
    if (item.kind === 'rounds')
      return [`${indent}${item.rounds} x (`, ...writeItems(item.items, group, plan, `${indent}  `), `${indent})`];
    return [
      indent + writeSet(item, plan.pool, plan.place === 'open-water'),
      ...cautionsOf(item, group, plan.pool).map((caution) => `${indent}  !! ${caution}`),
    ];
  });
}

/** What a set says, part by part, each as it stands in the text; empty when it says nothing. */
export interface SetParts {
  readonly reps: string;
  readonly extent: string;
  readonly what: string;
  readonly effort: string;
  readonly breathing: string;
  readonly sighting: string;
  readonly rate: string;
  readonly timing: string;
  readonly kit: string;
}

export function setParts(set: AnySet, pool: Pool, outside: boolean): SetParts {
  const stroke = isPull(set) ? 'pull' : STROKE_WORD[set.stroke];
  const { timing, sighting } = set;
  const clock = (s: number) => (s < 60 ? String(s) : formatTime(s, s % 1 === 0 ? 0 : 1));
  return {
    reps: set.reps === 1 ? '' : String(set.reps),
    extent: extentOf(set, pool, outside),
    what: set.drill ? `drill ${set.drill}${set.stroke === 'front-crawl' ? '' : ` ${stroke}`}` : stroke,
    effort:
      set.kind === 'halves'
        ? `halves ${effortWord(set.effort)}/${effortWord(set.secondEffort)}`
        : set.kind === 'descend'
          ? `descend ${effortWord(set.effort)}/${effortWord(set.lastEffort)}`
          : set.drill && set.effort === EASY
            ? ''
            : effortWord(set.effort),
    breathing: breathingOf(set.breathing),
    sighting: sighting ? `look ${sighting.every}${sighting.forBreath ? ' for a breath' : ''}` : '',
    rate: set.strokeRateSpm === null ? '' : `rate ${set.strokeRateSpm}`,
    timing:
      timing.kind === 'send-off'
        ? `on ${timing.seconds < MINUTES_BELOW ? `0:0${timing.seconds}` : clock(timing.seconds)}`
        : timing.seconds > 0
          ? `rest ${clock(timing.seconds)}`
          : '',
    kit: set.kit.length > 0 ? `with ${set.kit.join(' + ')}` : '',
  };
}

/** Parts of a set as one line of the text. */
export function joinParts({ reps, extent, what, effort, ...rest }: SetParts, note: string): string {
  const first = [reps ? `${reps} x` : '', extent, what, effort].filter(Boolean).join(' ');
  const parts = [first, rest.breathing, rest.sighting, rest.rate, rest.timing, rest.kit];
  return parts.filter(Boolean).join(', ') + (note ? `  // ${note}` : '');
}

/** One set as a line of the text. */
export function writeSet(set: AnySet, pool: Pool, outside = false): string {
  return joinParts(setParts(set, pool, outside), set.note);
}

function extentOf(set: AnySet, pool: Pool, outside: boolean): string {
  if (set.kind === 'timed' && set.seconds < 60) return `${set.seconds} s`;
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
      return `breaths ${breathing.first}..${breathing.last}${breathing.per ? ' a rep' : ''}`;
  }
}
