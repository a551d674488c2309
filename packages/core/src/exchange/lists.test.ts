import { textOf } from '../text';
import { guessMapping, readResults } from '.';

const PEOPLE = [
  { id: 'a', name: 'Ada Lindqvale' },
  { id: 'l', name: 'Łukasz Dvořák' },
];
const read = (text: string, units: 'm' | 'yd' = 'm') =>
  readResults(text, null, PEOPLE, { timeZone: 'UTC', units, thisYear: 2026 });
const row = (distance: string, time = '25:00', more = '') =>
  read(`swimmer;date;distance;time\nAda Lindqvale;19.10.2026;${distance};${time}\n${more}`);
const metres = (distance: string, more = '') => row(distance, '25:00', more).results[0]?.distanceM ?? null;

describe('distances as they are written', () => {
  it.each([
    ['1.500', 1500],
    ['1.500 m', 1500],
    ['1,500', 1500],
    ['1’500', 1500],
    ['1\u202f500', 1500],
    ['400', 400],
    ['400m', 400],
    ['400 metres', 400],
    ['1,5 km', 1500],
    ['1.5km', 1500],
    ['100 y', 91.44],
    ['100 yds', 91.44],
    ['100 yards', 91.44],
    ['100 Free', 100],
    ['100m Freistil', 100],
    ['100 Freestyle', 100],
  ])('%s is %d m', (text, distanceM) => expect(metres(text)).toBe(distanceM));

  it('are thousands or decimals by how the rest of the file is written', () => {
    const other = (time: string) => `Ada Lindqvale;19.10.2026;400;${time}`;
    // 33⅓ m, a pool of its own length, beside times with points; thirty-three kilometres beside times with commas.
    expect(row('33.333', '0:30.5', other('6:20.5')).results[0]!.distanceM).toBe(33.333);
    const comma = 'swimmer;date;distance;time\nAda Lindqvale;19.10.2026;33.333;9:30:00\n';
    expect(read(`${comma}${other('6:20,5')}`).results[0]!.distanceM).toBe(33_333);
    expect(guessMapping(['a'], [], 'm', ',').decimal).toBe(',');
  });

  it.each(['fast', '0', '1.2.3', '100 Breast', '200 Rücken', '100 000 000', '-5', ''])(
    'are not stored where they are none: %j',
    (text) => {
      const { results, problems } = row(text);
      expect(results).toEqual([]);
      expect(problems).toHaveLength(1);
    },
  );

  it('say that another stroke is one', () =>
    expect(row('100 Breast').problems[0]!.message).toBe(
      '“100 Breast” is in another stroke: results here are front crawl.',
    ));
});

describe('days as they are written', () => {
  const on = (date: string, heading = 'swimmer;date;distance;time') =>
    read(`${heading}\nAda Lindqvale;${date};100;1:30\n`);
  it.each([
    ['19 Oct 2026', '2026-10-19'],
    ['19. October 2026', '2026-10-19'],
    ['Oct 19, 2026', '2026-10-19'],
    ['Mon 19 Oct 2026', '2026-10-19'],
    ['19-Oct-26', '2026-10-19'],
    ['19.10.26', '2026-10-19'],
    ['19.10.2026', '2026-10-19'],
    ['19. 10. 2026', '2026-10-19'],
    ['2026-10-19 00:00:00', '2026-10-19'],
    ['2026/10/19', '2026-10-19'],
  ])('%s is %s', (text, day) => expect(on(text).results[0]?.on).toBe(day));

  it.each([
    ['Schwimmer;Datum;Strecke;Zeit', '19. Okt. 2026', 'de'],
    ['Schwimmer;Datum;Strecke;Zeit', '3. März 2026', 'de'],
    ['Nageur;Jour;Épreuve;Temps', '19 octobre 2026', 'fr'],
    ['Nageur;Jour;Épreuve;Temps', '1 févr. 2026', 'fr'],
    ['Nadador;Fecha;Distancia;Tiempo', '19 de octubre de 2026', 'es'],
    ['Nuotatore;Giorno;Distanza;Tempo', '19 ottobre 2026', 'it'],
    ['Zwemmer;Dag;Afstand;Tijd', '19 maart 2026', 'nl'],
    ['Zawodnik;Dzień;Dystans;Czas', '19 października 2026', 'pl'],
  ])('%s with %s is read in %s', (heading, date, language) => {
    const { results, mapping, problems } = on(date, heading);
    expect([problems, mapping.language]).toEqual([[], language]);
    expect(results[0]!.on).toMatch(/^2026-\d\d-\d\d$/);
  });

  it.each(['31 Feb 2026', '19 Foo 2026', 'Oct 2026', '19.10.', '5', 'Okt Okt 2026'])('%j is no day', (text) =>
    expect(on(text).problems[0]!.message).toContain('is not a date'),
  );

  it('outside 1980 to next year are asked about, not stored', () => {
    for (const [year, stored] of [
      [1979, false],
      [1980, true],
      [2027, true],
      [2028, false],
      [2036, false],
      [1926, false],
    ] as const) {
      const { results, problems } = on(`19.10.${year}`);
      expect([year, results.length]).toEqual([year, stored ? 1 : 0]);
      if (!stored) expect(problems[0]!.message).toContain('results are from 1980 to 2027. Check the year.');
    }
  });
});

describe('lists as programs write them', () => {
  const body = 'Ada Lindqvale;19.10.2026;100;1:30';
  it('have titles and blank lines above the headings, and are counted by the lines of the file', () => {
    const { results, problems } = read(
      `Meet of the club\n\nAll results;;;\nName;Datum;Strecke;Zeit\n${body}\nX;y;z;w\n`,
    );
    expect(results).toHaveLength(1);
    expect(problems.map((p) => p.line)).toEqual([6]);
  });

  it('name their separator in a line of their own', () => {
    for (const first of ['sep=;\n', '"sep=;"\r\n', '\uFEFFsep=;\n']) {
      const { results, problems } = read(
        `${first}Name;Datum;Strecke;Zeit\n${body}\nNobody;19.10.2026;100;1:30`.replace(
          /\r?\n/g,
          first.includes('\r') ? '\r\n' : '\n',
        ),
      );
      expect(results).toHaveLength(1);
      expect(problems.map((p) => p.line)).toEqual([4]);
    }
  });

  it('have first and last names apart, in either order, and times with their own signs', () => {
    const of = (heading: string, line: string) => read(`${heading}\n${line}`).results[0];
    expect(of('Name;Vorname;Datum;Strecke;Zeit', `Lindqvale;Ada;19.10.2026;100;1'10"30`)).toMatchObject({
      swimmerId: 'a',
      timeS: 70.3,
    });
    expect(of('First name,Last name,Date,Event,Time', 'lukasz,dvorak,19 Oct 2026,100 Free,1:10.30')).toMatchObject({
      swimmerId: 'l',
      on: '2026-10-19',
    });
    // A name beside a surname is the first of the two.
    expect(of('Name,Surname,Date,Event,Time', 'Ada,Lindqvale,19 Oct 2026,100,1:10')).toMatchObject({ swimmerId: 'a' });
    // A first name alone is the whole name.
    expect(of('First name,Date,Event,Time', 'Ada Lindqvale,19 Oct 2026,100,1:10')).toMatchObject({ swimmerId: 'a' });
  });

  it('are in any letters', () => {
    const text = 'Name;Datum;Strecke;Züge\nŁukasz Dvořák;19.10.2026;100;20\n';
    const two = (big: boolean, mark: boolean) => {
      const codes = [...(mark ? '\uFEFF' : ''), ...text].map((c) => c.charCodeAt(0));
      return new Uint8Array(codes.flatMap((code) => (big ? [code >> 8, code & 255] : [code & 255, code >> 8])));
    };
    for (const bytes of [two(true, true), two(false, true), two(true, false), two(false, false)])
      expect(textOf(bytes).replace(/^\uFEFF/, '')).toBe(text);
    expect(textOf(new TextEncoder().encode(text))).toBe(text);
    // "Züge" as an office in the west writes it.
    expect(textOf(new Uint8Array([0x5a, 0xfc, 0x67, 0x65]))).toBe('Züge');
    expect(textOf(new Uint8Array([]))).toBe('');
  });
});

describe('a time that a spreadsheet took for hours', () => {
  const read = (distance: string, time: string) =>
    readResults(`name,date,distance,time\nAda Stone,2026-10-19,${distance},${time}`, null, [
      { id: '1', name: 'Ada Stone' },
    ]).results[0]?.timeS;
  it.each([
    ['400', '5:52:00', 352],
    ['400', '05:52:00.00', 352],
    ['1500', '21:10:00', 1270],
    // Hours that are hours.
    ['5000', '1:52:00', 6720],
    ['25000', '7:30:00', 27_000],
    ['400', '5:52:30', undefined],
    ['400', '5:52', 352],
  ])('%s m in %s is %s s', (distance, time, seconds) => {
    // Half a minute more is no hour's mistake: it stays as it was written, and is slow.
    expect(read(distance, time)).toBe(seconds ?? 5 * 3600 + 52 * 60 + 30);
  });
});

it.each([
  ['all-out', 'trial'],
  ['All out', 'trial'],
  ['training', 'training'],
  ['outside', 'track'],
  ['', 'trial'],
  ['race pace', undefined],
])('the kind %j is %s', (written, kind) => {
  const text = `name,date,distance,time,kind\nAda Stone,2026-10-19,400,5:52,${written}`;
  const { results, problems } = readResults(text, null, [{ id: '1', name: 'Ada Stone' }]);
  expect(results[0]?.kind).toBe(kind);
  expect(problems).toHaveLength(kind ? 0 : 1);
});
