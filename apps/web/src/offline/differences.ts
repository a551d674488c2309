import type { SessionPlan } from '@upwell/core/sessions';
import { cutText } from '@upwell/core/text';
import { comparePlans, groupTotals, totalWord } from '@upwell/core/sessions';

/** One thing that two versions say differently. */
export interface Difference {
  readonly what: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Fields that carry no meaning for a coach. */
const SILENT = new Set(['version', 'writeId', 'id', 'squadName', 'child', 'swimmers']);

/** What two versions of one thing say differently, in words; a session by its metres. */
export function differences(mine: unknown, theirs: unknown): Difference[] {
  if (!isRecord(mine) || !isRecord(theirs)) return [];
  return Object.keys(mine).flatMap((key): Difference[] => {
    if (SILENT.has(key) || !(key in theirs) || JSON.stringify(mine[key]) === JSON.stringify(theirs[key])) return [];
    if (key === 'choices') return choiceDifferences(mine[key], theirs[key]);
    if (key === 'plan') return planDifferences(mine[key] as SessionPlan, theirs[key] as SessionPlan);
    return [{ what: wordOf(key), mine: short(mine[key]), theirs: short(theirs[key]) }];
  });
}

/** Choices may be left out on one side. */
function choiceDifferences(mine: unknown, theirs: unknown): Difference[] {
  if (!isRecord(mine) || !isRecord(theirs)) return [];
  const none = Object.fromEntries([...Object.keys(mine), ...Object.keys(theirs)].map((key) => [key, null]));
  return differences({ ...none, ...mine }, { ...none, ...theirs });
}

function planDifferences(mine: SessionPlan, theirs: SessionPlan): Difference[] {
  const metres = (plan: SessionPlan, name: string) => {
    const group = plan.groups.find((g) => g.name === name);
    return group ? totalWord(groupTotals(group, plan.pool), plan.pool) : 'not there';
  };
  const changed = comparePlans(mine, theirs).filter((d) => d.blocks.length > 0 || d.plannedM !== d.doneM);
  const rows = changed.map((d) => ({
    what: d.group,
    mine: metres(mine, d.group),
    theirs: metres(theirs, d.group),
  }));
  return rows.length > 0 ? rows : [{ what: 'sets', mine: 'changed', theirs: 'changed differently' }];
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** `startTime` → `start time`. */
const wordOf = (key: string): string => key.replace(/([A-Z])/g, ' $1').toLowerCase();

function short(value: unknown): string {
  if (value === null || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const text = typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value);
  return text.length > 80 ? `${cutText(text, 79)}…` : text;
}
