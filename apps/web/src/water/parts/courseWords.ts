// What a course costs in time, in words.
import { extraTimeShare, type LegPlan, type Sweep } from '@upwell/core/water';
import { formatTime } from '@upwell/core/units';

/** Time over the whole course by the closed form, for the top line. */
export function totalWord(plans: readonly LegPlan[] | null): string {
  if (!plans || plans.some((p) => !p.swim)) return '';
  const seconds = plans.reduce((sum, p) => sum + closedTimeS(p, p.closed.interval), 0);
  return `about ${formatTime(seconds)}`;
}

function closedTimeS({ swim, leg, crossing }: LegPlan, interval: number): number {
  const share = extraTimeShare({ ...swim!, strokesPerS: swim!.speedMps / swim!.strokeLengthM }, interval);
  return (leg.lengthM / crossing!.groundMps) * (1 + share);
}

export const timeWord = (plan: LegPlan, simulatedS: number | undefined, interval: number) =>
  formatTime(simulatedS ?? closedTimeS(plan, interval));

/** What it costs to look more or less often, in seconds and metres. */
export function costWords(plan: LegPlan, sweep: Sweep | null, interval: number): string {
  if (!sweep) return `By the formula, every ${plan.closed.interval}.`;
  const of = (n: number) => sweep.results.find((r) => r.interval === n)!;
  const [low, high] = sweep.nearOptimal;
  const base = of(sweep.best);
  const cost = [4, 8, 12, 16]
    .filter((n) => n < low || n > high)
    .map((n) => {
      const [seconds, further] = [of(n).meanTimeS - base.meanTimeS, of(n).meanDistanceM - base.meanDistanceM];
      const way = Math.round(Math.abs(further));
      return `Every ${n}: +${Math.round(seconds)} s${way > 0 ? `, ${way} m ${further > 0 ? 'further' : 'shorter'}` : ''}.`;
    });
  const now = of(interval);
  const spread = `Nine in ten swims take under ${formatTime(now.p90TimeS)}.`;
  return [`From ${low} to ${high} it costs under half a per cent more.`, ...cost, spread].join(' ');
}
