import type { WaterDayView } from '@upwell/contract/water';
import type { SessionPerson, SessionView } from '@upwell/contract/sessions';
import { BREATH_RULES, FEW_BREATHS_REASON } from '@upwell/core/safety';
import type { SessionPlan } from '@upwell/core/sessions';
import { sessionSheet } from '../src/sessions/sheet';
import * as pdf from '../src/platform/pdf';
import { dayPdf } from '../src/water/dayPdf';
import { planOf, setOf, waterDayOf } from './bodies';

jest.mock('../src/platform/pdf', () => ({
  ...jest.requireActual<object>('../src/platform/pdf'),
  makePdf: jest.fn(async () => Buffer.from('')),
}));

/** Every text that was printed last, in its order. */
function printed(): string {
  const [definition] = jest.mocked(pdf.makePdf).mock.calls.at(-1)!;
  const texts: string[] = [];
  JSON.stringify(definition.content, (key, value: unknown) => {
    if (key === 'text' && typeof value === 'string') texts.push(value);
    return value;
  });
  return texts.join('\n');
}

/** Every text of a sheet, in the order it is printed. */
async function textOf(set: object, per: 'level' | 'lane' = 'level'): Promise<string> {
  const query = { size: 'A5', per } as const;
  const plan = planOf([setOf({ ...set, kit: [] })]) as unknown as SessionPlan;
  const breathRecord = { lifeguard: 'Mo Bekk', rulesTold: true, minorsAgreed: false };
  const groups = plan.groups.map((group) => ({ ...group, breathRecord }));
  const session = {
    ...{ title: 'Tuesday', date: '2026-12-01', startTime: '19:00', plan: { ...plan, groups } },
    breatheFreely: ['bo'],
  };
  const person = (id: string, name: string, age: SessionPerson['age'] = 'adult'): SessionPerson => ({
    ...{ id, name, age, level: 'hold', v400Mps: 1.2, paceIsGuess: false, bests: [], healthFlags: [], rateSpm: null },
  });
  const people = [person('ada', 'Ada Stone'), person('bo', 'Bo Vale'), person('cleo', 'Cleo Marsh', 'under-16')];
  await sessionSheet({ session: session as unknown as SessionView, people, query, capacity: undefined });
  return printed();
}

describe('the sheet that is taken to the water', () => {
  it('says beside few breaths what must be said', async () => {
    const text = await textOf({
      lengths: 1,
      breathing: { kind: 'limited', first: 3, last: 3 },
      timing: { kind: 'rest', seconds: 60 },
    });
    expect(text).toContain(FEW_BREATHS_REASON);
    expect(text).toContain(BREATH_RULES.join(' '));
    expect(text).toContain('Lifeguard: Mo Bekk.');
    expect(text).toMatch(/Breathe at about 6, 13, 19 m/);
    // By name those who breathe freely, without the reason: a sheet lies about.
    expect(text).toContain('Breathing freely: Bo V., Cleo M.');
    expect(text).not.toMatch(/under 16/);
  });

  it('says it on the sheet of each lane too', async () => {
    const few = {
      lengths: 1,
      breathing: { kind: 'limited', first: 3, last: 3 },
      timing: { kind: 'rest', seconds: 60 },
    };
    const text = await textOf(few, 'lane');
    expect(text).toContain('Hold, lane 1');
    expect(text).toMatch(/Breathing freely: .*Cleo M\./);
  });

  it('says the cautions of a drill, and nothing where there is nothing to say', async () => {
    expect(await textOf({ drill: 'chest-lean' })).toContain('Stand up at the first wish for air');
    expect(await textOf({ breathing: { kind: 'every', strokes: 3, side: 'right' } })).not.toContain('faint');
  });
});

it('a decision at the water is printed by the clock of its course', async () => {
  const day = { ...waterDayOf('c'), decision: 'go', reasons: [], signedBy: 'Mo Bekk', overruled: null };
  const group = { ...day.group, health: [] };
  const at = { startsAt: '2026-07-10T21:30:00Z', signedAt: '2026-07-10T20:05:00Z' };
  await dayPdf({
    day: { ...day, ...at, group } as unknown as WaterDayView,
    courseName: 'Loop',
    timeZone: 'Europe/Athens',
    plans: [],
  });
  expect(printed()).toContain('Loop · 11 Jul 2026, 00:30 Athens time');
  expect(printed()).toContain('Signed by Mo Bekk, 10 Jul 2026, 23:05 Athens time');
  expect(printed()).not.toContain('UTC');
});
