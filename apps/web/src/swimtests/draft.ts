import type { SwimmerPage } from '@upwell/contract/swimmers';
import { LADDER_IDS, ladderCard, type LadderId } from '@upwell/core/library';
import { levelCard } from '@upwell/core/swimmers';
import { rampRepM, type SwimTestKind, type TestInput } from '@upwell/core/swimtests';
import { v7 } from 'uuid';

/** A test while it is taken; kept on the device until it is stored. */
export interface TestDraft {
  readonly id: string;
  readonly writeId: string;
  readonly heldOn: string;
  readonly input: TestInput;
  /** Metres of one length of the pool, once the coach chose it; the squad's own pool until then. */
  readonly poolM?: number;
  /** The watch, deck clock: when it was started, and the split at the first stroke. */
  readonly running: { readonly startMs: number; readonly splitMs: number | null } | null;
}

export function newTestDraft(
  kind: SwimTestKind,
  swimmer: SwimmerPage,
  ladder: LadderId | null,
  heldOn: string,
): TestDraft {
  return {
    id: v7(),
    writeId: v7(),
    heldOn,
    input: emptyInput(kind, swimmer, ladder),
    running: null,
  };
}

/** What was taken so far, as it is in another pool. */
export function inPool(input: TestInput, lengthM: number): TestInput {
  if (input.kind === 'rate-ramp') return { ...input, lengthM, repM: rampRepM(lengthM) };
  if (input.kind === 'clean-length') return { ...input, lengths: input.lengths.map((l) => ({ ...l, lengthM })) };
  return input;
}

function emptyInput(kind: SwimTestKind, swimmer: SwimmerPage, ladder: LadderId | null): TestInput {
  switch (kind) {
    case 'critical-speed':
      return { kind, trials: [] };
    case 'rate-ramp':
      // The pool is asked for before the first rep.
      return { kind, lengthM: 25, repM: rampRepM(25), pushOffM: 5, pushOffS: 2.5, reps: [] };
    case 'clean-length':
      return { kind, lengths: [] };
    case 'closed-eyes':
      return { kind, strokes: 10, strokeLengthM: levelCard(swimmer.level).defaultStrokeLengthM, offM: [] };
    case 'glide':
      return { kind, metres: [] };
    case 'tumble':
      return { kind, timesS: [] };
    case 'ladder-step': {
      const id = ladder ?? LADDER_IDS.find((l) => swimmer.ladderSteps[l] !== undefined) ?? LADDER_IDS[0]!;
      const step = Math.min(swimmer.ladderSteps[id] ?? 0, ladderCard(id).steps.length - 1);
      return { kind, ladder: id, step, tries: 0, passed: 0 };
    }
  }
}
