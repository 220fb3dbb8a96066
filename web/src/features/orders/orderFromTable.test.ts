import { expect } from 'chai';
import { IMPERIAL } from '@saltflat/core/units';
import { STYLES } from '../../testing/styles.ts';
import { orderFromTable } from './orderFromTable.ts';
import type { TableRow } from './orderFromTable.ts';

const INCHES = IMPERIAL;
const ROW = { Garment: 'made-up TEE', Colour: 'navy', Size: 'm', Quantity: '4', Art: 'anchor' };
const read = (rows: readonly TableRow[], files: readonly string[] = ['Anchor.png'], system = INCHES) =>
  orderFromTable(rows, { styles: STYLES, files, system });

describe('an order from a table', () => {
  it('puts sizes of one print together, and prints of one line', () => {
    const { customer, due, lines, problems } = read([
      { ...ROW, Customer: 'Slipway Rowers', Due: '2031-02-28', Line: 'crew' },
      { ...ROW, Line: 'crew', Size: 'L', Quantity: '6' },
      { ...ROW, Line: 'Crew', Placement: 'Back', Width: '280 mm', Art: 'oars.svg' },
      { ...ROW, Line: 'spare', Width: '10', Process: 'dtg', Art: '' },
    ]);
    expect(problems).to.deep.equal([]);
    expect([customer, due]).to.deep.equal(['Slipway Rowers', '2031-02-28T17:00']);
    expect(lines).to.have.length(2);
    const [crew, spare] = lines;
    expect(crew!.line.quantities).to.deep.equal({ M: '4', L: '6' });
    expect(crew!.line.prints.map(({ placement, widthMm }) => [placement, widthMm])[1]).to.deep.equal([
      'back',
      280,
    ]);
    expect(crew!.files).to.deep.equal([
      { print: '1', name: 'Anchor.png', isThere: true },
      { print: '2', name: 'oars.svg', isThere: false },
    ]);
    // a width without a unit is in the unit of whoever drops it; a process that is named is chosen
    expect(spare!.line.prints[0]).to.include({ process: 'dtg', isProcessChosen: true });
    expect(spare!.line.prints[0]!.widthMm).to.be.closeTo(254, 1e-9);
  });

  it('takes rows without a line’s name as one line where garment, colour, place, width and art are one', () => {
    const { lines } = read([ROW, { ...ROW, Size: 'L' }, { ...ROW, Art: 'other' }]);
    expect(lines.map(({ line }) => line.quantities)).to.deep.equal([{ M: '4', L: '4' }, { M: '4' }]);
  });

  it('says of every row what is wrong, and what would be right', () => {
    const wrong = (row: TableRow): string =>
      read([{ ...ROW, ...row }])
        .problems.map(({ words }) => words)
        .join(' ');
    expect(wrong({ Garment: 'Tunic' })).to.equal('There is no garment “Tunic” in the blanks: Made-up tee.');
    expect(wrong({ Colour: 'Pink' })).to.equal('Made-up tee comes in Navy: not in “Pink”.');
    expect(wrong({ Size: '' })).to.equal('Made-up tee comes in M, L: write which.');
    expect(wrong({ Quantity: '2.5' })).to.contain('“2.5” is no number of pieces');
    expect(wrong({ Placement: 'cap-front' })).to.contain('Made-up tee has no place “cap-front”');
    expect(wrong({ Width: 'wide' })).to.contain('Width: “wide” is not a number');
    expect(wrong({ Process: 'engraving' })).to.contain('There is no process “engraving”');
    expect(wrong({ Due: '28.2.2031' })).to.contain('write it as 2031-02-28 17:00');
    expect(read([]).problems).to.deep.equal([{ row: 1, words: 'There is nothing below the headings.' }]);
  });

  it('refuses what cannot stand together in one line, naming the row', () => {
    const at = (...rows: TableRow[]) => read(rows.map((row) => ({ ...ROW, Line: '1', ...row }))).problems;
    expect(at({}, {})).to.deep.equal([
      { row: 3, words: 'M stands twice in this line: write it once, with the sum.' },
    ]);
    expect(at({}, { Placement: 'back', Quantity: '5' })[0]).to.deep.include({ row: 3 });
    expect(at({}, { Size: 'L', Art: 'oars' })[0]?.words).to.contain('one print a place');
    expect(at({}, { Size: 'L', Width: '3' })[0]?.words).to.contain('another width');
    // rows of a spreadsheet that are left empty are none
    expect(read([ROW, {}, { Garment: ' ' }]).problems).to.deep.equal([]);
  });
});
