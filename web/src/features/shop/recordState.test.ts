import { DomainError, parseBlank } from '@saltflat/contract';
import type { Catalogue, Material } from '@saltflat/contract';
import { BLANK_FIELDS, materialFields, withoutEmptyObjects } from '@saltflat/contract/shopFields';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import { USUAL_WRITING } from '@saltflat/core/units';
import { expect } from 'chai';
import { choiceWords } from './choiceWords.ts';
import { fieldsOfRecord, newRecord, rowsOf, standInsOf } from './recordState.ts';

const ink = (name: string, use: string): Material => ({
  id: name,
  version: 3,
  kind: 'ink',
  name,
  maker: 'Made-up',
  lot: '',
  stock: null,
  stockUnit: '',
  properties: { use },
  learnt: null,
});
const catalogue: Catalogue = {
  styles: [],
  materials: [ink('A', 'film'), ink('B', 'textile'), ink('C', 'film')],
  machines: [],
  house: { document: DEFAULT_HOUSE, version: 1 },
  rates: { document: DEFAULT_RATES, version: 1 },
  writing: { document: USUAL_WRITING, version: 1 },
};

/** Shares that are asked for, and those of fibres that few blanks have. */
const NOT_YET = { cotton: null, polyester: null, elastane: null, nylon: null, other: null };
const RARE = { viscose: 0, modal: 0, linen: 0, wool: 0, silk: 0, acrylic: 0, leatherette: 0 };

/** Refused fields by path. */
function refusedOf(work: () => unknown): Record<string, string> {
  try {
    work();
    return {};
  } catch (error) {
    const fields = error instanceof DomainError ? error.extra.fields : undefined;
    return Object.fromEntries((fields ?? []).map(({ path, message }) => [path, message]));
  }
}

describe('records in the shop’s forms', () => {
  it('leave out identity and version, which no form edits', () => {
    const [row] = rowsOf('materials', catalogue);
    expect(row).to.include({ id: 'A', version: 3, kind: 'ink' });
    expect(row?.record).to.not.have.any.keys('id', 'version');
  });

  it('know which records stand in for each other: the first of them is used', () => {
    const rows = rowsOf('materials', catalogue);
    expect(standInsOf(rows[0]!, rows).map(({ name }) => name)).to.deep.equal(['A', 'C']);
    expect(standInsOf(rows[1]!, rows).map(({ name }) => name)).to.deep.equal(['B']);
  });

  it('begin a blank with the usual sizes and one colour, and say what it still needs', () => {
    const record = newRecord('blanks', 'tee');
    const missing = refusedOf(() => parseBlank(record));
    expect(missing).to.deep.include({
      '/name': '“Name” must not be empty.',
      '/fibres/cotton': '“Cotton” is missing.',
      '/massGM2': '“Mass” is missing.',
      '/sizes/0/cents': '“Price” is missing.',
      '/colours/0/name': '“Colour” must not be empty.',
      '/colours/0/hex': '“Hex” must not be empty.',
    });
    expect(record).to.deep.include({ fibres: { ...NOT_YET, ...RARE } });
    expect(record).to.nested.include({ 'colours[0].dye': 'dyed', 'colours[0].tone': 'dark' });
    expect(missing).to.not.have.any.keys('/thicknessMm', '/maxPressC', '/sizes/0/bodyWidthMm', '/maker');
  });

  it('have the fields of their kind', () => {
    const titles = (kind: string): string[] =>
      fieldsOfRecord('materials', { kind }).map(({ title }) => title);
    expect(titles('powder')).to.include('Grain').and.not.include('Peel');
    expect(titles('film')).to.include('Peel');
    expect(newRecord('materials', 'tape')).to.deep.include({ kind: 'tape' });
  });

  it('send a span that was left empty as none, and keep one that is half filled for the server to say so', () => {
    const record = {
      name: 'X',
      properties: { cureC: { min: null, max: null }, polyesterCureC: { min: 130, max: null } },
    };
    expect(withoutEmptyObjects(record, materialFields('ink'))).to.deep.equal({
      name: 'X',
      properties: { cureC: null, polyesterCureC: { min: 130, max: null } },
    });
  });

  it('send a blank that nobody pretreated as such, and one half described for the server to say so', () => {
    const spans = { pressC: { min: null, max: null }, pressS: { min: null, max: null } };
    const empty = { fluid: null, fibre: null, ...spans, shelfDays: null };
    const sent = (pretreated: object): unknown =>
      (withoutEmptyObjects({ name: 'X', pretreated }, BLANK_FIELDS) as { pretreated: unknown }).pretreated;
    expect(sent(empty)).to.equal(null);
    const half = { ...empty, fluid: 'Mill primer' };
    expect(sent(half)).to.deep.equal(half);
  });

  it('show choices in people’s words, places and kinds by their names', () => {
    const field = (title: string) => BLANK_FIELDS.find((own) => own.title === title)!;
    expect(choiceWords(field('Kind'), 'cap-six')).to.equal('Cap, six panels');
    expect(choiceWords(field('Features'), 'pocket')).to.equal('pocket');
    expect(choiceWords(field('Features'), 'thick-seams')).to.equal('thick seams');
    const [place] = field('Printable areas').columns;
    expect(choiceWords(place!, 'pocket')).to.equal('Above the pocket');
    const sheet = materialFields('cover-sheet').find(({ title }) => title === 'Sheet')!;
    expect(choiceWords(sheet, 'silicone-thick')).to.equal('silicone thick');
  });
});
