import { codesOfOlder } from '../src/archive/olderWeeks';

describe('weeks of an older archive', () => {
  it.each([
    ['Ill: nothing is swum, and nothing is made up for.', { note: 'ill' }],
    ['Away: nothing is swum, and nothing is made up for.', { note: 'away' }],
    ['Race week: what is known, short and sharp.', { note: 'race' }],
    ['Metres down, effort stays, nothing new.', { note: 'taper' }],
    ['A lighter week: technique, and a test while rested.', { note: 'lighter' }],
    ['Another race on 2027-05-01: swum out of training.', { note: 'other-race', on: '2027-05-01' }],
  ])('say %j as a code', (said, note) =>
    expect(codesOfOlder({ step: null, words: [said] })).toEqual({ step: null, notes: [note] }),
  );

  it('name their step by its place, leave out what nobody knows, and are left alone when they have codes', () => {
    expect(codesOfOlder({ step: 'In a group.', words: [] })).toEqual({ step: 6, notes: [] });
    expect(codesOfOlder({ step: 'Over the falls.', words: ['Hello.'] })).toEqual({ step: null, notes: [] });
    expect(codesOfOlder({ step: 3 })).toEqual({});
  });
});
