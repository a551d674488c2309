import fc from 'fast-check';
import { NO_HISTORY, STEPS, undoable, ways, type History } from '@/state/history';

interface Draft extends History<number> {
  readonly value: number;
  readonly title: string;
}

const steps = undoable<Draft, number>(
  (draft) => draft.value,
  (draft, value) => ({ ...draft, value }),
);
const begun: Draft = { value: 0, title: 'Tuesday', ...NO_HISTORY };

describe('undo and redo', () => {
  it('behave like a list of states with a finger on one of them', () => {
    const doing = fc.oneof(fc.constant('undo' as const), fc.constant('redo' as const), fc.integer({ min: 1, max: 99 }));
    fc.assert(
      fc.property(fc.array(doing, { maxLength: 40 }), (doings) => {
        let draft = begun;
        let states = [0];
        let at = 0;
        for (const what of doings) {
          if (what === 'undo') {
            draft = steps.undone(draft);
            at = Math.max(0, at - 1);
          } else if (what === 'redo') {
            draft = steps.redone(draft);
            at = Math.min(states.length - 1, at + 1);
          } else {
            draft = steps.changed(draft, what);
            states = [...states.slice(0, at + 1), what];
            at++;
          }
          expect(draft.value).toBe(states[at]);
          expect(ways(draft)).toEqual({ canUndo: at > 0, canRedo: at < states.length - 1 });
        }
      }),
    );
  });

  it('remember sixty steps, and leave everything else of the draft alone', () => {
    const many = Array.from({ length: 70 }, (_, i) => i + 1).reduce(steps.changed, begun);
    expect(STEPS).toBe(60);
    expect(many.past).toHaveLength(60);
    let back = many;
    while (ways(back).canUndo) back = steps.undone(back);
    expect([back.value, back.title]).toEqual([10, 'Tuesday']);
  });

  it('work on a draft that an older version of the app left behind, which had no way on', () => {
    const { future: _none, ...old } = steps.changed(begun, 7);
    const back = steps.undone(old as Draft);
    expect([back.value, steps.redone(back).value]).toEqual([0, 7]);
    expect(steps.redone(old as Draft).value).toBe(7);
    expect(ways(old).canRedo).toBe(false);
  });
});
