import { readResults } from '@upwell/core/exchange';
import { listText } from '@upwell/core/exchange/files';
import { addDays, dayIn, weekOf } from '@upwell/core/days';
import Papa from 'papaparse';
import readXlsxFile from 'read-excel-file/node';
import { v7 } from 'uuid';
import { planOf, resultOf, sessionOf, swimmerOf } from './bodies';
import { listFile, packed } from '../src/lists/tableFile';
import { Harness, type TestClub } from './harness';
import { readPdf } from './readPdf';

let harness: Harness;
let club: TestClub;
let squad: string;
let lukasz: string;
const TODAY = dayIn('UTC', Date.now());

const SWUM = {
  distanceM: 400,
  details: { pool: { length: 25, unit: 'm' as const }, splitsS: [172.5], meet: 'Lantern Cup' },
};
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  squad = club.squads[0]!;
  const goal = {
    event: 'Große Überquerung',
    distanceM: 1500,
    date: addDays(TODAY, 60),
    course: 'open-water',
    targetTimeS: 1500,
  };
  lukasz = await club.addSwimmer(squad, { givenName: 'Łukasz', familyName: 'Dvořák', goal });
  const coach = await club.as('coach');
  for (const [on, timeS] of [
    ['2026-10-19', 352.14],
    ['2026-11-02', 349.5],
  ] as const)
    expect((await coach('PUT', `/results/${v7()}`, { ...resultOf(lukasz), on, timeS, ...SWUM })).status).toBe(200);
  const session = { ...sessionOf(squad), plan: planOf(), date: addDays(weekOf(TODAY), 1), title: '=1+1 Tuesday' };
  expect((await coach('PUT', `/sessions/${v7()}`, { ...session, version: 0, writeId: v7() })).status).toBe(200);
});
afterAll(() => harness.stop());

const file = (path: string, who: 'coach' | 'head' | 'swimmer' = 'coach', of = club) =>
  harness.app.inject({ url: `/api/v1${path}`, cookies: { upwell_session: of.cookie(who) } });

const pdfText = (bytes: Buffer): string => readPdf(bytes).pages.join(' ');
const csv = (text: string) => Papa.parse<string[]>(text.replace('\uFEFF', '')).data;

const CLUB = ['results', 'load', 'season', 'week'];

describe('lists for a meeting', () => {
  it.each(CLUB)('%s as PDF, spreadsheet and CSV say the same', async (list) => {
    const [pdf, xlsx, text] = await Promise.all(['pdf', 'xlsx', 'csv'].map((f) => file(`/lists/${list}/${f}`)));
    expect([pdf!.statusCode, xlsx!.statusCode, text!.statusCode]).toEqual([200, 200, 200]);
    expect(pdf!.headers['content-type']).toBe('application/pdf');
    expect(text!.body.startsWith('\uFEFF')).toBe(true);
    const sheets = await readXlsxFile(xlsx!.rawPayload);
    const words = csv(text!.body)
      .flat()
      .filter((cell) => /^\p{L}[\p{L} ]+$/u.test(cell));
    const onPaper = pdfText(pdf!.rawPayload);
    const inSheets = JSON.stringify(sheets);
    expect(words.length).toBeGreaterThan(4);
    // Headings and words of every table, wherever lines were broken.
    const missing = words.filter((word) => word.split(' ').some((part) => !onPaper.includes(part)));
    expect(missing).toEqual([]);
    for (const { sheet } of sheets) expect(onPaper).toContain(sheet.slice(0, 20));
    expect(inSheets.length).toBeGreaterThan(100);
    expect(pdf!.headers['content-disposition']).toMatch(new RegExp(`^attachment; filename="?${list} `));
  });

  it('names keep their letters, in the list and in the name of the file', async () => {
    const pdf = await file(`/swimmers/${lukasz}/lists/records/pdf`);
    expect(pdfText(pdf.rawPayload)).toContain('Records of Łukasz Dvořák');
    // The best with its day and what it gained: 352.14 − 349.5.
    expect(pdfText(pdf.rawPayload)).toMatch(
      /Bests .* 400 m pool 5:49\.50 2 Nov 2026 25 m 2:52\.50 Lantern Cup 2\.6 5:49\.50 2/,
    );
    expect(pdf.headers['content-disposition']).toContain(
      "filename*=UTF-8''records%20%C5%81ukasz%20Dvo%C5%99%C3%A1k.pdf",
    );
    expect(pdfText((await file('/lists/season/pdf')).rawPayload)).toContain('Große Überquerung');
  });

  it('times can be added up by a spreadsheet', async () => {
    const { rawPayload } = await file('/lists/results/xlsx');
    const [sheet] = await readXlsxFile(rawPayload);
    expect(sheet!.data[0]).toEqual([
      ...['Swimmer', 'Date', 'Distance m', 'Time', 'm/s', 'Strokes per length', 'Kind'],
      ...['Pool', 'Splits', 'Meet'],
    ]);
    const [name, on, distance, time] = sheet!.data[1]!;
    expect([name, distance]).toEqual(['Łukasz Dvořák', 400]);
    expect((on as unknown as Date).toISOString().slice(0, 10)).toBe('2026-11-02');
    // What a spreadsheet shows as minutes and seconds is a share of its first day.
    expect((Number(time) - Date.UTC(1899, 11, 30)) / 1000).toBeCloseTo(349.5, 3);
  });

  it('results as CSV come back in as they went out', async () => {
    const { body } = await file('/results.csv');
    const read = readResults(body, null, [{ id: lukasz, name: 'Łukasz Dvořák' }]);
    expect(read.problems).toEqual([]);
    expect(read.results.map((r) => r.details)).toEqual([SWUM.details, SWUM.details]);
    expect(read.results.map((r) => [r.on, r.distanceM, r.timeS])).toEqual([
      ['2026-10-19', 400, 352.14],
      ['2026-11-02', 400, 349.5],
    ]);
  });

  it.each(['xlsx', 'csv'])('the list itself comes back in as %s', async (format) => {
    const { rawPayload } = await file(`/lists/results/${format}`);
    const list = await listText(new Uint8Array(rawPayload));
    const read = readResults('text' in list ? list.text : '', null, [{ id: lukasz, name: 'Łukasz Dvořák' }]);
    expect(read.problems).toEqual([]);
    expect(read.results.map((r) => r.details)).toEqual([SWUM.details, SWUM.details]);
    expect(read.results.map((r) => [r.on, r.distanceM, r.timeS, r.kind])).toEqual([
      ['2026-11-02', 400, 349.5, 'trial'],
      ['2026-10-19', 400, 352.14, 'trial'],
    ]);
  });

  it('nothing in them is run as a formula', async () => {
    const week = await file(`/lists/week/csv?date=${TODAY}`);
    expect(week.body).toContain("'=1+1 Tuesday");
    const [sheet] = await readXlsxFile((await file(`/lists/week/xlsx?date=${TODAY}`)).rawPayload);
    expect(sheet!.data[1]).toContain('=1+1 Tuesday');
  });

  it('hold what one may see: coaches their squads, swimmers themselves, and nobody another club', async () => {
    await club.addSwimmer(await club.addSquad('Elsewhere squad', []), { givenName: 'Otto', familyName: 'Farther' });
    expect((await file(`/lists/results/csv?squadId=${v7()}`)).statusCode).toBe(404);
    expect((await file('/lists/load/csv')).body).not.toContain('Farther');
    await club.as('head');
    expect((await file('/lists/load/csv', 'head')).body).toContain('Farther');
    await club.addAccount('swimmer', lukasz);
    await club.as('swimmer');
    for (const list of CLUB) expect((await file(`/lists/${list}/pdf`, 'swimmer')).statusCode).toBe(403);
    const other = await harness.club();
    await other.as('head');
    expect((await file(`/swimmers/${lukasz}/lists/records/pdf`, 'head', other)).statusCode).toBe(404);
    expect((await file('/lists/results/csv', 'head', other)).body).not.toContain('Dvořák');
  });

  it.each([
    '/lists/results/doc',
    '/lists/secrets/pdf',
    '/lists/load/pdf?date=yesterday',
    '/swimmers/x/lists/records/pdf',
  ])('refuses %s', async (path) => expect((await file(path)).statusCode).toBe(400));
});

it('the weeks of a swimmer are named after them', async () => {
  const coach = await club.as('coach');
  const id = await club.addSwimmer(squad, { ...swimmerOf(squad), givenName: 'Zoë', familyName: 'Śliwa' });
  expect((await coach('GET', `/swimmers/${id}`)).status).toBe(200);
  const weeks = await file(`/swimmers/${id}/race-plan.csv`);
  expect(weeks.headers['content-disposition']).toContain("filename*=UTF-8''weeks%20Zo%C3%AB%20%C5%9Aliwa.csv");
  expect((await file(`/swimmers/${id}/lists/weeks/xlsx`)).statusCode).toBe(200);
});

describe('a list on its way to the thread that writes it', () => {
  const list = (count: number) => {
    const made: number[] = [];
    const rows = (function* () {
      for (let i = 0; i < count; i++) {
        made.push(i);
        yield [`No. ${i}`, i % 3 === 0 ? null : i / 4];
      }
    })();
    const columns = [
      { head: 'Who', kind: 'text' as const },
      { head: 'm/s', kind: { decimals: 2 } },
    ];
    const of = { fileName: 'x', title: 'x', under: '', tables: [{ title: 'x', columns, rows }] };
    return { of, made };
  };

  it.each([0, 1, 499, 500, 501, 1203])('%i rows arrive in their order, each of them once', async (count) => {
    const text = (await listFile({ list: await packed(list(count).of), format: 'csv' })).toString();
    const [head, ...rows] = csv(text);
    expect(head).toEqual(['Who', 'm/s']);
    expect(rows.filter((row) => row[0] !== '')).toEqual(
      Array.from({ length: count }, (_, i) => [`No. ${i}`, i % 3 === 0 ? '' : String(i / 4)]),
    );
  });

  it('lets others have their turn while a long one is packed', async () => {
    const { of, made } = list(1203);
    const seen: number[] = [];
    const look = () => void (seen.push(made.length), again());
    let timer: NodeJS.Immediate;
    const again = () => (timer = setImmediate(look));
    again();
    await packed(of);
    clearImmediate(timer!);
    expect(seen.filter((n) => n > 0 && n < 1203)).toEqual(expect.arrayContaining([500, 1000]));
  });
});
