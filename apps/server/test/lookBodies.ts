// A look at the stroke as it is sent, the focus it gives, and the second look that closes it.
import { v7 } from 'uuid';

export const focusOf = (change: object = {}) => ({
  ...{ id: v7(), cause: 'dropped-elbow', drill: 'front-scull', cue: 'Fingertips down.' },
  ...{ tries: 4, relookOn: '2026-12-08' },
  ...change,
});

export const lookOf = (swimmerId: string, change: object = {}) => ({
  ...{ swimmerId, lookedAt: new Date().toISOString(), stroke: 'front-crawl', model: 'long-line', level: 'hold' },
  ...{ signs: { 'elbow-leads': 'often', 'hand-slips': 'often' }, measured: {}, good: 'even kick' },
  ...{ focus: focusOf(), relook: null, version: 0, writeId: v7() },
  ...change,
});

export const closingOf = (swimmer: string, focusId: string, outcome: string, change: object = {}) =>
  lookOf(swimmer, {
    signs: { 'elbow-leads': 'absent', 'hand-slips': 'absent' },
    focus: null,
    relook: { focusId, outcome },
    ...change,
  });
