import fc from 'fast-check';
import { readVtt, tapsCsv, valuesCsv, writeVtt } from '.';

describe('notes as WebVTT', () => {
  it('come back as they went out', () => {
    const note = fc.record({
      startMs: fc.integer({ min: 0, max: 7_200_000 }),
      lengthMs: fc.integer({ min: 1, max: 60_000 }),
      text: fc.stringMatching(/^[a-zA-Z0-9,.!?äöü]([a-zA-Z0-9 ,.!?äöü]{0,40}[a-z])?$/),
    });
    fc.assert(
      fc.property(fc.uniqueArray(note, { maxLength: 12, selector: (n) => n.startMs }), (list) => {
        const notes = list
          .map((n) => ({ startS: n.startMs / 1000, endS: (n.startMs + n.lengthMs) / 1000, text: n.text }))
          .sort((a, b) => a.startS - b.startS);
        expect(readVtt(writeVtt(notes))).toEqual({ notes, problems: [] });
      }),
    );
  });

  it('cannot be broken by what a coach writes', () => {
    const { notes, problems } = readVtt(writeVtt([{ startS: 0, endS: 1, text: 'left --> right\n\nnew line' }]));
    expect(problems).toEqual([]);
    expect(notes).toEqual([{ startS: 0, endS: 1, text: 'left → right\nnew line' }]);
  });

  it.each([
    ['not a subtitle file', 1],
    ['WEBVTT\n\n00:00:04.000 --> 00:00:02.000\nbackwards\n', 3],
    ['WEBVTT\n\n00:00:61.000 --> 00:01:02.000\nno such second\n', 3],
  ])('say the line of what is wrong and import nothing: %p', (text, line) => {
    const { notes, problems } = readVtt(text);
    expect(notes).toEqual([]);
    expect(problems[0]!.line).toBe(line);
    expect(problems[0]!.message.length).toBeGreaterThan(5);
  });

  it('are refused when the file is far too long', () => {
    expect(readVtt('x'.repeat(600_000)).problems).toHaveLength(1);
  });
});

describe('measures as CSV', () => {
  it('hold one tap a line', () =>
    expect(tapsCsv([{ kind: 'entry', side: 'left', timeS: 1.2 }])).toBe('kind,side,time_s\nentry,left,1.200'));

  it('hold nothing that a spreadsheet would run', () =>
    expect(valuesCsv([{ name: '=1+1', value: 3, unit: 's' }])).toBe(`name,value,unit\n"'=1+1",3,s`));
});
