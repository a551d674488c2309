import { readSession, writeSession } from '@upwell/core/notation';
import { buildSession, type BuildRequest } from '@upwell/core/sessions';
import { CAUSE_IDS } from '@upwell/core/review';
import type { LEVELS } from '@upwell/core/swimmers';
import { measure, ms, reference } from './measure';

const request = (run: number, levels: readonly (typeof LEVELS)[number][]): BuildRequest => ({
  kind: (['aerobic', 'technique', 'speed'] as const)[run % 3]!,
  theme: CAUSE_IDS[run % CAUSE_IDS.length]!,
  minutes: 45 + (run % 5) * 10,
  pool: [
    { length: 25, unit: 'm' as const },
    { length: 50, unit: 'm' as const },
    { length: 25, unit: 'yd' as const },
  ][run % 3]!,
  kit: ['fins', 'board', 'buoy'],
  seed: run,
  groups: levels.map((level) => ({ level, swimmers: 8, lanes: 2, v400Mps: null })),
});

const base = measure(200, reference);
const three = measure(200, (run) => buildSession(request(run, ['build', 'hold', 'race'])));
// Full weeks: several earlier ends are tried.
const weeks = ['normal', 'recovery', 'taper'] as const;
const full = measure(200, (run) => {
  const { groups, ...rest } = request(run, ['build', 'hold', 'race']);
  const laden = groups.map((group, i) => ({ ...group, loadLimit: 1200 + ((run * 37 + i * 101) % 25) * 100 }));
  return buildSession({ ...rest, week: weeks[run % 3], groups: laden });
});
const six = measure(60, (run) => buildSession(request(run, ['settle', 'build', 'build', 'hold', 'hold', 'race'])));
console.log(`reference       median ${ms(base.median)}`);
console.log(
  `three levels    median ${ms(three.median)}   p99 ${ms(three.p99)}   ${(three.median / base.median).toFixed(1)} × reference   (wanted: median under 150 ms, p99 under 500 ms)`,
);
console.log(`in full weeks   median ${ms(full.median)}   p99 ${ms(full.p99)}   (wanted: p99 under 500 ms)`);
console.log(`six groups      median ${ms(six.median)}   p99 ${ms(six.p99)}   (wanted: p99 under 1000 ms)`);

// A text as it is typed: the four levels of a full session, written and read back.
const built = buildSession(request(3, ['settle', 'build', 'hold', 'race']));
if (built.kind === 'clash') throw new Error('no session to write');
const text = writeSession({ title: 'Bench', date: null, startTime: null, plan: built.plan });
const reading = measure(200, () => readSession(text));
console.log(
  `text, ${text.split('\n').length} lines   median ${ms(reading.median)}   p99 ${ms(reading.p99)}   ${(reading.median / base.median).toFixed(1)} × reference`,
);
