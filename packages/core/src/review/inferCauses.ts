// From signs to causes: how likely each cause is, why, and what to look at next.
import { fromOwn } from '../own';
import { causeCard, type CauseId, linksOf, signCard, type SignId, upstreamOf } from './catalogue';
import { type Choice, chooseFocus, type Circumstances, FOCUS_FROM } from './chooseFocus';
import { type Conflict, conflictsAmong, contradicted } from './conflicts';
import { causesFor, LEAK, type Look, priorOf, type SetAside, signsFor, weighable } from './evidence';
import { linkExperience } from './experience';
import { type Evidence, MOST_OPEN, type Network, read, type Read, type Showing, showingOf, sumOf } from './noisyOr';
import type { LevelId } from '../swimmers';
import { type Sighting, STAGES, type Stroke, type View } from './types';

/**
 * How a sign stands to a cause: it speaks *for* it; *against* it, because it was looked for and not seen or because
 * it contradicts a sign of the cause; or it was seen and another likely cause *explains* it.
 */
export type ReasonKind = 'for' | 'against' | 'explained';

export interface Reason {
  readonly sign: SignId;
  readonly kind: ReasonKind;
  /** The cause that explains the sign, where it is explained. */
  readonly by: CauseId | null;
  /** Change of the log-odds (natural) of the cause by this sign; positive speaks for it. */
  readonly weight: number;
}

export interface RankedCause {
  readonly cause: CauseId;
  readonly probability: number;
  readonly reasons: readonly Reason[];
}

export interface NextLook {
  readonly sign: SignId;
  readonly view: View;
  /** Expected information about the leading causes, bits. */
  readonly gainBits: number;
  /** The upstream cause that has to be ruled out first, when there is one. */
  readonly upstream: CauseId | null;
}

export interface Inference extends Choice {
  readonly ranking: readonly RankedCause[];
  readonly lookNext: readonly NextLook[];
  readonly setAside: readonly SetAside[];
  /** Signs seen that contradict each other: said, and both kept. */
  readonly conflicts: readonly Conflict[];
}

/** How many causes count as leading when the next look is chosen. */
const LEADING = 3;
const LOOKS_OFFERED = 6;
/** From here on asking for more about a cause is idle. */
const CERTAIN = 0.95;
/** Chances nearer than this are equal; the upstream cause then comes first. */
const SAME = 1e-9;

/**
 * From the signs of one look to the likely causes, the focus and what to look at next.
 *
 * Exact noisy-OR inference (Pearl 1988) over all sets of causes, however many are there at once. With
 * nothing seen every cause keeps about its prior and the looks offered are the upstream ones.
 *
 * @param look stroke, model, level and what was seen
 * @param circumstances goal, race date and past outcomes that move the choice of focus
 * @returns ranking by probability, focus and second choice, next looks, signs set aside
 * @example
 * inferCauses({ stroke: 'front-crawl', model: 'long-line', level: 'build', signs: { 'legs-low': 'often' } })
 *   .ranking[0].probability // about 0.21
 */
export function inferCauses(look: Look, circumstances: Circumstances = {}): Inference {
  const { net, showing, causes, signs, signIndex } = networkOf(look.stroke, look.level);
  const { counted, setAside } = narrowed(look, net, showing, signIndex);
  const evidence: Evidence = new Map(counted.map(([id, seen]) => [signIndex.get(id)!, seen]));

  const beliefs = believe(net, evidence, showing);
  const chance = new Map(causes.map((cause, c) => [cause, beliefs.probability[c]!]));
  const ranking = causes
    .map((cause, c): RankedCause => ({
      cause,
      probability: beliefs.probability[c]!,
      reasons: counted
        .flatMap(([sign, seen]): Reason[] => {
          const kind = kindOf(sign, seen, cause, look);
          if (!kind) return [];
          const weight = beliefs.weightOf(signIndex.get(sign)!, c);
          const by = kind === 'for' ? explainer(sign, cause, weight, chance) : null;
          return [{ sign, kind: by ? 'explained' : kind, by, weight }];
        })
        .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight)),
    }))
    .sort((a, b) =>
      Math.abs(a.probability - b.probability) < SAME ? upstreamFirst(a.cause, b.cause) : b.probability - a.probability,
    );

  const choice = chooseFocus(ranking, look, circumstances);
  const winner = choice.focus ?? ranking[0]!.cause;
  const looked = new Set(counted.map(([sign]) => sign));
  const unasked =
    choice.focus === null
      ? []
      : upstreamOf(winner).filter(
          (c) => causes.includes(c) && !Object.keys(linksOf(c)).some((s) => looked.has(s as SignId)),
        );

  // What something seen speaks for, while any of it is open; otherwise whatever else may be there, upstream first.
  const spokenFor = ranking.filter((r) => r.reasons.some((reason) => reason.kind !== 'against'));
  const leaders = (spokenFor.some((r) => r.probability < CERTAIN) ? spokenFor : ranking)
    .slice(0, LEADING)
    .map((r) => r.cause);
  const leading = [...new Set([...leaders, ...unasked])];
  const gains = informationGain(
    net,
    evidence,
    leading.map((c) => causes.indexOf(c)),
    showing,
  );
  const byGain = signs
    .map((sign, s) => ({ sign, view: signCard(sign).view, gainBits: gains[s]! }))
    .filter(({ sign, gainBits }) => !looked.has(sign) && gainBits > 1e-4)
    .sort((a, b) => b.gainBits - a.gainBits);
  // The best question about each upstream neighbour comes first, then whatever tells most.
  const upstreamOfSign = new Map<SignId, CauseId>();
  for (const cause of unasked) {
    const best = byGain.find(({ sign }) => sign in linksOf(cause));
    if (best) upstreamOfSign.set(best.sign, cause);
  }
  const lookNext = byGain
    .map((look): NextLook => ({ ...look, upstream: upstreamOfSign.get(look.sign) ?? null }))
    .sort((a, b) => Number(b.upstream !== null) - Number(a.upstream !== null))
    .slice(0, LOOKS_OFFERED);

  return { ranking, ...choice, lookNext, setAside, conflicts: conflictsAmong(look.signs) };
}

/** Whether a sign has anything to say of a cause: only its own signs do, and those that contradict one of them. */
function kindOf(sign: SignId, seen: Sighting, cause: CauseId, look: Look): ReasonKind | null {
  if (sign in linksOf(cause)) return seen === 'absent' ? 'against' : 'for';
  if (seen === 'absent') return null;
  return contradicted(sign).some((other) => other in linksOf(cause) && look.signs[other] === undefined)
    ? 'against'
    : null;
}

/** The likelier cause that explains a seen sign, strongest first, where the sign tells little of this one. */
function explainer(sign: SignId, cause: CauseId, weight: number, chance: ReadonlyMap<CauseId, number>): CauseId | null {
  const own = chance.get(cause)!;
  if (own >= FOCUS_FROM) return null;
  const rivals = [...chance]
    .filter(([other, p]) => p > own && sign in linksOf(other) && (p >= FOCUS_FROM || weight < 0))
    .map(([other, p]) => ({ other, share: p * linkExperience(other, sign).counts }))
    .sort((a, b) => b.share - a.share);
  return rivals[0]?.other ?? null;
}

/**
 * The signs that count, without those too many to weigh together. With the built-in links none is left out; a club
 * that ties everything to everything is told which.
 */
function narrowed(look: Look, net: Network, showing: Showing, signIndex: ReadonlyMap<SignId, number>) {
  const { counted, setAside } = weighable(look);
  const indexed = (of: typeof counted) => new Map(of.map(([id, seen]) => [signIndex.get(id)!, seen]));
  const strongest = ([id]: (typeof counted)[number]) =>
    Math.max(...showing[signIndex.get(id)!]!.map(([, strength]) => strength));
  while (read(net, showing, indexed(counted)).parts.some(({ width }) => width > MOST_OPEN)) {
    const tied = counted.filter(([id, seen]) => seen !== 'absent' && showing[signIndex.get(id)!]!.length > 1);
    const weakest = tied.reduce((least, at) => (strongest(at) < strongest(least) ? at : least));
    counted.splice(counted.indexOf(weakest), 1);
    setAside.push({ sign: weakest[0], reason: 'is one of more signs than can be weighed together' });
  }
  return { counted, setAside };
}

interface StrokeNetwork {
  readonly net: Network;
  readonly showing: Showing;
  readonly causes: readonly CauseId[];
  readonly signs: readonly SignId[];
  readonly signIndex: ReadonlyMap<SignId, number>;
}

const networks = fromOwn(() => new Map<string, StrokeNetwork>());

/** The network of a stroke at a level, worked out once. */
function networkOf(stroke: Stroke, level: LevelId): StrokeNetwork {
  const key = `${stroke} ${level}`;
  const known = networks().get(key);
  if (known) return known;
  const causes = causesFor(stroke);
  const signs = signsFor(stroke);
  const signIndex = new Map(signs.map((id, i) => [id, i]));
  const net: Network = {
    priors: causes.map((id) => priorOf(id, level)),
    links: causes.map((id) =>
      (Object.keys(linksOf(id)) as SignId[]).map(
        (sign) => [signIndex.get(sign)!, linkExperience(id, sign).counts] as const,
      ),
    ),
    signCount: signs.length,
    leak: LEAK,
  };
  const made = { net, showing: showingOf(net), causes, signs, signIndex };
  networks().set(key, made);
  return made;
}

interface Beliefs {
  /** Posterior chance of each cause. */
  readonly probability: readonly number[];
  /** Log-odds that an observed sign adds to a cause, given all the other signs. */
  readonly weightOf: (sign: number, cause: number) => number;
}

/** Posterior chances, and what each observed sign contributes to each cause (leave-one-out). */
export function believe(net: Network, evidence: Evidence, showing: Showing = showingOf(net)): Beliefs {
  const now = read(net, showing, evidence);
  const oddsNow = net.priors.map((_, c) => oddsOf(now, c, net.leak));
  const left = new Map<number, Read>();
  return {
    probability: oddsNow.map((odds) => odds / (1 + odds)),
    weightOf: (sign, cause) => {
      if (!evidence.has(sign)) return 0;
      let without = left.get(sign);
      if (!without) {
        without = read(net, showing, new Map([...evidence].filter(([s]) => s !== sign)));
        left.set(sign, without);
      }
      return Math.log(oddsNow[cause]!) - Math.log(oddsOf(without, cause, net.leak));
    },
  };
}

/** Odds of a cause: the sum over the sets with it to the sum over those without. */
function oddsOf({ present, missing, parts, partOf }: Read, cause: number, leak: number): number {
  const part = parts[partOf[cause]!]!;
  const [there, not] = [present.slice(), missing.slice()];
  [there[cause], not[cause]] = [0, 0];
  return sumOf(part, present, not, leak) / sumOf(part, there, missing, leak);
}

/**
 * Expected information of seeing or not seeing each sign about the joint state of some causes.
 *
 * @param about indexes of the causes of interest, at most 16
 * @returns bits per sign; 0 for signs already looked for
 */
export function informationGain(
  net: Network,
  evidence: Evidence,
  about: readonly number[],
  showing: Showing = showingOf(net),
): Float64Array {
  const { present, missing, parts, partOf } = read(net, showing, evidence);
  const [there, not] = [present.slice(), missing.slice()];

  /** The sum of a part with its causes of interest held in each of their states, and a sign hidden where one is given. */
  const sums = (part: number, hiding: Showing[number]): number[] => {
    const held = about.filter((c) => partOf[c] === part);
    // Only the causes of this part are read and written.
    for (const c of parts[part]!.causes) [there[c], not[c]] = [present[c]!, missing[c]!];
    for (const [c, strength] of hiding) there[c]! *= 1 - strength;
    const weights = held.map((c) => [not[c]!, there[c]!] as const);
    return Array.from({ length: 1 << held.length }, (_, state) => {
      held.forEach((c, i) => {
        const on = (state >> i) & 1;
        not[c] = on ? 0 : weights[i]![0];
        there[c] = on ? weights[i]![1] : 0;
      });
      return sumOf(parts[part]!, there, not, net.leak);
    });
  };
  const open = parts.map((_, part) => (about.some((c) => partOf[c] === part) ? sums(part, []) : null));

  return Float64Array.from(showing, (causes, sign) => {
    if (evidence.has(sign)) return 0;
    const touched = [...new Set(causes.map(([c]) => partOf[c]!))];
    if (!touched.some((part) => open[part])) return 0;
    // Each state of the causes of interest in the parts that the sign touches: its chance, and that of a hidden sign.
    let states: readonly { readonly chance: number; readonly hidden: number }[] = [{ chance: 1, hidden: 1 - net.leak }];
    for (const part of touched) {
      const before = open[part] ?? sums(part, []);
      const after = sums(
        part,
        causes.filter(([c]) => partOf[c] === part),
      );
      const total = before.reduce((sum, w) => sum + w, 0);
      states = states.flatMap(({ chance, hidden }) =>
        before.flatMap((weight, i) =>
          weight > 0 ? [{ chance: (chance * weight) / total, hidden: (hidden * after[i]!) / weight }] : [],
        ),
      );
    }
    const hiddenAll = states.reduce((sum, { chance, hidden }) => sum + chance * hidden, 0);
    const inEach = states.reduce((sum, { chance, hidden }) => sum + chance * entropyBits(hidden), 0);
    return Math.max(0, entropyBits(hiddenAll) - inEach);
  });
}

/** Entropy of a yes–no question with chance `p`, bits. */
function entropyBits(p: number): number {
  if (p <= 0 || p >= 1) return 0;
  return -p * Math.log2(p) - (1 - p) * Math.log2(1 - p);
}

function upstreamFirst(a: CauseId, b: CauseId): number {
  return STAGES.indexOf(causeCard(a).stage) - STAGES.indexOf(causeCard(b).stage);
}
