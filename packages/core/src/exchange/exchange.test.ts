import fc from 'fast-check';
import { deviceLengthsCsv, guessMapping, readGpx, readResults, readTrackFile, writeGpx, writeResults } from '.';
import type { ResultLine } from '../measures';

const PEOPLE = [
  { id: 'a', name: 'Ada Lindqvale' },
  { id: 'b', name: 'Bérénice van der Stray' },
  { id: 'c', name: 'Bo Twin' },
  { id: 'd', name: 'Bo Twin' },
];

const read = (text: string) => readResults(text, null, PEOPLE, { timeZone: 'UTC', units: 'm', thisYear: 2099 });

describe('results out of CSV', () => {
  it('guesses the columns and reads times as coaches write them', () => {
    const { results, problems, mapping } = read(
      'Swimmer;Date;Distance;Time;Strokes\nada lindqvale;01.11.2026;400 m;6:20,5;19\n',
    );
    expect(problems).toEqual([]);
    expect(mapping).toMatchObject({ dateOrder: 'dmy', unit: 'm' });
    expect(results).toEqual([
      { swimmerId: 'a', on: '2026-11-01', distanceM: 400, timeS: 380.5, strokesPerLength: 19, kind: 'trial' },
    ]);
  });

  it('finds names by family name first, without accents', () => {
    const { results } = read('name,date,distance_m,time_s\n"van der stray, Berenice",2026-11-01,100,80\n');
    expect(results[0]!.swimmerId).toBe('b');
  });

  it('names what is wrong by the line of the file, and takes nothing of such a row', () => {
    const { results, problems, badRows } = read(
      [
        'swimmer,date,distance,time,strokes',
        'Ada Lindqvale,2026-11-01,400,6:20,19',
        '',
        'Nobody Here,2026-11-01,400,6:20,19',
        'Bo Twin,2026-11-01,400,6:20,19',
        'Ada Lindqvale,2026-02-30,400,6:20,19',
        'Ada Lindqvale,2026-11-01,far,6:20,19',
        'Ada Lindqvale,2026-11-01,400,soon,19',
        'Ada Lindqvale,2026-11-01,400,1:00,19',
        'Ada Lindqvale,2026-11-01,400,6:20,-3',
      ].join('\n'),
    );
    expect(results).toHaveLength(1);
    expect(badRows).toBe(7);
    expect(problems.map((p) => p.line)).toEqual([4, 5, 6, 7, 8, 9, 10]);
    expect(problems.map((p) => p.message.slice(0, 12))).toEqual([
      'Nobody here ',
      'There are se',
      '“2026-02-30”',
      '“far” is not',
      '“soon” is no',
      '400 m in 1:0',
      '“-3” is not ',
    ]);
  });

  it('asks for the columns it cannot guess, and reads with the mapping it is given', () => {
    const text = 'x,y,z\n2026-11-01,100,80\n';
    expect(read(text).problems[0]!.message).toBe('Say which column is the swimmer, the date, the distance, the time.');
    const mapping = {
      fields: ['date', 'distance', 'time'] as const,
      dateOrder: 'ymd' as const,
      unit: 'yd' as const,
      swimmerId: 'a',
    };
    expect(readResults(text, mapping, PEOPLE).results).toMatchObject([{ swimmerId: 'a', distanceM: 91.44, timeS: 80 }]);
  });

  it('reads the pool, the splits and the meet, and gives them back', () => {
    const text = [
      'Swimmer;Date;Distance;Time;Pool;Splits;Meet',
      'Ada Lindqvale;01.11.2026;400;5:52;25 m;1:24 2:53 4:23;Autumn gala',
      'Ada Lindqvale;01.11.2026;100;1:16;lcm;;',
      'Ada Lindqvale;01.11.2026;100;1:16;short;;',
      'Ada Lindqvale;01.11.2026;100;1:16;250;;',
      'Ada Lindqvale;01.11.2026;400;5:52;25;1:20 soon;',
      'Ada Lindqvale;01.11.2026;400;5:52;25;2:20 1:20;',
      `Ada Lindqvale;01.11.2026;400;5:52;25;;${'x'.repeat(81)}`,
    ].join('\n');
    const { results, problems } = read(text);
    expect(results.map((r) => r.details)).toEqual([
      { pool: { length: 25, unit: 'm' }, splitsS: [84, 173, 263], meet: 'Autumn gala' },
      { pool: { length: 50, unit: 'm' } },
    ]);
    expect(problems.map(({ line, message }) => `${line} ${message.slice(0, 22)}`)).toEqual([
      '4 “short” is not the len',
      '5 A pool is 8 to 100 m l',
      '6 “1:20 soon” are not ti',
      '7 Splits are the clock o',
      '8 The name of a meet has',
    ]);
    const named = results.map((r) => ({ ...r, name: 'Ada Lindqvale' }));
    expect(read(writeResults(named)).results).toEqual(results);
    // A meet that looks like a formula is harmless in a spreadsheet, and comes back as it was.
    const odd = [{ ...named[0]!, details: { meet: '=Gala' } }];
    expect(writeResults(odd)).toContain("'=Gala");
    expect(read(writeResults(odd)).results[0]!.details).toEqual({ meet: '=Gala' });
  });

  it.each([
    ['Schwimmer;Datum;Strecke;Endzeit;Bahn;Zwischenzeiten;Veranstaltung', 'de'],
    ['Nageur;Jour;Epreuve;Temps;Bassin;Temps de passage;Rencontre', 'fr'],
    ['Nadador;Fecha;Prueba;Tiempo;Piscina;Parciales;Competición', 'es'],
    ['Atleta;Data;Distanza;Tempo;Vasca;Passaggi;Manifestazione', 'it'],
    ['Zwemmer;Dag;Afstand;Tijd;Bad;Tussentijden;Wedstrijd', 'nl'],
    ['Zawodnik;Dzień;Dystans;Czas;Basen;Międzyczasy;Zawody', 'pl'],
    ['Simmare;Dag;Sträcka;Tid;Bassäng;Mellantider;Tävling', 'sv'],
  ])('finds them under %s', (headings, language) => {
    const columns = headings.split(';');
    const mapping = guessMapping(columns, []);
    expect(mapping.fields).toEqual(['swimmer', 'date', 'distance', 'time', 'pool', 'splits', 'meet']);
    expect(mapping.language).toBe(language);
  });

  it('knows month and day apart where the file gives it away', () => {
    expect(guessMapping(['date'], [['11/30/2026']]).dateOrder).toBe('mdy');
    expect(guessMapping(['date'], [['30/11/2026']]).dateOrder).toBe('dmy');
    expect(guessMapping(['date'], [['2026-11-30']]).dateOrder).toBe('ymd');
  });

  it('takes distances in the club’s units where no heading says which', () => {
    const unit = (heading: string) => guessMapping(['swimmer', heading], [], 'yd').unit;
    expect(['distance', 'dist', 'distance yd'].map(unit)).toEqual(['yd', 'yd', 'yd']);
    // Its own export as well: a metre stays a metre, also in a club of yards.
    expect(['distance_m', 'metres', 'Distance (m)', 'm'].map(unit)).toEqual(['m', 'm', 'm', 'm']);
    const text = 'swimmer,date,distance,time\nAda Lindqvale,2026-11-01,100,80\n';
    const club = { timeZone: 'Europe/Lisbon', units: 'yd' } as const;
    expect(readResults(text, null, PEOPLE, club).results[0]!.distanceM).toBe(91.44);
    const row = { swimmerId: 'a', name: PEOPLE[0]!.name, on: '2026-11-01', distanceM: 100, timeS: 80 };
    const own = writeResults([{ ...row, strokesPerLength: null, kind: 'trial' }]);
    expect(readResults(own, null, PEOPLE, club).results[0]!.distanceM).toBe(100);
  });

  it.each([
    ['2026-07-10T22:15:00Z', 'Europe/Athens', '2026-07-11'],
    ['2026-07-10T22:15:00Z', 'Europe/Lisbon', '2026-07-10'],
    ['2026-07-10T23:30:00-04:00', 'Europe/Lisbon', '2026-07-11'],
    ['2026-07-10T08:00:00.000Z', 'America/Los_Angeles', '2026-07-10'],
    // Without a zone it is the day that was written.
    ['2026-07-10T22:15:00', 'Pacific/Auckland', '2026-07-10'],
    ['2026-07-10', 'Pacific/Auckland', '2026-07-10'],
  ])('%s is a day of the club in %s: %s', (date, timeZone, on) => {
    const text = `swimmer,date,distance,time\nAda Lindqvale,${date},100,80\n`;
    expect(readResults(text, null, PEOPLE, { timeZone, units: 'm' }).results[0]!.on).toBe(on);
  });

  it.each([
    ['', /no row/],
    ['a,b\n', /no row/],
    ['\u0000\u0001binary', /not a text file/],
    ['swimmer\nAda', /Say which column/],
  ])('says what is wrong with %j', (text, message) => expect(read(text).problems[0]!.message).toMatch(message));

  it('lists at most 200 problems and counts them all', () => {
    const rows = Array.from({ length: 500 }, () => 'Nobody,2026-11-01,100,80');
    const { problems, badRows } = read(['swimmer,date,distance,time', ...rows].join('\n'));
    expect([problems.length, badRows]).toEqual([200, 500]);
  });

  it('reads back what it writes, and makes formulas harmless', () => {
    const line = fc.record({
      swimmerId: fc.constantFrom('a', 'b'),
      on: fc
        .date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
        .map((d) => d.toISOString().slice(0, 10)),
      distanceM: fc.integer({ min: 25, max: 10_000 }),
      timeS: fc.integer({ min: 4000, max: 80_000 }).map((t) => t),
      strokesPerLength: fc.option(fc.integer({ min: 5, max: 60 })),
      kind: fc.constantFrom('trial' as const, 'training' as const, 'track' as const),
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 30 }), (lines: ResultLine[]) => {
        const text = writeResults(lines.map((l) => ({ ...l, name: PEOPLE.find((p) => p.id === l.swimmerId)!.name })));
        expect(read(text).results).toEqual(lines);
      }),
    );
    expect(
      writeResults([
        {
          swimmerId: 'x',
          name: '=HYPERLINK("x")',
          on: '2026-01-01',
          distanceM: 1,
          timeS: 1,
          strokesPerLength: null,
          kind: 'trial',
        },
      ]),
    ).toContain("'=HYPERLINK");
  });
});

describe('tracks', () => {
  it('out of a table without a zone is told by the clock of its place', () => {
    const at = (time: string) =>
      readTrackFile(`time,lat,lon\n${time},37.6,23.5\n${time},37.6001,23.5`).tracks[0]!.points[0]!.timeMs;
    expect(at('2026-07-10 21:15:00')).toBe(Date.parse('2026-07-10T18:15:00Z'));
    expect(at('2026-07-10T21:15:00.5')).toBe(Date.parse('2026-07-10T18:15:00.500Z'));
    expect(at('2026-07-10T21:15:00Z')).toBe(Date.parse('2026-07-10T21:15:00Z'));
    expect(at('1783718100')).toBe(1_783_718_100_000);
    expect(at('yesterday')).toBeNull();
  });

  it('reads back what it writes', () => {
    const points = [
      { lat: 31.4, lon: -41.2, timeMs: 1_800_000_000_000 },
      { lat: 31.4001, lon: -41.2002, timeMs: 1_800_000_005_000 },
    ];
    expect(readGpx(writeGpx('a <b> & c', points))).toEqual({ points, problems: [] });
  });

  it.each([
    ['hello', /not valid XML|not a GPX/],
    ['<gpx><trk>', /not valid XML/],
    ['<kml/>', /not a GPX or TCX/],
    ['<gpx></gpx>', /no track/],
    ['<!DOCTYPE a [<!ENTITY b "c">]><gpx/>', /entities/],
  ])('refuses %j with the reason', (text, message) => {
    const { points, problems } = readGpx(text);
    expect(points).toEqual([]);
    expect(problems[0]).toMatch(message);
  });

  it('leaves single bad points out and says how many', () => {
    const text =
      '<gpx><trk><trkseg><trkpt lat="1" lon="1"/><trkpt lat="91" lon="1"/><trkpt lat="1" lon="1.1"/></trkseg></trk></gpx>';
    expect(readGpx(text)).toMatchObject({
      points: [{ lat: 1 }, { lat: 1 }],
      problems: ['1 points without a place were left out.'],
    });
  });
});

describe('the stand-in for a wrist device', () => {
  const worn = { seed: 4, startMs: 1_800_000_000_000, speedMps: 1.05, strokeLengthM: 0.95 };

  it('hands over lengths that are read like any other file', () => {
    const text = deviceLengthsCsv(worn, 25, 40);
    const first = readResults(text, null, PEOPLE);
    const { results, problems } = readResults(text, { ...first.mapping, swimmerId: 'a' }, PEOPLE);
    expect(problems).toEqual([]);
    expect(results).toHaveLength(40);
    const speed = results.reduce((sum, r) => sum + r.distanceM, 0) / results.reduce((sum, r) => sum + r.timeS, 0);
    expect(speed).toBeGreaterThan(0.99);
    expect(speed).toBeLessThan(1.07);
    expect(deviceLengthsCsv(worn, 25, 40)).toBe(text);
  });
});

describe('tracks out of CSV', () => {
  it('finds the columns by their names and reads moments as ISO, seconds or milliseconds', () => {
    const file = (time: string) => `Longitude,time,Latitude\n-41.2,${time},31.4\n-41.2001,${time},31.4001\n,${time},\n`;
    const at = Date.UTC(2026, 5, 1, 9);
    for (const time of ['2026-06-01T09:00:00Z', String(at / 1000), String(at)]) {
      const { tracks, problems } = readTrackFile(file(time));
      const points = tracks[0]!.points;
      expect(points[0]).toEqual({ lat: 31.4, lon: -41.2, timeMs: at });
      expect(points).toHaveLength(2);
      expect(problems).toEqual(['1 points without a place were left out.']);
    }
  });

  it('says what is missing instead of guessing', () => {
    expect(readTrackFile('a,b\n1,2\n').problems[0]).toMatch(/columns for latitude and longitude/);
    expect(readTrackFile('lat,lon\n1,2\n').problems[0]).toMatch(/two points/);
    expect(readTrackFile('lat,lon\n1,2\n3,4\n').tracks[0]!.points.map((p) => p.timeMs)).toEqual([null, null]);
    expect(readTrackFile('').tracks).toEqual([]);
  });
});
