import { CAUSES } from '../../review';
import { drillsServe, planConflicts, proposeThemes, type Served } from '..';

const attendee = (name: string, change: Partial<Served> = {}): Served => ({
  name,
  focus: null,
  planTheme: null,
  week: null,
  raceInDays: null,
  ...change,
});
const seven = Array.from({ length: 7 }, (_, i) => attendee(`Swimmer ${i}`, { focus: 'holds-breath', week: 'normal' }));
const five = Array.from({ length: 5 }, (_, i) =>
  attendee(`Other ${i}`, { planTheme: 'breath-too-low', week: 'normal' }),
);

describe('what a session serves', () => {
  it('counts each swimmer once for a theme, by focus or by plan', () => {
    const both = attendee('Both', { focus: 'holds-breath', planTheme: 'holds-breath' });
    expect(proposeThemes([...seven, ...five, both])).toEqual([
      { cause: 'holds-breath', swimmers: 8 },
      { cause: 'breath-too-low', swimmers: 5 },
    ]);
  });
  it('says of each drill how many need what it answers', () => {
    const [drill] = CAUSES['holds-breath'].answers;
    expect(drillsServe([drill, drill], [...seven, ...five])[0]).toMatchObject({ drill, swimmers: expect.any(Number) });
    expect(drillsServe([drill], seven)).toEqual([{ drill, swimmers: 7 }]);
    expect(drillsServe([drill], [attendee('Nobody')])).toEqual([{ drill, swimmers: 0 }]);
  });
  it('says where plans pull apart, and is silent where they do not', () => {
    const asked = { theme: 'holds-breath', week: 'normal' } as const;
    expect(planConflicts([...seven, ...five], asked)).toEqual([]);
    const tapering = attendee('Ana', { week: 'taper', planTheme: 'spins', raceInDays: 6 });
    const said = planConflicts([...seven, tapering], asked);
    expect(said).toHaveLength(2);
    expect(said[0]).toBe(
      '1 of 8 (Ana) have a lighter week in their plan: let them leave out the last part of the main set.',
    );
    expect(said[1]).toContain('nothing new for them');
    expect(planConflicts(seven, { theme: 'holds-breath', week: 'taper' })[0]).toContain('7 of 7');
    expect(planConflicts([...seven, ...five], { theme: 'spins', week: 'normal' })[0]).toContain(
      'helps 0 of 12; “' + CAUSES['holds-breath'].name + '” would help 7',
    );
  });
});
