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
const six = measure(60, (run) => buildSession(request(run, ['settle', 'build', 'build', 'hold', 'hold', 'race'])));
console.log(`reference       median ${ms(base.median)}`);
console.log(
  `three levels    median ${ms(three.median)}   p99 ${ms(three.p99)}   ${(three.median / base.median).toFixed(1)} × reference   (wanted: under 150 ms)`,
);
console.log(`six groups      median ${ms(six.median)}   p99 ${ms(six.p99)}`);
