import { expect } from 'chai';
import { DEMO_BLANKS, DEMO_MACHINES, DEMO_MATERIALS } from '@saltflat/demo';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import type { Catalogue } from '@saltflat/contract';
import Papa from 'papaparse';
import { guarded } from '../../http/csv.ts';
import { USUAL_WRITING } from '@saltflat/core/units';
import { readTable, recordsOf, tableOf } from './shopTables.ts';
import type { ReadLine } from './shopTables.ts';

const id = '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01';
const catalogue: Catalogue = {
  styles: DEMO_BLANKS.map((blank) => ({
    ...blank,
    id,
    version: 3,
    colours: blank.colours.map((colour) => ({ ...colour, id })),
  })),
  materials: DEMO_MATERIALS.map((material) => ({ ...material, id, learnt: null, version: 2 })),
  machines: DEMO_MACHINES.map((machine) => ({ ...machine, id, version: 1 })),
  house: { document: DEFAULT_HOUSE, version: 1 },
  rates: { document: DEFAULT_RATES, version: 1 },
  writing: { document: USUAL_WRITING, version: 1 },
};
const LISTS = ['blanks', 'materials', 'machines'] as const;

const csvOf = (list: (typeof LISTS)[number] | 'methods'): string => {
  const { columns, rows } = tableOf(list, catalogue);
  return Papa.unparse({ fields: columns, data: rows }, { escapeFormulae: true });
};
const records = (lines: readonly ReadLine[]): object[] =>
  lines.map((line) => {
    if ('problems' in line) throw new Error(`line ${line.line}: ${line.problems.join(' ')}`);
    return line.found.record;
  });
const problemsOf = (lines: readonly ReadLine[]): [line: number, problems: string[]][] =>
  lines.flatMap((line) => ('problems' in line ? [[line.line, line.problems]] : []));

const refusal = (format: 'csv' | 'json', text: string): Promise<string> =>
  readTable('machines', format, text).then(
    () => 'taken',
    (error: unknown) => (error as Error).message,
  );

describe('a list as a table', () => {
  it('comes back whole, whatever is in it, in both formats', async () => {
    for (const list of LISTS) {
      const wanted = recordsOf(list, catalogue);
      expect(records(await readTable(list, 'csv', csvOf(list))), list).to.deep.equal(wanted);
      expect(
        records(await readTable(list, 'json', JSON.stringify(recordsOf(list, catalogue)))),
        list,
      ).to.deep.equal(wanted);
    }
  });

  it('comes back from a spreadsheet: with a mark before it, other line ends, other order, empty rows', async () => {
    const { columns, rows } = tableOf('machines', catalogue);
    const turned = Papa.unparse({ fields: [...columns].reverse(), data: rows }).split('\r\n');
    const text = `\ufeff${turned[0]}\n\n${turned.slice(1).join('\n,,,\n')}\n\n`;
    expect(records(await readTable('machines', 'csv', text))).to.deep.equal(recordsOf('machines', catalogue));
  });

  it('from before blanks could be pretreated and printers had a grip pad says nothing of either', async () => {
    const older = { ...catalogue, styles: catalogue.styles.filter(({ pretreated }) => pretreated === null) };
    const without = (list: 'blanks' | 'machines', left: RegExp): string => {
      const { columns, rows } = tableOf(list, older);
      return Papa.unparse({ fields: columns.filter((column) => !left.test(column)), data: rows });
    };
    expect(records(await readTable('blanks', 'csv', without('blanks', /^Pretreated/)))).to.deep.equal(
      recordsOf('blanks', older),
    );
    const machines = records(await readTable('machines', 'csv', without('machines', /^Grip pad/))) as {
      kind: string;
      properties: { gripPadMm?: unknown };
    }[];
    const printers = machines.filter(({ kind }) => kind === 'printer');
    expect(printers.map(({ properties }) => properties.gripPadMm)).to.deep.equal([null, null, null]);
    const json = JSON.stringify(
      recordsOf('blanks', older).map((record) => ({ ...record, pretreated: undefined })),
    );
    expect(records(await readTable('blanks', 'json', json))).to.deep.equal(recordsOf('blanks', older));
  });

  it('keeps a name that looks like a formula, or begins with an apostrophe, as the name it is', async () => {
    const [tape] = catalogue.materials.filter(({ kind }) => kind === 'tape');
    const names = ['=1+1', '@home', '+49', "'tis", "'=1", "''", '-', "it's"];
    const own = { ...catalogue, materials: names.map((name) => ({ ...tape!, name, maker: name })) };
    const { columns, rows } = tableOf('materials', own);
    const guardedRows = rows.map((row) =>
      Object.fromEntries(Object.entries(row).map(([column, cell]) => [column, guarded(cell)])),
    );
    const text = Papa.unparse({ fields: columns, data: guardedRows });
    expect(text).to.contain(`'=1+1`);
    const read = records(await readTable('materials', 'csv', text)) as { name: string; maker: string }[];
    expect(read.map(({ name, maker }) => [name, maker])).to.deep.equal(names.map((name) => [name, name]));
  });

  it('names a bad row by the line it begins in, empty lines and cells over several lines counted', async () => {
    const [head = '', first = '', second = ''] = csvOf('materials').split('\r\n');
    const broken = second.replace(/^[^,]*/, 'plutonium');
    const twoLines = first.replace(catalogue.materials[0]!.name, '"Tarn\nFilm"');
    const text = [head, '', first, twoLines, broken, '', broken].join('\n');
    const lines = await readTable('materials', 'csv', text);
    expect(lines.map(({ line }) => line)).to.deep.equal([3, 4, 6, 8]);
    expect(problemsOf(lines)).to.deep.equal([
      [4, ['“Name” has characters that cannot be used.']],
      [6, ['“Kind” is “plutonium”, which no material is.']],
      [8, ['“Kind” is “plutonium”, which no material is.']],
    ]);
  });

  it('refuses what has no heading, a heading that is there twice, and one that is none', async () => {
    const [head = '', first = ''] = csvOf('machines').split('\r\n');
    expect(problemsOf(await readTable('machines', 'csv', `${head}\n${first},stray`))).to.deep.equal([
      [2, ['“stray” stands beyond the last column: quote a cell that has commas.']],
    ]);
    expect(await refusal('csv', `${head},Name\n${first}`)).to.contain('“Name” is there twice');
    expect(await refusal('csv', '\nNme\nx')).to.contain('Line 2: there is no column “Nme”');
    expect(await refusal('json', '{"name": 1}')).to.contain('must hold a list');
  });

  it('takes methods by their names, and says which choices there are', async () => {
    const text = csvOf('methods');
    expect(records(await readTable('methods', 'csv', text))[0]).to.deep.equal(DEFAULT_HOUSE);
    const [line] = await readTable(
      'methods',
      'csv',
      'Method,Choice\nFilm: peel,tepid\n\nFilm: pull,fast\nHaste,yes',
    );
    expect(problemsOf([line!])).to.deep.equal([
      [
        2,
        [
          'Line 2: “Film: peel” must be one of cold, warm, hot, but “tepid” was given.',
          'Line 5: there is no method “Haste”.',
        ],
      ],
    ]);
  });

  it('is refused where it holds more than any shop has, in a sentence that repeats little of it', async () => {
    const [head = ''] = csvOf('machines').split('\r\n');
    expect(await refusal('csv', `${head}${'\n'.repeat(300_000)}`)).to.match(/^The file has 300001 lines/);
    expect(await refusal('json', `[${'1,'.repeat(80_000)}1]`)).to.contain('more than 60000 values');
    expect(await refusal('json', JSON.stringify(Array(2001).fill(1)))).to.contain('2001 records');
    expect(await refusal('json', '['.repeat(100_000))).to.contain('nested more than 24 deep');
    expect((await refusal('csv', 'x'.repeat(500_000).replaceAll('xx', 'x,'))).length).to.be.below(1500);
  });

  it('comes back with the semicolons or tabs of other countries’ spreadsheets', async () => {
    const { columns, rows } = tableOf('machines', catalogue);
    for (const delimiter of [';', '\t']) {
      const text = Papa.unparse({ fields: columns, data: rows }, { delimiter });
      expect(records(await readTable('machines', 'csv', text))).to.deep.equal(
        recordsOf('machines', catalogue),
      );
    }
  });
});
