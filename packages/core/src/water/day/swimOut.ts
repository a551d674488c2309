import { groupClock, groupTotals, type GroupPerson, type SessionPlan } from '../../sessions';
import { longestInWater, type WaterPerson, type WaterRules } from '../../safety';
import { checkWords, type CheckId } from './checks';
import type { StreamWay } from '../course/otherSwims';
import type { DayGroup, DayReadings } from './model';
import { decideDay, DUSK_MIN } from './decide';
import { valuesOf, type Noted, type ReadField } from './waterRead';
import type { DayWeather } from '../forecast/simulatedWeather';

/** What is known of a group from the people in it: how many, how young, how slow, and their health notes to answer. */
export function groupOfPeople(
  people: readonly GroupPerson[],
): Pick<DayGroup, 'swimmers' | 'children' | 'minors' | 'settle' | 'slowestMps' | 'swimmerIds' | 'health'> {
  const count = (is: (person: GroupPerson) => boolean) => people.filter(is).length;
  return {
    swimmers: people.length,
    children: count((p) => p.age === 'under-16'),
    minors: count((p) => p.age === 'under-18'),
    settle: count((p) => p.level === 'settle'),
    slowestMps: Math.min(...people.map((p) => p.v400Mps)),
    swimmerIds: people.map((p) => p.id),
    health: people.flatMap((p) => p.healthFlags.map((flag) => ({ swimmerId: p.id, flag, answer: '' }))),
  };
}

/**
 * What speaks against a swim-out at the hour it is planned, by the forecast: dusk, and the water temperature for the planned minutes. Said
 * while it is planned; the decision at the water is made by what is read there.
 *
 * @param startMs the planned start, milliseconds since 1970
 * @param minutes in the water
 * @param group who goes in, as far as it is known
 * @param noted what was read at the water for that hour; it goes before the forecast
 */
export function swimOutConcerns(
  weather: Pick<DayWeather, 'waterC' | 'sunsetMs' | 'sunriseMs'>,
  startMs: number,
  minutes: number,
  group: Pick<DayGroup, 'children' | 'minors'>,
  noted: Noted = {},
): string[] {
  const { sunsetMs, sunriseMs } = weather;
  const read = valuesOf(noted);
  const waterC = read.waterC ?? weather.waterC;
  const said: string[] = [];
  const lightLeft = sunsetMs === null ? null : (sunsetMs - startMs) / 60_000 - minutes;
  if (lightLeft !== null && lightLeft < DUSK_MIN)
    said.push(
      lightLeft < 0
        ? `It is dark ${Math.ceil(-lightLeft)} min before everyone is out: start earlier or swim less.`
        : `Only ${Math.floor(lightLeft)} min of light are left at the end; ${DUSK_MIN} are needed: start earlier or swim less.`,
    );
  if (sunriseMs !== null && startMs < sunriseMs) said.push('The start is before sunrise.');
  const who: WaterPerson = group.children > 0 ? 'child' : group.minors > 0 ? 'first' : 'used';
  const [bare, suit] = [false, true].map((wetsuit) => longestInWater(waterC, who, wetsuit).minutes);
  const longest = Math.max(bare!, suit!);
  const at = read.waterC == null ? `About ${waterC} °C is forecast:` : `${waterC} °C was read:`;
  if (longest === 0) said.push(`${at} this group does not swim in such water.`);
  else if (minutes > longest)
    said.push(
      `${at} this group stays ${longest} min at most${suit! > bare! ? ', in wetsuits' : ''}; ${minutes} are planned.`,
    );
  else if (minutes > bare!) said.push(`${at} ${minutes} min only in wetsuits${bare! > 0 ? `; ${bare} without` : ''}.`);
  return said;
}

/** Checks that what was read can raise by itself, with the readings that they need. */
const RAISED_BY: Readonly<Partial<Record<CheckId, readonly ReadField[]>>> = {
  lightning: ['lightning'],
  sewage: ['sewage'],
  fouled: ['fouled'],
  current: ['currentMps'],
  swept: ['currentMps'],
  turned: ['currentMps'],
  waves: ['waveHeightM'],
  chop: ['waveHeightM'],
  wind: ['windMps'],
  breeze: ['windMps'],
  against: ['windMps', 'currentMps'],
  rain: ['rainMm72h'],
  fog: ['visibility'],
  haze: ['visibility'],
  traffic: ['traffic'],
  lane: ['traffic'],
  wildlife: ['wildlife'],
};

/**
 * What was read at the water that speaks against a swim-out while it is planned, the worst first. The same checks as in
 * the decision, without those about watchers and kit, which are answered at the water.
 *
 * @example readConcerns({ lightning: { value: true, atMs: 0 } }, group) // ['Lightning: nobody in the water until …']
 */
export function readConcerns(
  noted: Noted,
  group: DayGroup,
  rules?: WaterRules,
  way: StreamWay | null = null,
): string[] {
  const read = valuesOf(noted);
  const has = (field: ReadField) => read[field] !== undefined;
  const readings: DayReadings = {
    ...{ waterC: null, airC: null, windMps: null, windFromDeg: 0, offshoreDeg: 0, currentMps: null, currentToDeg: 0 },
    ...{ waveHeightM: null, rainMm72h: null, visibility: null, lightning: null, sewage: null, fouled: null },
    ...{ traffic: null, wildlife: null, walked: null, lightLeftMin: null, depthM: null },
    ...(read as Partial<DayReadings>),
  };
  return decideDay(readings, group, null, rules, way)
    .checks.filter(({ id }) => RAISED_BY[id]?.every(has))
    .map(checkWords);
}

/** What one level does outside, in a line. */
export interface SwimOutLine {
  readonly name: string;
  readonly swimmers: number;
  readonly metres: number;
  /** Loops of the main part, halves counted. */
  readonly loops: number;
  /** In the water, with talks and rests there. */
  readonly minutes: number;
}

/** The levels of a session outside. */
export function swimOutLines({ groups, pool }: SessionPlan): SwimOutLine[] {
  return groups.map((group) => {
    const { metres, lengths } = groupTotals(group, pool);
    const { totalS, landS } = groupClock(group, pool);
    return {
      name: group.name,
      swimmers: group.swimmers,
      metres: Math.round(metres),
      loops: lengths,
      minutes: Math.ceil((totalS - landS) / 60),
    };
  });
}

/**
 * What a session says about the group that goes in; it does not know who is young or new.
 *
 * @example groupOfPlan(plan).minutes // the longest time any level is in the water
 */
export function groupOfPlan(plan: SessionPlan): Pick<DayGroup, 'swimmers' | 'settle' | 'slowestMps' | 'minutes'> {
  const lines = swimOutLines(plan);
  const count = (of: SessionPlan['groups']) => of.reduce((sum, g) => sum + g.swimmers, 0);
  return {
    swimmers: count(plan.groups),
    settle: count(plan.groups.filter((g) => g.level === 'settle')),
    slowestMps: Math.min(...plan.groups.map((g) => g.v400Mps)),
    minutes: Math.max(...lines.map((l) => l.minutes)),
  };
}
