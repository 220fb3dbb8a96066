import { expect } from 'chai';
import fc from 'fast-check';
import {
  BLANK_FIELDS,
  MACHINE_DOCUMENTS,
  MATERIAL_DOCUMENTS,
  columnName,
  fromCell,
  machineFields,
  materialFields,
  toCell,
  valueAt,
  withValueAt,
} from './index.ts';
import type { RecordField } from './index.ts';

const field = (title: string, fields: readonly RecordField[] = BLANK_FIELDS): RecordField => {
  const found = fields.find((own) => own.title === title);
  if (!found) throw new Error(`there is no field ${title}`);
  return found;
};
const kinds = [
  ...Object.keys(MATERIAL_DOCUMENTS).map((kind) => materialFields(kind as keyof typeof MATERIAL_DOCUMENTS)),
  ...Object.keys(MACHINE_DOCUMENTS).map((kind) => machineFields(kind as keyof typeof MACHINE_DOCUMENTS)),
  BLANK_FIELDS,
];

describe('fields of a record, read off its schema', () => {
  it('are flattened with their path, title, quantity and choices', () => {
    expect(field('Cotton')).to.deep.include({
      path: ['fibres', 'cotton'],
      type: 'number',
      quantity: 'share',
    });
    expect(field('Made')).to.deep.include({ type: 'choice', choices: ['knit', 'woven', 'fleece'] });
    expect(field('Maker’s highest temperature')).to.include({ isOptional: true, quantity: 'temperature' });
    expect(field('Features').type).to.equal('set');
    expect(field('Colours').columns.map(({ title }) => title)).to.deep.equal([
      'Colour',
      'Hex',
      'Seen as',
      'Dye',
    ]);
  });

  it('have no two headings alike in one kind, so that a table can be read back', () => {
    for (const fields of kinds) {
      const names = fields.map(columnName);
      expect(names, names.join(', ')).to.deep.equal([...new Set(names)]);
    }
  });

  it('carry the unit of their numbers in the heading', () => {
    expect(columnName(field('Cotton'))).to.equal('Cotton, %');
    expect(columnName(field('Mass'))).to.equal('Mass, g/m²');
    expect(columnName(field('Press from', materialFields('film')))).to.equal('Press from, °C');
    expect(columnName(field('Price per m²', materialFields('film')))).to.equal('Price per m², cents');
  });

  it('make an optional span’s ends optional, since it may be absent as a whole', () => {
    expect(field('Lower plate from', machineFields('cap-press')).isOptional).to.equal(true);
    expect(field('Plate from', machineFields('cap-press')).isOptional).to.equal(false);
  });
});

describe('cells of a table', () => {
  const back = (own: RecordField, value: unknown): unknown => {
    const read = fromCell(own, toCell(own, value));
    return read.ok ? read.value : read.problem;
  };

  it('come back as they went out, whatever the field', () => {
    const text = fc.string({ maxLength: 20 }).map((own) => own.replace(/[;/]/g, '').trim());
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds.flat()),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.boolean(),
        text,
        fc.nat(9999),
        (own, number, flag, word, count) => {
          const value =
            own.type === 'number'
              ? Math.round(number * 1000) / 1000
              : own.type === 'integer'
                ? count
                : own.type === 'flag'
                  ? flag
                  : own.type === 'choice'
                    ? own.choices[count % own.choices.length]
                    : own.type === 'set'
                      ? own.choices.slice(0, count % (own.choices.length + 1))
                      : own.type === 'rows'
                        ? []
                        : own.isOptional && word === ''
                          ? null // what may be left out is left out, not empty
                          : word;
          expect(back(own, value)).to.deep.equal(value);
        },
      ),
      { numRuns: 500 },
    );
  });

  it('hold several rows with several columns, empty ones included', () => {
    const sizes = [
      { size: 'M', cents: 340, bodyWidthMm: 510, collarDropMm: null },
      { size: 'XXL', cents: 410, bodyWidthMm: null, collarDropMm: 80.5 },
    ];
    expect(toCell(field('Sizes'), sizes)).to.equal('M / 340 / 510 / ; XXL / 410 /  / 80.5');
    expect(back(field('Sizes'), sizes)).to.deep.equal(sizes);
  });

  it('say in words what is wrong', () => {
    const problem = (own: RecordField, cell: string): string => {
      const read = fromCell(own, cell);
      return read.ok ? 'taken' : read.problem;
    };
    expect(problem(field('Mass'), 'heavy')).to.equal('“Mass, g/m²” must be a number, but “heavy” was given.');
    expect(problem(field('Mass'), '')).to.contain('must be a number');
    expect(problem(field('Colours'), 'Navy / #1b2a4a')).to.equal(
      '“Colours” wants Colour / Hex / Seen as / Dye for each, but “Navy / #1b2a4a” was given.',
    );
    expect(problem(field('Maker’s highest temperature'), '')).to.equal('taken');
    expect(problem(field('Mass'), '180,5'), 'a decimal comma').to.equal('taken');
  });
});

describe('valueAt and withValueAt', () => {
  it('read and write where a path leads, and leave the rest and the original alone', () => {
    const record = { name: 'A', properties: { pressC: { min: 130, max: 165 } } };
    expect(valueAt(record, ['properties', 'pressC', 'min'])).to.equal(130);
    expect(valueAt(record, ['properties', 'cureC', 'min'])).to.equal(undefined);
    const changed = withValueAt(record, ['properties', 'pressC', 'min'], 140);
    expect(changed).to.deep.equal({ name: 'A', properties: { pressC: { min: 140, max: 165 } } });
    expect(record.properties.pressC.min).to.equal(130);
    expect(withValueAt({}, ['fibres', 'cotton'], 1)).to.deep.equal({ fibres: { cotton: 1 } });
  });
});
