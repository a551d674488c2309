import { NEW_GROUP, plannedConcerns, readConcerns, streamWay, type Noted, type PlannedOutside } from '..';
import { buildSession } from '../../sessions';

const built = buildSession({
  ...{ kind: 'aerobic', theme: 'holds-breath', minutes: 60, place: 'open-water', pool: { length: 450, unit: 'm' } },
  ...{ kit: ['tow-float'], seed: 1 },
  groups: [{ level: 'hold', name: 'Hold', swimmers: 4, lanes: 1, v400Mps: 1 }],
});
if (built.kind === 'clash') throw new Error(JSON.stringify(built.clashes));

const spot = { lat: 31, lon: -41 };
const course = { start: spot, finish: spot, marks: [], laps: 1, areas: [], landmarks: [] };
const planned = (change: Partial<PlannedOutside> = {}): PlannedOutside => ({
  ...{ course, timeZone: 'UTC', plan: built.plan, people: [], date: '2026-06-21', startTime: '15:00', readings: [] },
  ...change,
});
const read = (hour: number, noted: Noted, date = '2026-06-21') => ({ date, hour, read: noted });
const cold: Noted = { waterC: { value: 9, atMs: 1 } };

describe('what speaks against a swim-out while it is planned', () => {
  it('is the dark at its hour, by the clock of the water', () => {
    // The sun stands highest at about 14:45 UTC at 41° west: 15:00 is noon there, 03:00 is night.
    expect(plannedConcerns(planned()).concerns.join(' ')).not.toMatch(/dark|before sunrise|of light/);
    expect(plannedConcerns(planned({ startTime: '03:00' })).concerns.join(' ')).toMatch(/dark|before sunrise/);
    // 15:00 four hours behind is 19:00 UTC: still light; 22:00 there is 02:00 UTC.
    const there = { timeZone: 'Etc/GMT+4' };
    expect(plannedConcerns(planned(there)).concerns.join(' ')).not.toMatch(/dark|before sunrise/);
    expect(plannedConcerns(planned({ ...there, startTime: '22:00' })).concerns.join(' ')).toMatch(
      /dark|before sunrise/,
    );
  });

  it('is what was read at the water for that day and hour, and nothing of another', () => {
    const at = plannedConcerns(planned({ readings: [read(15, cold)] }));
    expect(at.byReading).toBe(true);
    expect(at.concerns.join(' ')).toMatch(/9 °C|such water/);
    for (const other of [read(14, cold), read(15, cold, '2026-06-22')]) {
      const { concerns, byReading } = plannedConcerns(planned({ readings: [other] }));
      expect(byReading).toBe(false);
      expect(concerns).toEqual(plannedConcerns(planned()).concerns);
    }
  });

  it('says the same as the day does of lightning that was read', () => {
    const lightning: Noted = { lightning: { value: true, atMs: 1 } };
    const [own] = readConcerns(lightning, NEW_GROUP, undefined, streamWay(course));
    expect(own).toBeTruthy();
    expect(plannedConcerns(planned({ readings: [read(15, lightning)] })).concerns).toContain(own);
  });

  it('knows who goes: children stay less long', () => {
    const child = { id: 'c', name: 'C', level: 'hold', v400Mps: 1, age: 'under-16', healthFlags: [] };
    const mild: Noted = { waterC: { value: 19, atMs: 1 } };
    const say = (people: readonly object[]) =>
      plannedConcerns(planned({ people: people as never, readings: [read(15, mild)] })).concerns.join(' ');
    // By hand: 25 min are the most for children in 19 °C, and more than that is planned.
    expect(say([child])).toContain('stays 25 min at most');
    expect(say([{ ...child, age: 'adult' }])).not.toContain('stays 25 min');
  });
});
