import { raceCardSchema, type WaterDayView } from '@upwell/contract/water';
import { readResults, writeGpx, writeResults, type ResultRow } from '@upwell/core/exchange';
import { listText } from '@upwell/core/exchange/files';
import { readVtt, writeVtt } from '@upwell/core/formats';
import { readSession, readSessionCsv, writeSessionCsv } from '@upwell/core/notation';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Joi } from '@upwell/contract/joi';
import { listFile, packed, type List } from '../src/lists/tableFile';
import { CSV_MARK } from '../src/platform/fileName';
import { toCalendar } from '../src/sessions/calendar';
import type { CalendarSession } from '../src/sessions/calendarParts';
import { raceCardPdf } from '../src/water/cardPdf';
import { dayPdf } from '../src/water/dayPdf';
import { raceCardOf, waterDayOf } from './bodies';

// Programs of others read what leaves here, and write what is read here again. All of them are in Debian; LibreOffice is
// used where it is installed.
const has = (program: string, ask: string) => spawnSync(program, [ask]).error === undefined;
/** Debian's own: another one knows nothing of Debian's packages. */
const PYTHON = '/usr/bin/python3';
const pythonHas = (module: string) => spawnSync(PYTHON, ['-c', `import ${module}`]).status === 0;
const THERE = {
  qpdf: has('qpdf', '--version'),
  poppler: has('pdffonts', '-v'),
  ffmpeg: has('ffmpeg', '-version'),
  xmllint: has('xmllint', '--version'),
  icalendar: pythonHas('icalendar'),
  libreoffice: has('soffice', '--version'),
};
for (const [program, there] of Object.entries(THERE))
  if (!there) process.stderr.write(`\n!!! ${program} is not installed: what it reads and writes is NOT tested.\n\n`);
const where = (program: keyof typeof THERE) => (THERE[program] ? it : it.skip);

let folder: string;
beforeAll(() => void (folder = mkdtempSync(path.join(tmpdir(), 'upwell-foreign-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string) => path.join(folder, name);
function keep(name: string, content: string | Buffer): string {
  writeFileSync(file(name), content);
  return file(name);
}
function run(program: string, ...args: readonly string[]): { readonly out: string; readonly err: string } {
  const { status, stdout, stderr } = spawnSync(program, args, { encoding: 'utf8', maxBuffer: 50e6 });
  if (status !== 0) throw new Error(`${program} ${args.join(' ')}: ${stderr}`);
  return { out: stdout, err: stderr };
}

const NAMES = ['Łukasz Dvořák-Ştefănescu', 'Γιώργος Παπαδόπουλος', 'Борис Њег', 'Zoë Öztürk', 'Ők Žižka'];
const LIST: List = {
  fileName: 'results',
  ...{ title: 'Results, Łąka', under: 'as of today → ≤ ﬁ' },
  tables: [
    {
      title: 'Results',
      columns: [
        { head: 'Swimmer', kind: 'text' },
        { head: 'Date', kind: 'day' },
        { head: 'Distance m', kind: { decimals: 0 } },
        { head: 'Time', kind: 'time' },
      ],
      rows: NAMES.flatMap((name, i) => [
        [name, '2026-10-19', 400, 352.14 + i],
        [name, '2026-10-20', 1500, 1270.5 + i],
      ]),
    },
  ],
};

const day = (): WaterDayView => {
  const signed = { signedBy: NAMES[0], signedAt: '2026-07-10T20:05:00Z', decision: 'go', reasons: [], overruled: null };
  const { group, ...rest } = waterDayOf('c');
  return { ...rest, ...signed, group: { ...group, health: [] } } as unknown as WaterDayView;
};

const PAPER: readonly (readonly [name: string, make: () => Promise<Buffer>, holds: readonly string[]])[] = [
  [
    'list',
    async () => listFile({ list: await packed(LIST), format: 'pdf' }),
    [...NAMES, 'Results, Łąka', '5:52.14', '→ ≤ ﬁ'],
  ],
  [
    'race card',
    () => raceCardPdf(Joi.attempt({ ...raceCardOf(), course: 'Łąka', swimmer: NAMES[1]! }, raceCardSchema)),
    ['Łąka', NAMES[1]!],
  ],
  [
    'day at the water',
    () => dayPdf({ day: day(), courseName: 'Борис', timeZone: 'Europe/Athens', plans: [] }),
    ['Борис', `Signed by ${NAMES[0]!}`],
  ],
];

describe.each(PAPER)('a %s on paper', (name, make, holds) => {
  const at = () => file(`${name}.pdf`);
  beforeAll(async () => void keep(`${name}.pdf`, await make()));

  where('qpdf')('is whole for qpdf', () => {
    const { out, err } = run('qpdf', '--check', at());
    expect([out, err].join('')).not.toMatch(/warning|error:/i);
    expect(out).toContain('PDF Version: 1.7');
  });

  where('poppler')('has every font in it, all letters, its structure and its title', () => {
    const fonts = run('pdffonts', at()).out.trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(0);
    // Name, kind, encoding, embedded, subset, letters told.
    for (const font of fonts) expect(font).toMatch(/ yes yes yes /);
    const text = run('pdftotext', '-layout', at(), '-').out;
    for (const words of holds) expect(text).toContain(words);
    const info = run('pdfinfo', at()).out;
    expect(info).toMatch(/Tagged: +yes/);
    expect(info).toMatch(/Title: +\S/);
    const told = run('pdfinfo', '-struct-text', at());
    expect(told.err).not.toMatch(/Syntax (Warning|Error)/);
    for (const words of holds) expect(told.out).toContain(words);
  });
});

describe('a calendar', () => {
  const session = (timeZone: string, spot: CalendarSession['at']['spot']): CalendarSession => ({
    ...{
      id: '01890000-0000-7000-8000-0000000000a1',
      title: 'Łąka; "calm", all',
      date: '2026-07-10',
      startTime: '21:30',
    },
    ...{ timeZone, theme: 'holds-breath', minutes: 60, version: 3, at: { name: 'Łąka, the bay', spot } },
    groups: [{ name: 'Hold', level: 'hold', metres: 1800, load: 1400 }],
  });
  const READ = `
import icalendar, json, sys
calendar = icalendar.Calendar.from_ical(open(sys.argv[1], 'rb').read())
print(json.dumps({'errors': [str(e) for c in calendar.walk() for e in c.errors],
  'zones': [str(z['TZID']) for z in calendar.walk('VTIMEZONE')],
  'events': [{'uid': str(e['UID']), 'summary': str(e['SUMMARY']), 'location': str(e.get('LOCATION', '')),
    'start': e['DTSTART'].dt.isoformat(), 'end': e['DTEND'].dt.isoformat(),
    'zone': str(e['DTSTART'].params.get('TZID', ''))} for e in calendar.walk('VEVENT')]}))`;

  where('icalendar')('is read with its zone, place and whole days', () => {
    const races = [{ id: 'abc', event: 'Große Überquerung', date: '2026-07-18' }];
    const text = toCalendar('Łąka', [session('Europe/Athens', { lat: 37.9, lon: 23.7 })], {
      races,
      tests: ['2026-07-13'],
    });
    const read = JSON.parse(run(PYTHON, '-c', READ, keep('c.ics', text)).out);
    expect(read).toEqual({
      errors: [],
      zones: ['Europe/Athens'],
      events: [
        {
          ...{
            uid: '01890000-0000-7000-8000-0000000000a1@upwell',
            summary: 'Łąka; "calm", all',
            location: 'Łąka, the bay',
          },
          ...{ start: '2026-07-10T21:30:00+03:00', end: '2026-07-10T22:30:00+03:00', zone: 'Europe/Athens' },
        },
        {
          uid: 'race-abc@upwell',
          summary: 'Große Überquerung',
          location: '',
          start: '2026-07-18',
          end: '2026-07-19',
          zone: '',
        },
        {
          ...{ uid: 'test-2026-07-13@upwell', summary: 'Week of a test', location: '', zone: '' },
          ...{ start: '2026-07-13', end: '2026-07-20' },
        },
      ],
    });
  });

  where('icalendar')('of an hour that the clock has twice is one moment', () => {
    const text = toCalendar('x', [{ ...session('Europe/Athens', null), date: '2026-10-25', startTime: '03:30' }]);
    const { events } = JSON.parse(run(PYTHON, '-c', READ, keep('d.ics', text)).out);
    expect(events[0].start).toMatch(/^2026-10-25T03:30:00\+0[23]:00$/);
  });
});

where('ffmpeg')('notes on a clip keep every letter in another program, and come back from it', () => {
  const notes = [
    { startS: 1.5, endS: 3, text: 'look at x<3 & hips' },
    { startS: 4, endS: 6, text: 'Łokieć\nhigh > low' },
  ];
  const subRip = run('ffmpeg', '-v', 'error', '-i', keep('n.vtt', writeVtt(notes)), '-f', 'srt', '-').out;
  expect(subRip).toContain('look at x<3 & hips');
  expect(subRip).toContain('high > low');
  expect(readVtt(subRip)).toEqual({ notes, problems: [] });
});

where('xmllint')('a kept track is well-formed GPX, whatever it is called', () => {
  const points = [0, 1, 2].map((n) => ({ lat: 31 + n / 1000, lon: -41, timeMs: Date.UTC(2026, 6, 1) + n * 1000 }));
  expect(run('xmllint', '--noout', keep('t.gpx', writeGpx('<Łąka> & "bay"', points))).err).toBe('');
});

describe('a spreadsheet program', () => {
  const swims: ResultRow[] = NAMES.flatMap((name, i) =>
    [400, 1500, 100].map((distanceM, n) => ({
      ...{ name, swimmerId: String(i), on: `2026-10-1${n}`, distanceM, timeS: distanceM * 0.9 + i + 0.25 },
      ...{ strokesPerLength: n === 0 ? null : 18 + n, kind: 'trial' as const },
    })),
  );
  const known = NAMES.map((name, i) => ({ id: String(i), name }));
  const expected = swims.map(({ name: _name, ...line }) => line);
  /** Converts with LibreOffice, as somebody who works in a language does. */
  function convert(name: string, to: string, filter: string, inFilter?: string): string {
    const stem = path.basename(name, path.extname(name));
    run(
      'soffice',
      `-env:UserInstallation=file://${folder}/office`,
      ...[
        '--headless',
        ...(inFilter ? [`--infilter=${inFilter}`] : []),
        '--convert-to',
        filter,
        '--outdir',
        folder,
        name,
      ],
    );
    return file(`${stem}.${to}`);
  }
  const LANGUAGES = [
    ['English', '1033', '44'],
    ['German', '1031', '59'],
  ] as const;

  where('libreoffice').each(LANGUAGES)('loses and doubles no result (%s)', async (language, locale, separator) => {
    // Comma, quotes, UTF-8, from the first row, in a language, nothing quoted by force, numbers recognized.
    const csv = keep(`r-${language}.csv`, CSV_MARK + writeResults(swims));
    const sheet = convert(csv, 'xlsx', 'xlsx', `CSV:44,34,76,1,,${locale},false,true`);
    const inBook = await listText(readFileSync(sheet));
    if ('refused' in inBook) throw new Error(inBook.refused);
    const fromBook = readResults(inBook.text, null, known);
    expect([fromBook.problems, fromBook.results]).toEqual([[], expected]);
    const again = convert(sheet, 'csv', `csv:Text - txt - csv (StarCalc):${separator},34,76,1`);
    const fromText = readResults(readFileSync(again, 'utf8'), null, known);
    expect([fromText.problems, fromText.results]).toEqual([[], expected]);
  });

  where('libreoffice')('reads our workbook as it was written, times as times', async () => {
    const book = keep('ours.xlsx', await listFile({ list: await packed(LIST), format: 'xlsx' }));
    const csv = readFileSync(convert(book, 'csv', 'csv:Text - txt - csv (StarCalc):44,34,76,1'), 'utf8');
    const read = readResults(csv, null, known);
    expect(read.problems).toEqual([]);
    expect(read.results.map((r) => [r.swimmerId, r.on, r.distanceM, r.timeS])).toEqual(
      LIST.tables[0]!.rows.map(([name, on, metres, time]) => [String(NAMES.indexOf(name as string)), on, metres, time]),
    );
  });

  where('libreoffice').each(LANGUAGES)('leaves a session what it is (%s)', (language, locale, separator) => {
    const text =
      '# Łąka\nwhen: 2026-11-26 07:00\n\n== Hold\nMain\n3 x (\n8 x 100 crawl 80%, breathe 3, on 2:15\n1 x 200 crawl easy, rest 1:30\n)\n';
    const { document, problems } = readSession(text);
    expect(problems).toEqual([]);
    const csv = keep(`s-${language}.csv`, writeSessionCsv(document));
    const sheet = convert(csv, 'ods', 'ods', `CSV:44,34,76,1,,${locale},false,true`);
    const again = convert(sheet, 'csv', `csv:Text - txt - csv (StarCalc):${separator},34,76,1`);
    const back = readSessionCsv(readFileSync(again, 'utf8'));
    expect(back.problems).toEqual([]);
    expect(back.document).toEqual(readSessionCsv(writeSessionCsv(document)).document);
  });
});
