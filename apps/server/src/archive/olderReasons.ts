// Reasons of days that were signed before there were codes: they stand there as sentences, in the words of that time.
import type { WaterNote } from '@upwell/core/safety';
import type { CheckFacts, CheckId, DayReason, NumbersProblem, Reading } from '@upwell/core/water';

const NUMBER = String.raw`(-?\d+(?:\.\d+)?)`;
/** A sentence in which each # is a number and each ~ any text. */
const like = (sentence: string): RegExp =>
  new RegExp(
    `^${sentence
      .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
      .replaceAll('#', NUMBER)
      .replaceAll('~', '(.*)')
      // One swimmer was called swimmers too.
      .replaceAll('swimmers', 'swimmers?')}$`,
  );

const NOTES: readonly (readonly [string, WaterNote])[] = [
  ['Under 10 °C nothing is planned here', 'winter'],
  ['Drink before and after.', 'drink'],
  ['Easy swimming only, no wetsuit.', 'easy-no-wetsuit'],
  ['Over 31 °C nobody swims.', 'too-warm'],
  ['Over 26 °C no wetsuit', 'no-wetsuit'],
  ['In a wetsuit at most 60 minutes', 'short-in-wetsuit'],
];
const noteOf = (said: string): WaterNote | null =>
  NOTES.find(([begins]) => said.trim().startsWith(begins))?.[1] ?? null;

const READINGS: Readonly<Record<string, Reading>> = {
  'lightning or thunder': 'lightning',
  'sewage warnings': 'sewage',
  'bloom or floating matter': 'fouled',
  visibility: 'visibility',
  'whether entry and exits were walked': 'walked',
  'the temperature of the water': 'waterC',
  'the temperature of the air': 'airC',
  'the wind': 'windMps',
  'the current': 'currentMps',
  'the waves': 'waveHeightM',
  'rain in the last 72 hours': 'rainMm72h',
  boats: 'traffic',
  daylight: 'lightLeftMin',
};

/** Checks that say one sentence and know no numbers. */
const PLAIN = {
  'Lightning: nobody in the water until 30 minutes after the last thunder.': 'lightning',
  'A sewage warning: another water or another day.': 'sewage',
  'Bloom or floating matter: stay out. Nobody can see whether a bloom is poisonous.': 'fouled',
  'Nobody is named to call for help.': 'caller',
  'A Settle swimmer is in the group: not in deep or open water yet.': 'settle',
  'Fog: the farthest head cannot be seen.': 'fog',
  'It gets dark before everyone is out.': 'dark',
  'The plan ends too near to dusk.': 'dusk',
  'Boats pass through the course.': 'traffic',
  'Entry, exit and other ways out were not walked: do that first.': 'walked',
  'The wind blows off the shore: getting out is easier than getting back. Swim along the shore, or not at all.':
    'offshore',
  'Wind against the stream: the water steepens. Wait for slack water or shorten.': 'against',
  'Haze: stay nearer, look more often, brighter marks.': 'haze',
  'A boat lane is near: keep the course clear of it, tow floats for everybody.': 'lane',
  'Seals or nesting birds: keep away, or swim elsewhere.': 'wildlife',
  'Bright caps and tow floats are missing.': 'bright',
  'No stop signal is agreed.': 'signal',
} as const;

const checked = <K extends CheckId>(id: K, of: CheckFacts[K]): DayReason => ({ id, of }) as unknown as DayReason;
const numbers = (wrong: Exclude<NumbersProblem['wrong'], 'nobody'>, count: string, swimmers: string) =>
  checked('numbers', { wrong, count: Number(count), swimmers: Number(swimmers) });

type Read = (...found: string[]) => DayReason | null;
const READ: readonly (readonly [RegExp, Read])[] = [
  [like('Nobody is going in: at least one swimmer is needed.'), () => checked('numbers', { wrong: 'nobody' })],
  [like('# under 18 of # swimmers: the numbers do not add up.'), (n, of) => numbers('young', n!, of!)],
  [like('# first-timers of # swimmers: the numbers do not add up.'), (n, of) => numbers('first', n!, of!)],
  [like('# at Settle of # swimmers: the numbers do not add up.'), (n, of) => numbers('settle', n!, of!)],
  [like('# are named of # swimmers: the numbers do not add up.'), (n, of) => numbers('named', n!, of!)],
  [
    like('At # °C ~ a wetsuit this group does not swim.~'),
    (c, worn, also) => checked('cold', { waterC: Number(c), wetsuits: worn === 'in', note: noteOf(also!) }),
  ],
  [
    like('# minutes are planned; at # °C this group stays # at most.~'),
    (minutes, c, most, also) =>
      checked('minutes', {
        ...{ minutes: Number(minutes), most: Number(most), waterC: Number(c) },
        note: noteOf(also!),
      }),
  ],
  [
    like('Air of # °C: too cold to come out into.'),
    (c) => checked('air', { airC: Number(c), feltC: null, ask: 'stay-out' }),
  ],
  [
    like('Air of # °C: shade, drink, and a shorter plan.'),
    (c) => checked('air', { airC: Number(c), feltC: null, ask: 'shade' }),
  ],
  [
    like('Air of # °C: warm shelter and clothes are needed at the exit.'),
    (c) => checked('air', { airC: Number(c), feltC: null, ask: 'shelter' }),
  ],
  [
    like('Air of # °C, felt as # °C in the wind: warm shelter and clothes are needed at the exit.'),
    (c, felt) => checked('air', { airC: Number(c), feltC: Number(felt), ask: 'shelter' }),
  ],
  [
    like('The current of # m/s is over half of the slowest swimmer’s # m/s.'),
    (current, slowest) => checked('current', { currentMps: Number(current), slowestMps: Number(slowest) }),
  ],
  [like('No qualified lifeguard is watching.'), () => checked('watch', { watching: 0 })],
  [like('# swimmers need # who watch (1 to #); there is one.'), (...n) => watch(n, 1)],
  [like('# swimmers need # who watch (1 to #); there are #.'), (...n) => watch(n, Number(n[3]))],
  [
    like('The farthest mark is # m out: beyond # m a safety craft is needed.'),
    (far, beyond) => checked('craft', { farthestM: Number(far), beyondM: Number(beyond) }),
  ],
  [like('A health note has no answer yet~'), () => checked('health', { unanswered: 1 })],
  [like('# health notes have no answer yet~'), (n) => checked('health', { unanswered: Number(n) })],
  [
    like('# mm of rain in 72 hours wash dirt into the water: wait or move.'),
    (mm) => checked('rain', { rainMm: Number(mm) }),
  ],
  [like('Waves of # m hide swimmers from those who watch.'), (m) => checked('waves', { waveHeightM: Number(m) })],
  [like('# m at the entry: wait for more water.'), (m) => checked('depth', { depthM: Number(m) })],
  [
    like('Waves of # m: over # m nothing for first-timers and those under 18.'),
    (m, most) => checked('chop', { waveHeightM: Number(m), mostM: Number(most) }),
  ],
  [
    like('Wind of # m/s: over # m/s nothing for first-timers and those under 18.'),
    (mps, most) => checked('breeze', { windMps: Number(mps), mostMps: Number(most) }),
  ],
  [
    like('No shore is drawn: nobody can say how far out this goes. Stay in standing depth.'),
    () => checked('shore', { farthestM: null, beyondM: 50 }),
  ],
  [
    like('The farthest mark is # m out: beyond # m first-timers and those under 18 need a craft beside them.'),
    (far, beyond) => checked('shore', { farthestM: Number(far), beyondM: Number(beyond) }),
  ],
  [like('Wind of # m/s is over #.'), (mps, most) => checked('wind', { windMps: Number(mps), mostMps: Number(most) })],
  [like('Find out first: ~.'), (list) => readings(list!)],
  [
    like('Not known: ~.'),
    (what) => {
      const missing = READINGS[what!];
      return missing ? { missing } : null;
    },
  ],
];

function watch(n: readonly string[], watching: number): DayReason {
  const [swimmers, needed, per] = n.map(Number) as [number, number, number];
  return checked('watch', { swimmers, watching, needed, per });
}

function readings(list: string): DayReason | null {
  const found = list.split(', ').map((word) => READINGS[word]);
  return found.includes(undefined) ? null : checked('unknown', { readings: found as Reading[] });
}

/**
 * An older reason as codes with its numbers. A sentence that is not known stays as it was said: it was signed.
 *
 * @example reasonOfOlder('Wind of 9 m/s is over 8.') // { id: 'wind', of: { windMps: 9, mostMps: 8 } }
 */
export function reasonOfOlder(said: string): DayReason {
  if (Object.hasOwn(PLAIN, said)) return checked(PLAIN[said as keyof typeof PLAIN], {});
  const note = noteOf(said);
  if (note !== null) return checked('warm', { note });
  for (const [sentence, read] of READ) {
    const found = sentence.exec(said);
    const reason = found && read(...found.slice(1));
    if (reason) return reason;
  }
  return { said };
}
