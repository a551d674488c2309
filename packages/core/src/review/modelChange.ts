import { drillCard, drillIds, type DrillId } from '../library';
import { STROKE_MODEL, type StrokeModelId } from '../swimmers';
import { bandsOf, type Band } from './bands';
import type { SignId } from './catalogue';
import { allowedBy } from './evidence';

/** What follows from giving a swimmer another stroke model. */
export interface ModelChange {
  readonly rateFrom: readonly [number, number];
  readonly rateTo: readonly [number, number];
  /** Signs that stop being faults, and signs that become faults. */
  readonly nowAllowed: readonly SignId[];
  readonly nowFaults: readonly SignId[];
  /** Drills that now go against the model, and drills that no longer do. */
  readonly drillsOut: readonly DrillId[];
  readonly drillsIn: readonly DrillId[];
  /** Bands with other limits: before and after. */
  readonly bands: readonly { readonly before: Band; readonly after: Band }[];
}

/** The differences between two stroke models, for the moment before a switch. */
export function modelChange(from: StrokeModelId, to: StrokeModelId): ModelChange {
  const [was, is] = [new Set(allowedBy(from)), new Set(allowedBy(to))];
  const against = (model: StrokeModelId) => drillIds().filter((id) => drillCard(id).contradicts.includes(model));
  const [outBefore, outNow] = [against(from), against(to)];
  const before = bandsOf(from);
  return {
    rateFrom: STROKE_MODEL[from].rateBandSpm,
    rateTo: STROKE_MODEL[to].rateBandSpm,
    nowAllowed: [...is].filter((id) => !was.has(id)),
    nowFaults: [...was].filter((id) => !is.has(id)),
    drillsOut: outNow.filter((id) => !outBefore.includes(id)),
    drillsIn: outBefore.filter((id) => !outNow.includes(id)),
    bands: bandsOf(to).flatMap((after) => {
      const old = before.find((band) => band.sign === after.sign)!;
      return old.sometimes === after.sometimes && old.often === after.often ? [] : [{ before: old, after }];
    }),
  };
}
