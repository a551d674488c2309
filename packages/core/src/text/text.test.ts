import fc from 'fast-check';
import { cleanText, cutText, plainId, sentenceCase, nameHolds } from '.';

describe('clean text', () => {
  it.each([
    ['Mark \uD83C', 'Mark \uFFFD'],
    ['\uDFCAMark', '\uFFFDMark'],
    ['a\u0000b\u001Fc\u007F', 'abc'],
    ['two\nlines\tand a tab', 'two\nlines\tand a tab'],
    ['Łukasz 🏊🏽 é', 'Łukasz 🏊🏽 é'],
  ])('%j becomes %j', (text, clean) => expect(cleanText(text)).toBe(clean));

  it('is well-formed, whatever it was', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 0xffff })), (units) => {
        const text = cleanText(String.fromCharCode(...units));
        // A lone surrogate makes this throw.
        expect(() => encodeURIComponent(text)).not.toThrow();
        expect(text).not.toContain('\u0000');
        expect(cleanText(text)).toBe(text);
      }),
    );
  });
});

describe('a cut text', () => {
  it.each([
    ['Start 🏊 here', 7, 'Start '],
    ['Start 🏊 here', 8, 'Start 🏊'],
    // One swimmer with a skin tone, one flag, one family: each is one character to a reader.
    ['🏊🏽x', 3, ''],
    ['🏊🏽x', 4, '🏊🏽'],
    ['🇳🇿🇳🇿', 5, '🇳🇿'],
    ['👨‍👩‍👧!', 7, ''],
    ['e\u0301e\u0301', 3, 'e\u0301'],
    ['short', 60, 'short'],
  ])('%j to %i is %j', (text, most, cut) => expect(cutText(text, most)).toBe(cut));

  it('is a beginning, not longer than asked and well-formed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), fc.integer({ min: 0, max: 40 }), (text, most) => {
        const cut = cutText(text, most);
        expect(text.startsWith(cut)).toBe(true);
        expect(cut.length).toBeLessThanOrEqual(most);
        expect(() => encodeURIComponent(cut)).not.toThrow();
      }),
    );
  });
});

describe('an id out of a file', () => {
  it.each([
    ['m1', 'm1'],
    ['m\u00001\uD83C', 'm1'],
    ['__proto__', ''],
    ['constructor', ''],
    ['toString', ''],
    ['x'.repeat(80), 'x'.repeat(40)],
  ])('%j becomes %j', (text, id) => expect(plainId(text, 40)).toBe(id));
});

describe('a term as a heading', () => {
  it.each([
    ['head and body line', 'Head and body line'],
    ['D′ in hand', 'D′ in hand'],
    ['', ''],
  ])('%j is shown as %j', (term, shown) => expect(sentenceCase(term)).toBe(shown));
});

describe('what is searched for', () => {
  it.each([
    ['Łukasz Dvořák', 'lukasz', true],
    ['Łukasz Dvořák', ' DVORAK', true],
    ['Zoë Müller', 'zoe mu', true],
    ['Zoë Müller', 'zoé', true],
    ['Zoë Müller', 'mueller', false],
    ['Ada', '', true],
    ['Ada', '  ', true],
  ])('%s holds %j: %p', (name, words, holds) => expect(nameHolds(name, words)).toBe(holds));
});
