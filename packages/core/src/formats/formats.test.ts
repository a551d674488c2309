import fc from 'fast-check';
import { NOTE_LIMITS } from '../measures';
import { joinNotes, readVtt, tapsCsv, valuesCsv, writeVtt } from '.';

describe('notes as WebVTT', () => {
  it('come back as they went out', () => {
    const note = fc.record({
      startMs: fc.integer({ min: 0, max: 7_200_000 }),
      lengthMs: fc.integer({ min: 1, max: 60_000 }),
      // Whatever a coach writes, but for an arrow, which no cue may hold.
      text: fc
        .string({ unit: fc.constantFrom(...'aZ9<>&;/vc# ä|{}'), minLength: 1, maxLength: 40 })
        .map((text) => text.trim() || '<'),
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

  it('are written so that other programs read all of them', () => {
    const text = 'look at x<3 & hips; AT&amp;T';
    const file = writeVtt([{ startS: 0, endS: 1, text }]);
    expect(file).toContain('look at x&lt;3 &amp; hips; AT&amp;amp;T');
    expect(readVtt(file).notes[0]!.text).toBe(text);
  });

  it.each([
    ['<v Coach Anke>Look <b>here</b></v>', 'Coach Anke: Look here'],
    ['<v.loud Anke>Now', 'Anke: Now'],
    ['a <c.red.big>red</c> cap, <00:00:01.500>then a <i>blue</i> one', 'a red cap, then a blue one'],
    ['R&amp;D &lt;3 &nbsp;x &unknown; A&B', 'R&D <3  x &unknown; A&B'],
    ['x<3 and y>2', 'x<3 and y>2'],
    ['&lt;v Coach&gt; stays', '<v Coach> stays'],
  ])('%s is read as its words', (cue, text) =>
    expect(readVtt(`WEBVTT\n\n00:00.000 --> 00:02.000\n${cue}\n`)).toEqual({
      notes: [{ startS: 0, endS: 2, text }],
      problems: [],
    }),
  );

  it.each([
    ['1\n00:00:01,500 --> 00:00:03,000\nElbow\nhigh\n\n2\n00:01:00,000 --> 00:01:02,000\n<i>Hips</i>\n'],
    ['\uFEFF1\r\n00:00:01,500 --> 00:00:03,000\r\nElbow\r\nhigh\r\n\r\n2\r\n0:01:00,0 --> 0:01:02,0\r\nHips'],
    [
      '1\n00:00:01.5 --> 00:00:03,000 X1:40 X2:600 Y1:20\n{\\an8}Elbow\nhigh\n\n\n2\n00:01:00,000-->00:01:02,000\nHips\n',
    ],
    ['00:00:01,500 --> 00:00:03,000\nElbow\nhigh\n\n00:01:00,000 --> 00:01:02,000\n<font color="#fff">Hips</font>\n'],
  ])('are read from SubRip: %j', (file) =>
    expect(readVtt(file)).toEqual({
      notes: [
        { startS: 1.5, endS: 3, text: 'Elbow\nhigh' },
        { startS: 60, endS: 62, text: 'Hips' },
      ],
      problems: [],
    }),
  );

  it('from SubRip with a mistake are not read, and its own line is told', () => {
    const { notes, problems } = readVtt(
      '1\n00:00:01,500 --> 00:00:03,000\nElbow\n\n2\n00:00:09,000 --> 00:00:04,000\nHips\n',
    );
    expect(notes).toEqual([]);
    expect(problems[0]!.line).toBe(6);
  });

  it('of a file that was read already are not doubled, and what is too much is told', () => {
    const one = { startS: 1, endS: 2, text: 'Elbow' };
    const two = { startS: 0.5, endS: 2, text: 'Hips' };
    expect(joinNotes([one], [two, one])).toEqual({ notes: [two, one], doubled: 1, problem: null });
    expect(joinNotes([one, two], [two, one]).doubled).toBe(2);
    const many = Array.from({ length: 301 }, (_, i) => ({ ...one, startS: i / 100 }));
    expect(joinNotes([], many)).toEqual({
      notes: [],
      doubled: 0,
      problem: 'A clip holds 300 notes; with this file there would be 301.',
    });
    expect(joinNotes([one], [{ ...two, text: 'x'.repeat(501) }]).problem).toBe(
      'The note at 0.5 s is longer than 500 letters.',
    );
    expect(NOTE_LIMITS).toEqual({ notes: 300, letters: 500 });
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
