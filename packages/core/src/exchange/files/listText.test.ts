import { zipSync, unzipSync, strToU8 } from 'fflate';
import writeExcelFile from 'write-excel-file/universal';
import { readResults } from '..';
import { listText } from '.';

type Cell =
  string | number | boolean | null | { type: typeof Number | typeof Date; value: number | Date; format: string };
const workbook = async (
  ...sheets: readonly { readonly sheet: string; readonly data: readonly (readonly Cell[])[] }[]
) => new Uint8Array(await (await writeExcelFile(sheets as never).toBlob()).arrayBuffer());

const ADA = [{ id: '1', name: 'Łucja Dvořák' }];
const swim = (seconds: number, format = '[m]:ss.00'): Cell => ({ type: Number, value: seconds / 86_400, format });
const day = (iso: string): Cell => ({ type: Date, value: new Date(`${iso}T00:00:00Z`), format: 'dd.mm.yyyy' });

describe('a list in a workbook', () => {
  it('is read like the same list as text', async () => {
    const bytes = await workbook({
      sheet: 'Results',
      data: [
        ['Autumn meet', null, null, null],
        ['Name', 'Date', 'Distance', 'Time'],
        ['Łucja Dvořák', day('2026-10-19'), 400, swim(352.14)],
        ['Dvořák, Łucja', day('2026-10-20'), 1500, swim(21 * 60 + 10)],
        ['Lucja Dvorak', '21 Oct 2026', '100 Free', '1:10.3'],
        ['Łucja Dvořák', day('2026-10-22'), 50, 35.2],
      ],
    });
    const read = await listText(bytes);
    if ('refused' in read) throw new Error(read.refused);
    expect(read).toMatchObject({ sheet: 'Results', others: [] });
    const { results, problems } = readResults(read.text, null, ADA);
    expect(problems).toEqual([]);
    expect(results.map((r) => [r.swimmerId, r.on, r.distanceM, r.timeS])).toEqual([
      ['1', '2026-10-19', 400, 352.14],
      ['1', '2026-10-20', 1500, 1270],
      ['1', '2026-10-21', 100, 70.3],
      ['1', '2026-10-22', 50, 35.2],
    ]);
  });

  it.each([
    [352.14, '5:52.14'],
    [59.999, '1:00.00'],
    [35.2, '0:35.20'],
    [3661.5, '1:01:01.50'],
  ])('%d s in a cell are %s', async (seconds, text) => {
    const read = await listText(await workbook({ sheet: 'a', data: [['time'], [swim(seconds)]] }));
    expect(read).toMatchObject({ text: `time\n${text}` });
  });

  it('takes the first sheet with rows, and names the others', async () => {
    const bytes = await workbook(
      { sheet: 'Cover', data: [['Welcome']] },
      {
        sheet: 'October',
        data: [
          ['a', 'b'],
          ['0.1', 0.1 + 0.2],
        ],
      },
      { sheet: 'November', data: [['a'], [true]] },
    );
    expect(await listText(bytes)).toEqual({ text: 'a,b\n0.1,0.3', sheet: 'October', others: ['November'] });
  });

  it('keeps what text holds, whatever it is', async () => {
    const odd = ['=1+1', 'a,b', 'say "so"', 'line\nbreak', '<b>&amp;'];
    const read = await listText(await workbook({ sheet: 'a', data: [['what'], ...odd.map((text) => [text])] }));
    expect('text' in read && readResults(read.text, null, ADA).sample.map(([cell]) => cell)).toEqual(odd);
  });
});

describe('what is no list is refused in a sentence', () => {
  const refused = async (bytes: Uint8Array) => {
    const read = await listText(bytes);
    return 'refused' in read ? read.refused : read.text;
  };

  it.each<[string, () => Promise<Uint8Array>, RegExp]>([
    ['an old Excel file', async () => new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1]), /older Excel file/],
    [
      'half a workbook',
      async () => (await workbook({ sheet: 'a', data: [['x'], ['y']] })).slice(0, 900),
      /damaged or cut off/,
    ],
    ['another zip', async () => zipSync({ 'a.txt': strToU8('hello') }), /no workbook/],
    ['an empty workbook', async () => workbook({ sheet: 'a', data: [] }), /no list in this workbook/],
    [
      'a workbook whose sheet is broken',
      async () => {
        const files = unzipSync(await workbook({ sheet: 'a', data: [['x'], ['y']] }));
        return zipSync({ ...files, 'xl/workbook.xml': strToU8('<workbook><sheets>') });
      },
      /cannot be read|no list/,
    ],
    [
      'a workbook that unpacks to a mountain',
      async () => {
        const files = unzipSync(await workbook({ sheet: 'a', data: [['x'], ['y']] }));
        return zipSync({ ...files, 'xl/media/a.bin': new Uint8Array(301e6) }, { level: 1 });
      },
      /too large/,
    ],
  ])('%s', async (_, bytes, sentence) => expect(await refused(await bytes())).toMatch(sentence));

  it('a text file stays one', async () => {
    expect(await listText(new TextEncoder().encode('PKs of the week\n1'))).toEqual({ text: 'PKs of the week\n1' });
    expect(await listText(new Uint8Array([]))).toEqual({ text: '' });
  });
});
