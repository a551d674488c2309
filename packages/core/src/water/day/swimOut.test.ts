import { buildSession, groupTotals } from '../../sessions';
import { groupOfPeople, groupOfPlan, NEW_GROUP, readConcerns, swimOutConcerns, swimOutLines, type Noted } from '..';

const built = buildSession({
  ...{ kind: 'aerobic', theme: 'holds-breath', minutes: 60, place: 'open-water', pool: { length: 450, unit: 'm' } },
  ...{ kit: ['tow-float'], seed: 1 },
  groups: (['build', 'hold', 'race'] as const).map((level, i) => ({
    ...{ level, name: level, swimmers: 3 + i, lanes: 1, v400Mps: 0.85 + 0.15 * i },
  })),
});
if (built.kind === 'clash') throw new Error(JSON.stringify(built.clashes));
const { plan } = built;

describe('a swim-out for several levels', () => {
  it('has a line for each level, with loops, metres and minutes in the water', () => {
    const lines = swimOutLines(plan);
    expect(lines.map((l) => [l.name, l.swimmers])).toEqual([
      ['build', 3],
      ['hold', 4],
      ['race', 5],
    ]);
    plan.groups.forEach((g, i) => expect(lines[i]!.metres).toBe(Math.round(groupTotals(g, plan.pool).metres)));
    for (const { loops, minutes } of lines) {
      expect(loops).toBeGreaterThan(0);
      expect(loops % 1).toBe(0);
      expect(minutes).toBeLessThanOrEqual(60);
      expect(minutes).toBeGreaterThan(30);
    }
  });

  it('tells the decision how many go in, how slow the slowest is and for how long', () => {
    const group = groupOfPlan(plan);
    expect(group).toMatchObject({ swimmers: 12, settle: 0, slowestMps: 0.85 });
    expect(group.minutes).toBe(Math.max(...swimOutLines(plan).map((l) => l.minutes)));
  });
});

describe('what speaks against the hour', () => {
  const noon = Date.parse('2027-06-21T12:00:00Z');
  const hours = (h: number) => noon + h * 3_600_000;
  const weather = { waterC: 19, sunriseMs: hours(-7), sunsetMs: hours(9) };
  const grown = { children: 0, minors: 0 };
  const said = (change: object, startMs = noon, minutes = 60, group = grown) =>
    swimOutConcerns({ ...weather, ...change }, startMs, minutes, group).join(' ');

  it('is nothing on a fine day', () => expect(said({ waterC: 22 })).toBe(''));

  it('is dusk, and the dark', () => {
    // Sunset at 21:00: from 19:40 for an hour leaves 20 minutes.
    expect(said({ waterC: 22 }, hours(7 + 40 / 60))).toContain('Only 20 min of light');
    expect(said({ waterC: 22 }, hours(10))).toContain('dark 120 min before everyone is out');
    expect(said({ waterC: 22 }, hours(-8))).toContain('before sunrise');
    expect(said({ waterC: 22, sunsetMs: null, sunriseMs: null }, hours(10))).toBe('');
  });

  it('is water too cold for the minutes', () => {
    expect(said({ waterC: 12.5 }, noon, 90)).toContain('stays 20 min at most, in wetsuits; 90 are planned');
    expect(said({ waterC: 8 })).toContain('does not swim in such water');
    expect(said({ waterC: 17 }, noon, 60)).toContain('60 min only in wetsuits; 40 without');
    expect(said({ waterC: 19 }, noon, 60, { children: 1, minors: 0 })).toContain('stays 25 min at most');
    expect(said({ waterC: 19 }, noon, 60, { children: 0, minors: 1 })).toContain('stays 30 min at most');
  });
});

it('takes a group from its people: how many, how young, how slow, and whose health asks for an answer', () => {
  const person = (id: string, change: object) => ({
    ...{ id, name: id, level: 'hold', v400Mps: 1, age: 'adult', healthFlags: [] },
    ...change,
  });
  const people = [
    person('a', { healthFlags: ['asthma', 'back'] }),
    person('b', { age: 'under-16', v400Mps: 0.8 }),
    person('c', { age: 'under-18', level: 'settle' }),
  ];
  expect(groupOfPeople(people as never)).toEqual({
    ...{ swimmers: 3, children: 1, minors: 1, settle: 1, slowestMps: 0.8, swimmerIds: ['a', 'b', 'c'] },
    health: [
      { swimmerId: 'a', flag: 'asthma', answer: '' },
      { swimmerId: 'a', flag: 'back', answer: '' },
    ],
  });
});

describe('what was read at the water', () => {
  const group = { ...NEW_GROUP, swimmers: 4, slowestMps: 0.8 };
  const noted = (read: Record<string, unknown>) =>
    Object.fromEntries(Object.entries(read).map(([field, value]) => [field, { value, atMs: 1 }])) as Noted;

  it.each([
    [{ lightning: true }, /^Lightning/],
    [{ sewage: true }, /sewage/i],
    [{ waveHeightM: 1.3 }, /1.3 m/],
    [{ currentMps: 0.5 }, /current of 0.50 m\/s is over half/],
    [{ visibility: 'fog' }, /fog/i],
    [{ rainMm72h: 60 }, /60/],
    [{ traffic: 'through' }, /./],
  ])('speaks while the swim is planned: %j', (read, words) => {
    expect(readConcerns(noted(read), group)).toEqual([expect.stringMatching(words)]);
  });

  it('says nothing of watchers and kit, nor of what is fine, not known or taken back', () => {
    expect(readConcerns({}, group)).toEqual([]);
    const fine = {
      lightning: false,
      sewage: false,
      waveHeightM: 0.1,
      windMps: 2,
      currentMps: 0.1,
      visibility: 'clear',
    };
    expect(readConcerns(noted({ ...fine, rainMm72h: null }), group)).toEqual([]);
  });

  it('is gentler with beginners: waves that grown swimmers may have are named', () => {
    expect(readConcerns(noted({ waveHeightM: 0.6 }), { ...group, children: 2 })).toHaveLength(1);
  });

  it('goes before the forecast of the water', () => {
    const weather = { waterC: 22, sunriseMs: null, sunsetMs: null };
    const cold = swimOutConcerns(weather, 0, 60, { children: 0, minors: 0 }, noted({ waterC: 13 })).join(' ');
    expect(cold).toMatch(/^13 °C was read:/);
  });
});
