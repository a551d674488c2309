// A few sets typed for one block of a session that is there already.
import { BLOCK_NAME, type BlockKind, type GroupPlan, type Item, type SessionPlan } from '../sessions';
import type { TextProblem } from './problem';
import { readSession } from './read';
import { writeSession } from './write';

/** Longest text that is read as a few sets. */
const LONGEST = 4000;

export interface ReadSets {
  /** In the order they are written; their ids follow from their place. */
  readonly items: readonly Item[];
  readonly problems: readonly TextProblem[];
}

/**
 * Reads sets as a coach types them, for one block of one level: in its pool, with its pace.
 *
 * Only sets, rounds and pauses; a heading or another level is a problem, and so is nothing at all.
 *
 * @example readSets('4x50 kick r15', 'main', hold, plan).items.length // 1
 */
export function readSets(text: string, block: BlockKind, group: GroupPlan, plan: SessionPlan): ReadSets {
  const refuse = (message: string): ReadSets => ({
    items: [],
    problems: [{ line: 1, column: 1, length: 0, message, severity: 'error' }],
  });
  if (text.trim() === '') return refuse('Type a set, like “4 x 50 kick, rest 15”.');
  if (text.length > LONGEST) return refuse('This is too long for a few sets. Write it in the text of the session.');
  const around = { ...plan, note: '', groups: [{ ...group, note: '', blocks: [] }] };
  // Without the total of a level that has no sets yet.
  const facts = writeSession({ title: '', date: null, startTime: null, plan: around }).replace(/ = 0$/m, '');
  const head = `${facts.trimEnd()}\n${BLOCK_NAME[block]}\n`;
  const before = head.split('\n').length - 1;
  const read = readSession(head + text, plan.pool);
  const problems = read.problems.map((problem) => ({ ...problem, line: Math.max(1, problem.line - before) }));
  const [only, ...others] = read.document.plan.groups;
  if (others.length > 0 || only?.blocks.length !== 1) return refuse('Only sets here: no headings, and no other level.');
  const { items } = only.blocks[0]!;
  if (items.length === 0 && problems.length === 0) return refuse('No set was found in this.');
  return { items, problems };
}
