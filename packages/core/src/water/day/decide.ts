// Go or not: every check of the water, the air, the group and the watchers.
import type { Check, DayDecision, DayGroup, DayReadings, Decision } from './model';
import { AIR_C, feltC, longestInWater, WATER_RULES, type WaterPerson, type WaterRules } from '../../safety';

interface Asked {
  readonly of: keyof DayReadings;
  readonly text: string;
  /** Nothing is signed as go before it is answered. */
  readonly first?: true;
}

const ASKED: readonly Asked[] = [
  { of: 'lightning', text: 'lightning or thunder', first: true },
  { of: 'sewage', text: 'sewage warnings', first: true },
  { of: 'fouled', text: 'bloom or floating matter', first: true },
  { of: 'visibility', text: 'visibility', first: true },
  { of: 'walked', text: 'whether entry and exits were walked', first: true },
  { of: 'waterC', text: 'the temperature of the water' },
  { of: 'airC', text: 'the temperature of the air' },
  { of: 'windMps', text: 'the wind' },
  { of: 'currentMps', text: 'the current' },
  { of: 'waveHeightM', text: 'the waves' },
  { of: 'rainMm72h', text: 'rain in the last 72 hours' },
  { of: 'traffic', text: 'boats' },
  { of: 'lightLeftMin', text: 'daylight' },
];

/** Dusk nearer than this to the end of the plan stops it, minutes. */
export const DUSK_MIN = 30;
/** Waves above this stop everyone, metres. */
const WAVES_M = 1.2;
/** Limits for first-timers and children: waves in metres, wind in m/s, metres from the shore without a craft. */
export const FIRST_TIME = { wavesM: 0.3, windMps: 4, fromShoreM: 50 } as const;
/** Wind off the shore, within this angle in degrees: a warning above the first speed, a stop above the second, m/s. */
const OFFSHORE = { withinDeg: 60, toldMps: 2, stopMps: 5 } as const;
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
export function numbersProblem(g: DayGroup): string | null {
  if (g.swimmers < 1) return 'Nobody is going in: at least one swimmer is needed.';
  const young = g.children + g.minors;
  if (young > g.swimmers) return `${young} under 18 of ${g.swimmers} swimmers: the numbers do not add up.`;
  if (g.firstTimers > g.swimmers)
    return `${g.firstTimers} first-timers of ${g.swimmers} swimmers: the numbers do not add up.`;
  if (g.settle > g.swimmers) return `${g.settle} at Settle of ${g.swimmers} swimmers: the numbers do not add up.`;
  if (g.swimmerIds.length > g.swimmers)
    return `${g.swimmerIds.length} are named of ${g.swimmers} swimmers: the numbers do not add up.`;
  return null;
}

/**
 * Go, change the plan, or do not go, with every reason (the limits of the club and the place win).
 *
 * What nobody may overrule, ever, is marked absolute: lightning, sewage, bloom, a current over half of the slowest
 * swimmer, nobody qualified watching, fog, darkness without lights and escort, under 10 °C without a winter group's own
 * rules, a way out that is not known, boats through the course without escort, and whatever must be known and is not.
 * No stop at all is overruled while someone under 18, a Settle swimmer or a first-timer is in the group.
 *
 * @param farthestM farthest mark from the shore, metres; null when no shore is drawn
 */
export function decideDay(
  r: DayReadings,
  g: DayGroup,
  farthestM: number | null,
  rules: WaterRules = WATER_RULES,
): DayDecision {
  const checks: Check[] = [];
  const say = (weight: Decision, id: string, text: string, absolute = false) =>
    checks.push({ id, weight, text, absolute });

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
    const words = times.map((t) => t.word).find((w) => w !== null) ?? '';
    if (longestMin === 0)
      say(
        'stop',
        'cold',
        `At ${r.waterC} °C ${g.wetsuits ? 'in a wetsuit' : 'without a wetsuit'} this group does not swim. ${words}`.trim(),
        r.waterC < WINTER_C && !g.winterRules,
      );
    else if (g.minutes > longestMin)
      say(
        gentle ? 'stop' : 'change',
        'minutes',
        `${g.minutes} minutes are planned; at ${r.waterC} °C this group stays ${longestMin} at most. ${words}`.trim(),
      );
    else if (words) say('change', 'warm', words);
  }
  if (r.airC !== null) sayAir(r.airC, r.windMps ?? 0, g, say);

  if (r.lightning)
    say('stop', 'lightning', 'Lightning: nobody in the water until 30 minutes after the last thunder.', true);
  if (r.sewage) say('stop', 'sewage', 'A sewage warning: another water or another day.', true);
  if (r.fouled)
    say('stop', 'fouled', 'Bloom or floating matter: stay out. Nobody can see whether a bloom is poisonous.', true);
  if (r.currentMps !== null && r.currentMps > g.slowestMps / 2)
    say(
      'stop',
      'current',
      `The current of ${r.currentMps.toFixed(2)} m/s is over half of the slowest swimmer’s ${g.slowestMps.toFixed(2)} m/s.`,
      true,
    );
  const per = first ? rules.perWatcherFirst : rules.perWatcher;
  const needed = Math.ceil(g.swimmers / per);
  if (g.watching === 0) say('stop', 'watch', 'No qualified lifeguard is watching.', true);
  else if (g.watching < needed)
    say(
      'stop',
      'watch',
      `${g.swimmers} swimmers need ${needed} who watch (1 to ${per}); there ${g.watching === 1 ? 'is one' : `are ${g.watching}`}.`,
      true,
    );
  if (g.caller.trim() === '') say('stop', 'caller', 'Nobody is named to call for help.', true);
  if (farthestM !== null && farthestM > rules.craftBeyondM && !g.craft)
    say(
      'stop',
      'craft',
      `The farthest mark is ${Math.round(farthestM)} m out: beyond ${rules.craftBeyondM} m a safety craft is needed.`,
      true,
    );
  if (g.settle > 0) say('stop', 'settle', 'A Settle swimmer is in the group: not in deep or open water yet.', true);
  const unanswered = g.health.filter((h) => h.answer.trim().length < LEAST_ANSWER).length;
  if (unanswered > 0)
    say(
      'stop',
      'health',
      `${unanswered === 1 ? 'A health note has' : `${unanswered} health notes have`} no answer yet: what the doctor said, medicine at the exit, who stays alongside.`,
      true,
    );

  if (r.rainMm72h !== null && r.rainMm72h > rules.rainMm)
    say('stop', 'rain', `${r.rainMm72h} mm of rain in 72 hours wash dirt into the water: wait or move.`);
  if (r.visibility === 'fog') say('stop', 'fog', 'Fog: the farthest head cannot be seen.', true);
  if (r.lightLeftMin !== null && r.lightLeftMin < 0)
    say('stop', 'dark', 'It gets dark before everyone is out.', !(g.lights && g.craft));
  else if (r.lightLeftMin !== null && r.lightLeftMin < DUSK_MIN) say('stop', 'dusk', 'The plan ends too near to dusk.');
  if (r.waveHeightM !== null && r.waveHeightM > WAVES_M)
    say('stop', 'waves', `Waves of ${r.waveHeightM.toFixed(1)} m hide swimmers from those who watch.`);
  if (r.traffic === 'through') say('stop', 'traffic', 'Boats pass through the course.', !g.craft);
  if (r.walked === false) say('stop', 'walked', 'Entry, exit and other ways out were not walked: do that first.', true);
  if (r.depthM !== null && r.depthM < rules.leastDepthM)
    say('stop', 'depth', `${r.depthM.toFixed(1)} m at the entry: wait for more water.`);

  if (gentle) sayGentle(r, g, farthestM, say);
  if (
    r.windMps !== null &&
    r.windMps > OFFSHORE.toldMps &&
    apart(r.windFromDeg, r.offshoreDeg + 180) < OFFSHORE.withinDeg
  )
    say(
      r.windMps > OFFSHORE.stopMps ? 'stop' : 'change',
      'offshore',
      'The wind blows off the shore: getting out is easier than getting back. Swim along the shore, or not at all.',
    );
  if (r.windMps !== null && r.windMps > rules.windMps)
    say('stop', 'wind', `Wind of ${r.windMps} m/s is over ${rules.windMps}.`);
  if (
    r.windMps !== null &&
    r.windMps > AGAINST.windMps &&
    (r.currentMps ?? 0) > AGAINST.currentMps &&
    apart(r.windFromDeg, r.currentToDeg) < AGAINST.withinDeg
  )
    say('change', 'against', 'Wind against the stream: the water steepens. Wait for slack water or shorten.');
  if (r.visibility === 'hazy') say('change', 'haze', 'Haze: stay nearer, look more often, brighter marks.');
  if (r.traffic === 'lane')
    say('change', 'lane', 'A boat lane is near: keep the course clear of it, tow floats for everybody.');
  if (r.wildlife) say('change', 'wildlife', 'Seals or nesting birds: keep away, or swim elsewhere.');
  if (!g.bright)
    say(
      r.traffic === 'lane' || r.traffic === 'through' ? 'stop' : 'change',
      'bright',
      'Bright caps and tow floats are missing.',
    );
  if (!g.stopSignal) say('change', 'signal', 'No stop signal is agreed.');

  const asked = ASKED.filter(({ of }) => r[of] === null);
  const missing = asked.filter((a) => !a.first).map(({ text }) => text);
  const atFirst = asked.filter((a) => a.first).map(({ text }) => text);
  if (atFirst.length > 0) say('stop', 'unknown', `Find out first: ${atFirst.join(', ')}.`, true);
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

type Say = (weight: Decision, id: string, text: string, absolute?: boolean) => void;

function sayAir(airC: number, windMps: number, g: DayGroup, say: Say): void {
  const felt = feltC(airC, windMps);
  const feels = felt < airC - FELT_COLDER_C ? `, felt as ${Math.round(felt)} °C in the wind` : '';
  if (airC < AIR_C.stop) say('stop', 'air', `Air of ${airC} °C: too cold to come out into.`);
  else if ((airC < AIR_C.shelter || felt < AIR_C.feltShelter) && !g.warmExit)
    say('stop', 'air', `Air of ${airC} °C${feels}: warm shelter and clothes are needed at the exit.`);
  else if (airC > AIR_C.hot) say('change', 'air', `Air of ${airC} °C: shade, drink, and a shorter plan.`);
}

/** Limits while first-timers or children are in the group. */
function sayGentle(r: DayReadings, g: DayGroup, farthestM: number | null, say: Say): void {
  const theirs = 'first-timers and those under 18';
  if (r.waveHeightM !== null && r.waveHeightM > FIRST_TIME.wavesM)
    say('stop', 'chop', `Waves of ${r.waveHeightM.toFixed(1)} m: over ${FIRST_TIME.wavesM} m nothing for ${theirs}.`);
  if (r.windMps !== null && r.windMps > FIRST_TIME.windMps)
    say('stop', 'breeze', `Wind of ${r.windMps} m/s: over ${FIRST_TIME.windMps} m/s nothing for ${theirs}.`);
  if (g.craft) return;
  if (farthestM === null)
    say('change', 'shore', 'No shore is drawn: nobody can say how far out this goes. Stay in standing depth.');
  else if (farthestM > FIRST_TIME.fromShoreM)
    say(
      'stop',
      'shore',
      `The farthest mark is ${Math.round(farthestM)} m out: beyond ${FIRST_TIME.fromShoreM} m ${theirs} need a craft beside them.`,
    );
}
