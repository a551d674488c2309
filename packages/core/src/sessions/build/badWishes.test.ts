import { anotherSession, buildSession, checkPlan, groupTotals, setsOf, type BuildRequest } from '..';

const asking = (change: Partial<BuildRequest>): BuildRequest => ({
  ...{ kind: 'aerobic', theme: 'knee-kick', minutes: 60, pool: { length: 25, unit: 'm' }, kit: [], seed: 1 },
  ...{ groups: [{ level: 'hold', swimmers: 8, lanes: 2, v400Mps: null }], ...change },
});

describe('wishes that pull apart', () => {
  it('finds a session about the kick without any kit, and takes none', () => {
    const built = buildSession(asking({}));
    if (built.kind === 'clash') throw new Error(built.clashes[0]!.message);
    expect(groupTotals(built.plan.groups[0]!, built.plan.pool).kit).toEqual([]);
    expect(checkPlan(built.plan).blocked).toEqual([]);
  });

  it('ends every block of a 17 m pool at the home wall', () => {
    const built = buildSession(asking({ pool: { length: 17, unit: 'm' } }));
    if (built.kind === 'clash') throw new Error(built.clashes[0]!.message);
    for (const block of built.plan.groups[0]!.blocks) {
      const lengths = setsOf(block.items).reduce(
        (sum, { set, times }) => sum + (set.kind === 'timed' ? 0 : set.lengths * set.reps * times),
        0,
      );
      expect([block.kind, lengths % 2]).toEqual([block.kind, 0]);
    }
  });

  it('fills the hour for the coach who asks for it in a taper, and says what that costs', () => {
    // One in each lane: an hour with nobody to wait for is too much for a taper.
    const groups = [{ level: 'hold' as const, swimmers: 2, lanes: 2, v400Mps: null }];
    const kept = buildSession(asking({ week: 'taper', groups }));
    const filled = buildSession(asking({ week: 'taper', fillHour: true, groups }));
    if (kept.kind === 'clash' || filled.kind === 'clash') throw new Error('a taper was refused');
    const load = (of: typeof kept) => groupTotals(of.plan.groups[0]!, of.plan.pool).load;
    // Half of the usual load of an hour of Hold with a tenth more: 2,750 × 1.1 / 2.
    expect(load(kept)).toBeLessThanOrEqual(1513);
    expect(kept.earlierMin).toBeGreaterThan(0);
    expect(kept.notes.some((note) => note.includes('above the limit'))).toBe(false);
    expect(filled.earlierMin).toBe(0);
    expect(load(filled)).toBeGreaterThan(1513);
    expect(filled.notes.some((note) => /load is \d+ % above the limit/.test(note))).toBe(true);
  });

  it('says what clashes when minutes and metres cannot both be', () => {
    const far = buildSession(
      asking({ minutes: 20, groups: [{ level: 'hold', swimmers: 8, lanes: 2, v400Mps: null, lengths: 200 }] }),
    );
    expect(far.kind).toBe('clash');
    expect(far.kind === 'clash' && far.clashes[0]!.message.length).toBeGreaterThan(20);
  });

  it('changes the shape with every “Another one”, also without kit', () => {
    let shown = buildSession(asking({ theme: 'no-reach' }));
    for (let i = 0; i < 4; i++) {
      if (shown.kind === 'clash') throw new Error('clash');
      const next = anotherSession(asking({ theme: 'no-reach' }), shown.plan);
      expect(next.kind === 'built' && next.shape).not.toBe(shown.shape);
      shown = next;
    }
  });
});
