import Papa from 'papaparse';
import { openWaterStep, type PlanWeek, weekNoteWords } from '../race';
import { causeCard } from '../review';

/** The weeks to a race as CSV, one line a week; formulas are made harmless. */
export function writePlan(weeks: readonly PlanWeek[]): string {
  return Papa.unparse(
    {
      fields: ['week_of', 'phase', 'kind', 'load', 'theme', 'step', 'test', 'words'],
      data: weeks.map((w) => [
        ...[w.monday, w.phase, w.kind, w.load, causeCard(w.theme).name, w.step === null ? '' : openWaterStep(w.step)],
        ...[w.test ? 'yes' : '', w.notes.map(weekNoteWords).join(' ')],
      ]),
    },
    { newline: '\n', escapeFormulae: true },
  );
}
