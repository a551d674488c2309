import { longestInWater, WATER_RULES, type WaterPerson, type WaterRules } from '../safety';

/** What is known before anybody gets in. Null is not known yet. */
export interface DayReadings {
  readonly waterC: number | null;
  readonly airC: number | null;
  readonly windMps: number | null;
  /** Where the wind comes from, degrees. */
  readonly windFromDeg: number;
  /** From the start straight out onto the water, degrees. */
  readonly offshoreDeg: number;
  readonly currentMps: number | null;
  readonly currentToDeg: number;
  readonly waveHeightM: number | null;
  readonly rainMm72h: number | null;
  readonly visibility: 'clear' | 'hazy' | 'fog' | null;
  readonly lightning: boolean | null;
  readonly sewage: boolean | null;
  /** Bloom, floating matter, or water that smells. */
  readonly fouled: boolean | null;
  readonly traffic: 'none' | 'lane' | 'through' | null;
  readonly wildlife: boolean | null;
  /** Entry, exit and where else one can get out, walked beforehand. */
  readonly walked: boolean | null;
  /** Minutes between the end of the plan and dusk. */
  readonly lightLeftMin: number | null;
  /** Wet and dry: the depth at the entry, metres. */
  readonly depthM: number | null;
}

export interface DayGroup {
  readonly swimmers: number;
  readonly children: number;
  readonly settle: number;
  readonly firstTimers: number;
  /** Slowest of the group, m/s. */
  readonly slowestMps: number;
  readonly wetsuits: boolean;
  /** Qualified people who watch. */
  readonly watching: number;
  readonly craft: boolean;
  readonly stopSignal: boolean;
  readonly caller: string;
  /** Bright caps and tow floats for everybody. */
  readonly bright: boolean;
  readonly minutes: number;
}

export const DECISIONS = ['go', 'change', 'stop'] as const;
export type Decision = (typeof DECISIONS)[number];

export interface Check {
  readonly id: string;
  readonly weight: Decision;
  readonly text: string;
  /** No written reason lifts this one. */
  readonly absolute: boolean;
}

export interface DayDecision {
  readonly decision: Decision;
  /** The worst first; what is fine is not listed. */
  readonly checks: readonly Check[];
  /** Readings that are missing: asked for before anybody goes. */
  readonly missing: readonly string[];
  /** Whether the coach may overrule a stop with a written reason. */
  readonly mayOverrule: boolean;
  /** Longest time in the water for the group, minutes. */
  readonly longestMin: number | null;
}

const ASKED: readonly { readonly of: keyof DayReadings; readonly text: string }[] = [
  { of: 'waterC', text: 'the temperature of the water' },
  { of: 'windMps', text: 'the wind' },
  { of: 'currentMps', text: 'the current' },
  { of: 'waveHeightM', text: 'the waves' },
  { of: 'rainMm72h', text: 'rain in the last 72 hours' },
  { of: 'visibility', text: 'how far one sees' },
  { of: 'lightning', text: 'lightning or thunder' },
  { of: 'sewage', text: 'sewage warnings' },
  { of: 'fouled', text: 'bloom or floating matter' },
  { of: 'traffic', text: 'boats' },
  { of: 'walked', text: 'whether entry and exits were walked' },
  { of: 'lightLeftMin', text: 'daylight' },
];

/** Dusk nearer than this to the end of the plan stops it, minutes. */
const DUSK_MIN = 30;
/** Waves higher than this are for nobody; higher than the other, not for first-timers and children. */
const WAVES_M = { stop: 1.2, change: 0.5 } as const;

const apart = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

/**
 * Go, change the plan, or do not go, with every reason (the limits of the club and the place win).
 *
 * A stop may be overruled with a written reason, but never for lightning, sewage, current or missing
 * supervision, and no stop at all while a child, a Settle swimmer or a first-timer is in the group.
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

  const who: readonly WaterPerson[] = [
    ...(g.children > 0 ? (['child'] as const) : []),
    ...(g.firstTimers > 0 ? (['first'] as const) : []),
    'used',
  ];
  let longestMin: number | null = null;
  if (r.waterC !== null) {
    const times = who.map((person) => longestInWater(r.waterC!, person, g.wetsuits));
    longestMin = Math.min(...times.map((t) => t.minutes));
    const words = times.map((t) => t.word).find((w) => w !== null) ?? '';
    if (longestMin === 0)
      say(
        'stop',
        'cold',
        `At ${r.waterC} °C ${g.wetsuits ? 'in a wetsuit' : 'without a wetsuit'} this group is not planned. ${words}`.trim(),
      );
    else if (g.minutes > longestMin)
      say(
        'change',
        'minutes',
        `${g.minutes} minutes are planned; at ${r.waterC} °C this group stays ${longestMin} at most.`,
      );
    else if (words) say('change', 'warm', words);
  }

  if (r.lightning)
    say('stop', 'lightning', 'Lightning: nobody in the water until 30 minutes after the last thunder.', true);
  if (r.sewage) say('stop', 'sewage', 'A sewage warning: another water or another day.', true);
  if (r.currentMps !== null && r.currentMps > g.slowestMps / 2)
    say(
      'stop',
      'current',
      `The current of ${r.currentMps.toFixed(2)} m/s is over half of the slowest swimmer’s ${g.slowestMps.toFixed(2)} m/s.`,
      true,
    );
  const per = g.firstTimers > 0 ? rules.perWatcherFirst : rules.perWatcher;
  const needed = Math.ceil(g.swimmers / per);
  if (g.watching === 0) say('stop', 'watch', 'Nobody qualified watches.', true);
  else if (g.watching < needed)
    say(
      'stop',
      'watch',
      `${g.swimmers} swimmers need ${needed} who watch (1 to ${per}); there ${g.watching === 1 ? 'is one' : `are ${g.watching}`}.`,
      true,
    );
  if (farthestM !== null && farthestM > rules.craftBeyondM && !g.craft)
    say(
      'stop',
      'craft',
      `The farthest mark is ${Math.round(farthestM)} m out: beyond ${rules.craftBeyondM} m a safety craft is needed.`,
      true,
    );
  if (g.settle > 0) say('stop', 'settle', 'A Settle swimmer is in the group: not in deep or open water yet.');

  if (r.fouled) say('stop', 'fouled', 'Bloom or floating matter: stay out.');
  if (r.rainMm72h !== null && r.rainMm72h > rules.rainMm)
    say('stop', 'rain', `${r.rainMm72h} mm of rain in 72 hours wash dirt into the water: wait or move.`);
  if (r.visibility === 'fog') say('stop', 'fog', 'Fog: marks and swimmers are not seen.');
  if (r.lightLeftMin !== null && r.lightLeftMin < DUSK_MIN) say('stop', 'dusk', 'The plan ends too near to dusk.');
  if (r.waveHeightM !== null && r.waveHeightM > WAVES_M.stop)
    say('stop', 'waves', `Waves of ${r.waveHeightM.toFixed(1)} m hide swimmers from who watches.`);
  if (r.traffic === 'through') say('stop', 'traffic', 'Boats pass through the course.');
  if (r.walked === false) say('stop', 'walked', 'Entry, exit and other ways out were not walked: do that first.');
  if (r.depthM !== null && r.depthM < rules.leastDepthM)
    say('stop', 'depth', `${r.depthM.toFixed(1)} m at the entry: wait for more water.`);

  if (r.windMps !== null && r.windMps > 2 && apart(r.windFromDeg, r.offshoreDeg + 180) < 60)
    say(
      r.windMps > 5 ? 'stop' : 'change',
      'offshore',
      'The wind blows off the shore: out is easier than back. Swim along the shore, or not.',
    );
  if (r.windMps !== null && r.windMps > rules.windMps)
    say('stop', 'wind', `Wind of ${r.windMps} m/s is over ${rules.windMps}.`);
  if (r.windMps !== null && r.windMps > 3 && (r.currentMps ?? 0) > 0.15 && apart(r.windFromDeg, r.currentToDeg) < 60)
    say('change', 'against', 'Wind against the stream: the water steepens. Wait for slack water or shorten.');
  if (r.visibility === 'hazy') say('change', 'haze', 'Haze: stay nearer, look more often, brighter marks.');
  if (r.waveHeightM !== null && r.waveHeightM > WAVES_M.change && (g.firstTimers > 0 || g.children > 0))
    say('change', 'chop', 'Too much chop for first-timers and children.');
  if (r.traffic === 'lane')
    say('change', 'lane', 'A boat lane is near: keep the course clear of it, tow floats for everybody.');
  if (r.wildlife) say('change', 'wildlife', 'Seals or nesting birds: keep away, or swim elsewhere.');
  if (!g.bright) say('change', 'bright', 'Bright caps and tow floats are missing.');
  if (!g.stopSignal) say('change', 'signal', 'No stop signal is agreed.');
  if (g.caller.trim() === '') say('change', 'caller', 'Nobody is named who calls for help.');

  const missing = ASKED.filter(({ of }) => r[of] === null).map(({ text }) => text);
  const rank = { stop: 0, change: 1, go: 2 } as const;
  checks.sort((a, b) => rank[a.weight] - rank[b.weight]);
  const stops = checks.filter((c) => c.weight === 'stop');
  const decision: Decision = stops.length > 0 ? 'stop' : checks.length > 0 || missing.length > 0 ? 'change' : 'go';
  const guarded = g.children > 0 || g.settle > 0 || g.firstTimers > 0;
  return {
    decision,
    checks,
    missing,
    mayOverrule: stops.length > 0 && !guarded && stops.every((c) => !c.absolute),
    longestMin,
  };
}

/** What to bring, by the water. */
export function kitList(waterC: number | null, sunny: boolean, saltOrStones = true): string[] {
  const c = waterC ?? 15;
  return [
    ...(c < 18 ? ['wetsuit', 'two caps, one of them bright'] : ['bright cap']),
    'tow float',
    sunny ? 'tinted goggles, a clear pair in the bag' : 'clear goggles, a spare pair in the bag',
    ...(c < 16 ? ['ear plugs', 'gloves and socks if the event allows them'] : ['ear plugs']),
    ...(saltOrStones ? ['something for the feet on stones'] : []),
    'dry clothes, laid out in the order they go on',
    'a hot drink',
    'a bag or mat to stand on',
    'sun protection that is kind to the water',
    'a place out of the wind',
    'whistle, phone in a dry bag, first-aid kit',
    'check, clean and dry everything before another water; a second full set for two waters in one day',
  ];
}

/** From the pool to open water, in short dips: the steps of somebody who goes for the first time. */
export const FIRST_TIME_LADDER: readonly { readonly name: string; readonly what: string; readonly pass: string }[] = [
  {
    name: 'Star float in the pool',
    what: 'On the back, arms wide, breathing slowly; then from swimming, at a call.',
    pass: 'One minute, twice, calm.',
  },
  {
    name: 'No walls',
    what: '200 m in the pool without touching a wall, turning in the middle.',
    pass: 'Without stopping.',
  },
  {
    name: 'Looks and crowds',
    what: 'Looks every 8 strokes; three beside each other in a lane, starting together.',
    pass: 'Keeps the stroke, laughs about it.',
  },
  {
    name: 'First dip',
    what: 'Walk in slowly to the chest, breathe out until calm, face in, star float. Two to five minutes.',
    pass: 'Calm breath within a minute and a half.',
  },
  {
    name: 'Dips two to six',
    what: 'Short dips on other days: the gasp of cold water fades after about five or six.',
    pass: 'Gets in without gasping.',
  },
  {
    name: 'Along the shore',
    what: 'Ten minutes where one can stand, with a partner and a tow float.',
    pass: 'Swims straight to a mark and back.',
  },
  {
    name: 'Round a mark',
    what: 'A short loop in the group, one who watches beside it.',
    pass: 'Head count in and out, wants to come again.',
  },
];
