import {
  believe,
  CAUSE_IDS,
  inferCauses,
  informationGain,
  LINKS,
  SIGN_IDS,
  signsFor,
  type Sighting,
  type SignsSeen,
} from '@upwell/core/review';
import { measure, ms, reference } from './measure';

const KINDS: readonly Sighting[] = ['often', 'sometimes', 'absent'];

/** A full review: twenty signs answered. */
const signs = (run: number): SignsSeen =>
  Object.fromEntries(
    Array.from({ length: 20 }, (_, i) => [SIGN_IDS[(run * 7 + i * 5) % SIGN_IDS.length]!, KINDS[(run + i) % 3]!]),
  );

const strength = { strong: 0.85, some: 0.5, weak: 0.2 };
/** All 50 causes and 109 signs at once, which no single stroke asks for. */
const whole = {
  priors: CAUSE_IDS.map(() => 0.06),
  links: CAUSE_IDS.map((id) =>
    Object.entries(LINKS[id]).map(([s, k]) => [SIGN_IDS.indexOf(s as never), strength[k]] as const),
  ),
  signCount: SIGN_IDS.length,
  leak: 0.03,
};

const base = measure(200, reference);
const outside = measure(300, (run) =>
  inferCauses({ stroke: 'open-water', model: 'long-line', level: 'hold', signs: signs(run) }),
);
const tapped = signs(0);
const tap = measure(300, (run) =>
  inferCauses({
    stroke: 'open-water',
    model: 'long-line',
    level: 'hold',
    signs: { ...tapped, [SIGN_IDS[run % SIGN_IDS.length]!]: KINDS[run % 3]! },
  }),
);
const all = measure(300, (run) => {
  const evidence = new Map(
    Array.from({ length: 20 }, (_, i) => [(run * 7 + i * 5) % SIGN_IDS.length, KINDS[(run + i) % 3]!]),
  );
  believe(whole, evidence);
  informationGain(whole, evidence, [0, 1, 2]);
});
/** Many faults at once, each of them clear. */
const seen = (count: number, run: number): SignsSeen => {
  const listed = signsFor('open-water');
  return Object.fromEntries(
    Array.from({ length: count }, (_, i) => [listed[(run * 7 + i * 5) % listed.length]!, 'often']),
  );
};
const many = (count: number) =>
  measure(100, (run) =>
    inferCauses({ stroke: 'open-water', model: 'long-line', level: 'hold', signs: seen(count, run) }),
  );
console.log(`reference                     median ${ms(base.median)}`);
console.log(
  `outside review, look next     median ${ms(outside.median)}   p99 ${ms(outside.p99)}   ${(outside.median / base.median).toFixed(1)} × reference`,
);
console.log(
  `a single tap more             median ${ms(tap.median)}   p99 ${ms(tap.p99)}   ${(tap.median / base.median).toFixed(1)} × reference   (wanted: under 4 ms)`,
);
console.log(
  `whole catalogue, look next    median ${ms(all.median)}   p99 ${ms(all.p99)}   ${(all.median / base.median).toFixed(1)} × reference   (wanted: under 16 ms)`,
);
for (const [count, wanted] of [
  [14, '   (wanted: under 50 ms)'],
  [24, ''],
  [80, ''],
] as const) {
  const { median, p99 } = many(count);
  console.log(
    `${String(count).padEnd(3)} signs seen                median ${ms(median)}   p99 ${ms(p99)}   ${(median / base.median).toFixed(1)} × reference${wanted}`,
  );
}
