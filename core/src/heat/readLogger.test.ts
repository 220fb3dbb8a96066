import { expect } from 'chai';
import { readLogger } from './readLogger.ts';

describe('a logger’s table', () => {
  const samples = (text: string) => {
    const read = readLogger(text);
    if (!read.ok) throw new Error(read.problem);
    return read.cycle.channels;
  };

  it('is read with names or without, by commas, semicolons or tabs, with times from its first line', () => {
    const named = samples('time,glue,pad\n10,25.5,40\n11,80,41\n12,,42');
    expect(named).to.deep.equal([
      {
        name: 'glue',
        samples: [
          { atS: 0, tempC: 25.5 },
          { atS: 1, tempC: 80 },
        ],
      },
      {
        name: 'pad',
        samples: [
          { atS: 0, tempC: 40 },
          { atS: 1, tempC: 41 },
          { atS: 2, tempC: 42 },
        ],
      },
    ]);
    expect(samples('0:59;25,5\n1:00.5;80')[0]).to.deep.equal({
      name: 'channel 1',
      samples: [
        { atS: 0, tempC: 25.5 },
        { atS: 1.5, tempC: 80 },
      ],
    });
  });

  const refused: [string, string, RegExp][] = [
    ['commas as decimals', 'time,glue\n1,25,5\n2,80,1', /Line 2 has 3 columns, the others 2.*semicolons/],
    ['a channel that is missing', 'time;glue;pad\n1;25;40\n2;80', /Line 3 has 2 columns/],
    ['no channel at all', '1\n2\n3', /there is one column/],
    ['a channel without a figure', 'time;glue\n1;\n2;', /“glue” is empty/],
    ['words', 'time;glue\n1;hot', /Line 2, “glue”: “hot” is no temperature/],
    ['time running backwards', '2;25\n1;26', /Line 2 is at 1 s/],
    ['nothing', '\n', /nothing in the file/],
    ['kelvin', 'time;glue\n1;430', /430 is no temperature in °C/],
  ];
  for (const [name, text, sentence] of refused)
    it(`is refused in words: ${name}`, () => {
      const read = readLogger(text);
      expect(read.ok ? '' : read.problem).to.match(sentence);
    });
});
