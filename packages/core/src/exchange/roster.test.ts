import fc from 'fast-check';
import { guessRoster, MOST_ROSTER_ROWS, readRoster, ROSTER_FIELDS, rosterText, type RosterColumn } from '.';

const read = (text: string, columns: readonly RosterColumn[] | null = null, headed = true) =>
  readRoster(text, columns && { columns, headed }, 2026);
const people = (text: string) => read(text).lines.map(({ given, family, birthYear }) => [given, family, birthYear]);

describe('the columns of a roster', () => {
  it.each<[string, string]>([
    ['First name,Last name,DOB,Squad,Level,E-mail', 'given family birth squad level email'],
    ['Vorname;Name;Geburtsdatum;Gruppe;Stufe;E-Mail', 'given family birth squad level email'],
    ['Name;Vorname;Jahrgang;Mannschaft', 'family given birth squad'],
    ['Prénom;Nom;Né(e) le;Groupe;Courriel', 'given family birth squad email'],
    ['Nombre;Apellidos;Fecha de nacimiento;Equipo;Correo', 'given family birth squad email'],
    ['Nome;Cognome;Anno di nascita;Squadra;Livello', 'given family birth squad level'],
    ['Imię;Nazwisko;Rok urodzenia;Grupa;Poziom', 'given family birth squad level'],
    ['Voornaam;Achternaam;Geboortedatum;Groep', 'given family birth squad'],
    ['Förnamn;Efternamn;Född;Lag;Nivå', 'given family birth squad level'],
    ['Fornavn;Etternavn;Født;Gruppe', 'given family birth squad'],
    ['Keresztnév;Vezetéknév', 'given family'],
    ['Jméno;Příjmení;Narození;Skupina;Úroveň', 'given family birth squad level'],
    ['Full Name,Year of birth,Team', 'given-family birth squad'],
    ['Swimmer,Notes,Paid', 'given-family ignore ignore'],
    ['name,name,squad', 'given-family ignore squad'],
  ])('are found in %s', (headings, fields) => {
    const columns = guessRoster(headings.split(/[,;]/));
    expect(columns.map((c) => c.field).join(' ')).toBe(fields);
  });

  it.each<[string, number | null]>([
    ['100', 100],
    ['100 free', 100],
    ['100m Freistil', 100],
    ['PB 400 crawl', 400],
    ['50 y', 45.72],
    ['500 yd Free', 457.2],
    ['1500', 1500],
    ['100 back', null],
    ['200 IM', null],
    ['7', null],
  ])('with best times: %s', (heading, distanceM) => {
    expect(guessRoster([heading])).toEqual([distanceM === null ? { field: 'ignore' } : { field: 'best', distanceM }]);
  });

  it.each([
    ['100 free', 91.44],
    ['500', 457.2],
    ['50 y', 45.72],
    ['100 m free', 100],
    ['1500 metres', 1500],
  ])('with best times in a club of yards: %s', (heading, distanceM) =>
    expect(guessRoster([heading], 'yd')).toEqual([{ field: 'best', distanceM }]),
  );
});

describe('a list of swimmers', () => {
  it('is read with names, years, squads, levels, addresses and best times', () => {
    const { lines, problem } = read(
      'First name,Surname,Born,Squad,Level,Email,100 free,400\nAda,Lindqvale,2012-05-30,Juniors,Hold,Ada@Club.example,1:12.4,5:40\n',
    );
    expect(problem).toBeNull();
    expect(lines).toEqual([
      {
        ...{ line: 2, given: 'Ada', family: 'Lindqvale', birthYear: 2012, squad: 'Juniors', level: 'hold' },
        ...{ email: 'ada@club.example', problems: [], notes: [], sameAs: null },
        bestTimes: [
          { distanceM: 100, timeS: 72.4 },
          { distanceM: 400, timeS: 340 },
        ],
      },
    ]);
  });

  it.each<[string, string, unknown[][]]>([
    ['one name in a column', 'Name,Born\nAda Mae Lindqvale,2012', [['Ada Mae', 'Lindqvale', 2012]]],
    ['family name first with a comma', 'Name;Born\n"Lindqvale, Ada Mae";2012', [['Ada Mae', 'Lindqvale', 2012]]],
    [
      'no headings, a list of names',
      'Ada Lindqvale\nBram Halloran',
      [
        ['Ada', 'Lindqvale', null],
        ['Bram', 'Halloran', null],
      ],
    ],
    [
      'no headings, years and squads',
      'Ada,Lindqvale,2012,Juniors\nBram,Halloran,2010,Seniors',
      [
        ['Ada', 'Lindqvale', 2012],
        ['Bram', 'Halloran', 2010],
      ],
    ],
    [
      'a title above the headings',
      'Members of the club\n\nFirst name,Last name\nAda,Lindqvale',
      [['Ada', 'Lindqvale', null]],
    ],
    [
      'a byte-order mark, CRLF and semicolons',
      '\uFEFFVorname;Nachname\r\nŁukasz;Dvořák\r\n',
      [['Łukasz', 'Dvořák', null]],
    ],
    ['the separator named above', 'sep=;\r\nVorname;Nachname\r\nAda;Lindqvale', [['Ada', 'Lindqvale', null]]],
    [
      'tabs, as pasted from a sheet',
      'First name\tLast name\tBorn\nAda\tLindqvale\t30.05.2012',
      [['Ada', 'Lindqvale', 2012]],
    ],
    ['month before day', 'First name,Last name,DOB\nAda,Lindqvale,5/30/2012', [['Ada', 'Lindqvale', 2012]]],
  ])('is read with %s', (_what, text, expected) => expect(people(text)).toEqual(expected));

  it('names the line in the file, also under blank lines and breaks in quotes', () => {
    const { lines } = read('First name,Last name,Notes\n\nAda,Lindqvale,"two\nlines"\n,,\nBram,,x\n');
    expect(lines.map((l) => l.line)).toEqual([3, 6]);
    expect(lines[1]!.problems).toEqual(['“Bram”: a given and a family name are needed.']);
  });

  it('says who stands in it twice; two of one name born in other years are two', () => {
    const { lines } = read('Name,Born\nAda Lindqvale,2012\nada LINDQVALE,2012\nAda Lindqvale,2009\nAda Lindqvale,');
    expect(lines.map((l) => l.sameAs)).toEqual([null, 2, null, 2]);
  });

  it.each<[string, string]>([
    ['=HYPERLINK("http://x"),Lindqvale', 'does not look like a name'],
    ['@Ada,Lindqvale', 'does not look like a name'],
    ['-Ada,Lindqvale', 'does not look like a name'],
    ['<b>Ada,Lindqvale', 'does not look like a name'],
    ['123,456', 'does not look like a name'],
    [',', 'no name'],
    [`${'A'.repeat(61)},Lindqvale`, 'at most 60 letters'],
  ])('keeps %s out', (row, words) => {
    const [line] = read(`First name,Last name,x\n${row},y`).lines;
    expect(line!.problems.join(' ')).toContain(words);
  });

  it.each<[string, string, string]>([
    ['Born', '2036', 'not a year of birth'],
    ['Born', '1812', 'not a year of birth'],
    ['Born', '2025', 'not a year of birth'],
    ['Born', '12', 'not a year of birth'],
    ['Level', 'Shark', 'not a level'],
    ['E-mail', 'ada at club', 'not an e-mail address'],
    ['100 free', '9.2', 'faster than anybody swims'],
    ['100 free', 'fast', 'no time over 100 m'],
    ['Squad', '=1+1', 'name of the squad'],
  ])('takes a line without its %s where that is “%s”, and says so', (heading, cell, words) => {
    const [line] = read(`First name,Last name,${heading}\nAda,Lindqvale,${cell}`).lines;
    expect(line!.problems).toEqual([]);
    expect(line!.notes).toEqual([expect.stringContaining(words)]);
    expect([line!.birthYear, line!.level, line!.email, line!.bestTimes, line!.squad]).toEqual([
      null,
      null,
      null,
      [],
      '',
    ]);
  });

  it('takes the youngest and the oldest that a club teaches', () => {
    const years = ['2024', '1916', '1915'].map(
      (year) => people(`First name,Last name,Born\nAda,Lindqvale,${year}`)[0]![2],
    );
    expect(years).toEqual([2024, 1916, null]);
  });

  it('keeps the faster of two times over one distance, and lets blanks be', () => {
    const [line] = read('First name,Last name,100,100 free,200\nAda,Lindqvale,1:20,1:12.4,NT').lines;
    expect([line!.bestTimes, line!.notes]).toEqual([[{ distanceM: 100, timeS: 72.4 }], []]);
  });

  it('is mapped by hand where the headings say nothing', () => {
    const text = 'a,b,c\nLindqvale,Ada,x';
    expect(read('x,y\n1,2').problem).toBe('Say which columns hold the names.');
    const { lines } = read(text, [{ field: 'family' }, { field: 'given' }, { field: 'ignore' }]);
    expect(lines[0]).toMatchObject({ given: 'Ada', family: 'Lindqvale' });
    // And read from the first line on where that is no heading.
    const all = read(text, [{ field: 'family' }, { field: 'given' }, { field: 'ignore' }], false).lines;
    expect(all.map((l) => [l.line, l.given])).toEqual([
      [1, 'b'],
      [2, 'Ada'],
    ]);
  });

  it('takes the first line for headings in words it does not know, where years begin under it', () => {
    const { headed, lines, headings } = read('Όνομα;Επώνυμο;Έτος\nAda;Lindqvale;2012\nBram;Halloran;2010');
    expect([headed, headings]).toEqual([true, ['Όνομα', 'Επώνυμο', 'Έτος']]);
    expect(lines.map((l) => [l.given, l.birthYear])).toEqual([
      ['Ada', 2012],
      ['Bram', 2010],
    ]);
    expect(read('Ada;Lindqvale;2012\nBram;Halloran;2010').headed).toBe(false);
  });

  it.each<[string, string]>([
    ['', 'list is empty'],
    ['First name,Last name', 'no line under the headings'],
    ['a\u0000b', 'not a text file'],
    [`Name\n${'Ada Lindqvale\n'.repeat(MOST_ROSTER_ROWS + 1)}`, 'At most 5000 swimmers'],
    ['x'.repeat(1_000_001), 'too large'],
  ])('says what is wrong with a file as a whole', (text, words) => expect(read(text).problem).toContain(words));

  it('comes from a program as entries under the same rules', () => {
    const { lines, problem } = read(
      rosterText([
        { given: 'Ada', family: 'Lindqvale, the younger', born: 2012, bestTimes: [{ distanceM: 400, timeS: 340 }] },
        { given: '=1+1', family: 'Halloran', squad: 'Juniors', level: 'race' },
      ]),
    );
    expect(problem).toBeNull();
    expect(lines[0]).toMatchObject({
      family: 'Lindqvale, the younger',
      birthYear: 2012,
      bestTimes: [{ distanceM: 400, timeS: 340 }],
    });
    expect(lines[1]).toMatchObject({
      squad: 'Juniors',
      level: 'race',
      problems: [expect.stringContaining('not look like a name')],
    });
    // A program says metres: they stay metres in a club of yards.
    const text = rosterText([{ name: 'Ada Lindqvale', bestTimes: [{ distanceM: 400, timeS: 340 }] }]);
    expect(readRoster(text, null, 2026, 'yd').lines[0]!.bestTimes).toEqual([{ distanceM: 400, timeS: 340 }]);
    expect(people(rosterText([{ name: 'Lindqvale, Ada' }, { name: 'Bram Halloran' }]))).toEqual([
      ['Ada', 'Lindqvale', null],
      ['Bram', 'Halloran', null],
    ]);
  });

  it('has a meaning for every column, also where only the headings are so wide', () => {
    const { headings, columns } = read('"!",""\n"@"');
    expect(headings).toEqual(['!', 'Column 2']);
    expect(columns.map((c) => c.field)).toEqual(['email', 'ignore']);
  });

  it('reads any text without breaking, and no line is lost', () => {
    const cell = fc.string({ maxLength: 12 });
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 1, maxLength: 6 }), { maxLength: 12 }), (rows) => {
        const text = rows.map((row) => row.map((c) => `"${c.replaceAll('"', '""')}"`).join(',')).join('\n');
        const { lines, columns, headings } = read(text);
        expect(columns.every((c) => ROSTER_FIELDS.includes(c.field))).toBe(true);
        expect(columns.length).toBe(headings.length);
        for (const line of lines)
          expect(line.problems.length > 0 || (line.given !== '' && line.family !== '')).toBe(true);
      }),
    );
  });
});

it.each([
  ['Vorname,Nachname,Jahrgang', 'de'],
  ['Prénom,Nom,Naissance', 'fr'],
  ['First name,Surname,Born', 'en'],
  ['Imię,Nazwisko,Rocznik', 'pl'],
])('the language of %s is %s', (headings, language) => {
  expect(readRoster(`${headings}\nAda,Lindqvale,2012`, null, 2026).language).toBe(language);
});

it('a list without headings is in no language', () => {
  expect(readRoster('Ada Lindqvale,2012\nBo Vale,2011', null, 2026)).not.toHaveProperty('language');
});
