// The load of swimmers over the last weeks.
import type { LoadSummary } from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';

export interface LoadRow {
  readonly id: string;
  readonly name: string;
  readonly level: LevelId;
  readonly squadId: string;
  readonly squadName: string;
  readonly summary: LoadSummary;
  readonly prompts: readonly string[];
  /** Rating × minutes of the last seven days; null when no one was asked. */
  readonly feltWeek: number | null;
}

/** Load of the swimmers one coaches, and of each squad and level. */
export interface LoadView {
  readonly date: string;
  readonly swimmers: readonly LoadRow[];
  readonly groups: readonly LoadRow[];
}
