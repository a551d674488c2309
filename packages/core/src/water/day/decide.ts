// Go or not: every check of the water, the air, the group and the watchers.
import type { Check, CheckFacts, CheckId, DayDecision, NumbersProblem } from './checks';
import type { StreamWay } from '../course/otherSwims';
import type { DayGroup, DayReadings, Decision } from './model';
import { AIR_C, feltC, longestInWater, WATER_RULES, type WaterPerson, type WaterRules } from '../../safety';

/** Nothing is signed as go before these are answered. */
const ASKED_FIRST = ['lightning', 'sewage', 'fouled', 'visibility', 'walked'] as const;
const ASKED = [
  ...(['waterC', 'airC', 'windMps', 'currentMps'] as const),
  ...(['waveHeightM', 'rainMm72h', 'traffic', 'lightLeftMin'] as const),
];

/** Dusk nearer than this to the end of the plan stops it, minutes. */
export const DUSK_MIN = 30;
/** Waves above this stop everyone, metres. */
const WAVES_M = 1.2;
/** Limits for first-timers and children: waves in metres, wind in m/s, metres from the shore without a craft. */
export const FIRST_TIME = { wavesM: 0.3, windMps: 4, fromShoreM: 50 } as const;
/** Wind off the shore, within this angle in degrees: a warning above the first speed, a stop above the second, m/s. */
const OFFSHORE = { withinDeg: 60, warnMps: 2, stopMps: 5 } as const;
/** Wind against the stream steepens the water above these speeds, m/s, within this angle in degrees. */
const AGAINST = { withinDeg: 60, windMps: 3, currentMps: 0.15 } as const;
/** Felt this much colder than it is, the wind is named, °C. */
const FELT_COLDER_C = 0.5;
/** Shorter than this is no answer to a health note, letters. */
const LEAST_ANSWER = 3;
/** Below this only a winter group with its own rules swims, °C. */
const WINTER_C = 10;

const apart = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

/** Shown where a stop cannot be lifted. */
export const NEVER_OVERRULED =
  'This stop cannot be overruled: it is about something nobody may allow, or the group includes someone who is under 18, new to open water or at Settle.';
/** Said to a coach where the head coach may lift a stop. */
export const ONLY_HEAD_OVERRULES =
  'Only the head coach overrules a stop, naming the local rule or the licensed person who allows it.';

/** Why the numbers of a group cannot be right, or null. */
export function numbersProblem(g: DayGroup): NumbersProblem | null {
  const { swimmers } = g;
  if (swimmers < 1) return { wrong: 'nobody' };
  const young = g.children + g.minors;
  if (young > swimmers) return { wrong: 'young', count: young, swimmers };
  if (g.firstTimers > swimmers) return { wrong: 'first', count: g.firstTimers, swimmers };
  if (g.settle > swimmers) return { wrong: 'settle', count: g.settle, swimmers };
  const named = g.swimmerIds.length;
  return named > swimmers ? { wrong: 'named', count: named, swimmers } : null;
}

/**
 * Go, change the plan, or do not go, with every reason (the limits of the club and the place win).
 *
 * What nobody may overrule, ever, is marked absolute: lightning, sewage, bloom, a current over half of the slowest
 * swimmer, nobody qualified watching, fog, darkness without lights and escort, under 10 °C without a winter group's own
 * rules, a way out that is not known, boats through the course without escort, and whatever must be known and is not.
 * No stop at all is overruled while someone under 18, a Settle swimmer or a first-timer is in the group.
 *
 * A swim with the stream has rules of its own ({@link sayStream}); everything that has to come back keeps the limit of half
 * of the slowest swimmer.
 *
 * @param farthestM farthest mark from the shore, metres; null when no shore is drawn
 * @param way of a course with the stream; null where everybody comes back
 */
export function decideDay(
  r: DayReadings,
  g: DayGroup,
  farthestM: number | null,
  rules: WaterRules = WATER_RULES,
  way: StreamWay | null = null,
): DayDecision {
  const checks: Check[] = [];
  const say: Say = (weight, id, of, absolute = false) => checks.push({ id, weight, of, absolute } as Check);

  // Those of 16 and 17 count as first-timers until the guardian and the head coach say otherwise.
  const first = g.firstTimers > 0 || (g.minors > 0 && !g.minorsAgreed);
  const gentle = first || g.children > 0;
  const who: readonly WaterPerson[] = [
    ...(g.children > 0 ? (['child'] as const) : []),
    ...(first ? (['first'] as const) : []),
    'used',
  ];
  const numbers = numbersProblem(g);
  if (numbers) say('stop', 'numbers', numbers, true);

  let longestMin: number | null = null;
  if (r.waterC !== null) {
    const times = who.map((person) => longestInWater(r.waterC!, person, g.wetsuits));
    longestMin = Math.min(...times.map((t) => t.minutes));
    const note = times.map((t) => t.note).find((n) => n !== null) ?? null;
    const waterC = r.waterC;
    if (longestMin === 0)
      say('stop', 'cold', { waterC, wetsuits: g.wetsuits, note }, waterC < WINTER_C && !g.winterRules);
    else if (g.minutes > longestMin)
      say(gentle ? 'stop' : 'change', 'minutes', { minutes: g.minutes, most: longestMin, waterC, note });
    else if (note) say('change', 'warm', { note });
  }
  if (r.airC !== null) sayAir(r.airC, r.windMps ?? 0, g, say);

  if (r.lightning) say('stop', 'lightning', {}, true);
  if (r.sewage) say('stop', 'sewage', {}, true);
  if (r.fouled) say('stop', 'fouled', {}, true);
  if (way) sayStream(r, g, gentle, way, say);
  if (!alongStream(r, way) && r.currentMps !== null && r.currentMps > g.slowestMps / 2)
    say('stop', 'current', { currentMps: r.currentMps, slowestMps: g.slowestMps }, true);
  const per = first ? rules.perWatcherFirst : rules.perWatcher;
  const needed = Math.ceil(g.swimmers / per);
  if (g.watching === 0) say('stop', 'watch', { watching: 0 }, true);
  else if (g.watching < needed) say('stop', 'watch', { swimmers: g.swimmers, watching: g.watching, needed, per }, true);
  if (g.caller.trim() === '') say('stop', 'caller', {}, true);
  if (farthestM !== null && farthestM > rules.craftBeyondM && !g.craft)
    say('stop', 'craft', { farthestM, beyondM: rules.craftBeyondM }, true);
  if (g.settle > 0) say('stop', 'settle', {}, true);
  const unanswered = g.health.filter((h) => h.answer.trim().length < LEAST_ANSWER).length;
  if (unanswered > 0) say('stop', 'health', { unanswered }, true);

  if (r.rainMm72h !== null && r.rainMm72h > rules.rainMm) say('stop', 'rain', { rainMm: r.rainMm72h });
  if (r.visibility === 'fog') say('stop', 'fog', {}, true);
  if (r.lightLeftMin !== null && r.lightLeftMin < 0) say('stop', 'dark', {}, !(g.lights && g.craft));
  else if (r.lightLeftMin !== null && r.lightLeftMin < DUSK_MIN) say('stop', 'dusk', {});
  if (r.waveHeightM !== null && r.waveHeightM > WAVES_M) say('stop', 'waves', { waveHeightM: r.waveHeightM });
  if (r.traffic === 'through') say('stop', 'traffic', {}, !g.craft);
  if (r.walked === false) say('stop', 'walked', {}, true);
  if (r.depthM !== null && r.depthM < rules.leastDepthM) say('stop', 'depth', { depthM: r.depthM });

  if (gentle) sayGentle(r, g, farthestM, say);
  if (
    r.windMps !== null &&
    r.windMps > OFFSHORE.warnMps &&
    apart(r.windFromDeg, r.offshoreDeg + 180) < OFFSHORE.withinDeg
  )
    say(r.windMps > OFFSHORE.stopMps ? 'stop' : 'change', 'offshore', {});
  if (r.windMps !== null && r.windMps > rules.windMps)
    say('stop', 'wind', { windMps: r.windMps, mostMps: rules.windMps });
  if (
    r.windMps !== null &&
    r.windMps > AGAINST.windMps &&
    (r.currentMps ?? 0) > AGAINST.currentMps &&
    apart(r.windFromDeg, r.currentToDeg) < AGAINST.withinDeg
  )
    say('change', 'against', {});
  if (r.visibility === 'hazy') say('change', 'haze', {});
  if (r.traffic === 'lane') say('change', 'lane', {});
  if (r.wildlife) say('change', 'wildlife', {});
  if (!g.bright) say(r.traffic === 'lane' || r.traffic === 'through' ? 'stop' : 'change', 'bright', {});
  if (!g.stopSignal) say('change', 'signal', {});

  const missing = ASKED.filter((reading) => r[reading] === null);
  const readings = ASKED_FIRST.filter((reading) => r[reading] === null);
  if (readings.length > 0) say('stop', 'unknown', { readings }, true);
  const rank = { stop: 0, change: 1, go: 2 } as const;
  checks.sort((a, b) => rank[a.weight] - rank[b.weight]);
  const stops = checks.filter((c) => c.weight === 'stop');
  const decision: Decision = stops.length > 0 ? 'stop' : checks.length > 0 || missing.length > 0 ? 'change' : 'go';
  const guarded = g.children > 0 || g.minors > 0 || g.settle > 0 || g.firstTimers > 0;
  return {
    decision,
    checks,
    missing,
    mayOverrule: stops.length > 0 && !guarded && stops.every((c) => !c.absolute),
    longestMin,
  };
}

type Say = <K extends CheckId>(weight: Decision, id: K, of: CheckFacts[K], absolute?: boolean) => void;

function sayAir(airC: number, windMps: number, g: DayGroup, say: Say): void {
  const felt = feltC(airC, windMps);
  const colder = felt < airC - FELT_COLDER_C ? felt : null;
  if (airC < AIR_C.stop) say('stop', 'air', { airC, feltC: colder, ask: 'stay-out' });
  else if ((airC < AIR_C.shelter || felt < AIR_C.feltShelter) && !g.warmExit)
    say('stop', 'air', { airC, feltC: colder, ask: 'shelter' });
  else if (airC > AIR_C.hot) say('change', 'air', { airC, feltC: colder, ask: 'shade' });
}

/** The stream runs along the course: within this angle of it, degrees. */
const ALONG_DEG = 60;

/** Whether the stream carries along a course that nobody swims back. */
const alongStream = ({ currentToDeg }: DayReadings, way: StreamWay | null): boolean =>
  way !== null && apart(currentToDeg, way.bearingDeg) < ALONG_DEG;

/**
 * Of a swim with the stream: ways out that are drawn with the last one named, a craft alongside, somebody who picks up; and
 * nobody new or young in a stream that is faster than they swim.
 */
function sayStream(r: DayReadings, g: DayGroup, gentle: boolean, way: StreamWay, say: Say): void {
  const { exits, lastNamed } = way;
  if (!lastNamed) say('stop', 'exits', { exits, lastNamed }, true);
  if (!g.craft) say('stop', 'escort', {}, true);
  if ((g.pickUp ?? '').trim() === '') say('stop', 'pickup', {}, true);
  if (r.currentMps === null || r.currentMps === 0) return;
  if (!alongStream(r, way)) say('change', 'turned', {});
  else if (r.currentMps > g.slowestMps)
    say(gentle ? 'stop' : 'change', 'swept', { currentMps: r.currentMps, slowestMps: g.slowestMps });
}

/** Limits while first-timers or children are in the group. */
function sayGentle(r: DayReadings, g: DayGroup, farthestM: number | null, say: Say): void {
  const { wavesM, windMps, fromShoreM } = FIRST_TIME;
  if (r.waveHeightM !== null && r.waveHeightM > wavesM)
    say('stop', 'chop', { waveHeightM: r.waveHeightM, mostM: wavesM });
  if (r.windMps !== null && r.windMps > windMps) say('stop', 'breeze', { windMps: r.windMps, mostMps: windMps });
  if (g.craft) return;
  if (farthestM === null) say('change', 'shore', { farthestM, beyondM: fromShoreM });
  else if (farthestM > fromShoreM) say('stop', 'shore', { farthestM, beyondM: fromShoreM });
}
