import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_MACHINES, DEMO_MATERIALS } from '@saltflat/demo';
import { expect } from 'chai';
import sharp from 'sharp';
import { runCommand } from './commands.ts';

const folder = mkdtempSync(join(tmpdir(), 'saltflat-cli-'));
function write(name: string, content: Buffer | object): string {
  const file = join(folder, name);
  writeFileSync(file, Buffer.isBuffer(content) ? content : JSON.stringify(content));
  return file;
}
const id = '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01';
const line = {
  process: 'dtf',
  pieces: 10,
  blankCents: 340,
  garment: {
    name: 'Harbour tee',
    fibres: { cotton: 1, polyester: 0, elastane: 0, other: 0 },
    construction: 'knit',
    massGM2: 180,
    colourName: 'Navy',
    colourHex: '#1b2a4a',
    tone: 'dark',
    maxPressC: null,
  },
  print: {
    widthMm: 200,
    heightMm: 200,
    inkMm2: 30000,
    whiteShare: 0.6,
    colourMl: 0.2,
    whiteMl: 0.3,
    powderG: 1.4,
    filmM2: 0.044,
    pretreatmentM2: 0.05,
  },
  materials: DEMO_MATERIALS.map((material) => ({ id, ...material })),
  machines: DEMO_MACHINES.map((machine) => ({ id, ...machine })),
};

describe('the command line', () => {
  it('measures an artwork', async () => {
    const image = write(
      'square.png',
      await sharp({ create: { width: 100, height: 50, channels: 4, background: '#ff0000' } })
        .png()
        .toBuffer(),
    );
    const figures = await runCommand([
      'artwork',
      image,
      write('job.json', { widthMm: 100, garmentHex: '#000000', process: 'dtf' }),
    ]);
    expect(figures).to.deep.include({ widthPx: 100, heightMm: 50, perInch: 25.4 });
    expect((figures as { ink: { inkMm2: number } }).ink.inkMm2).to.be.closeTo(5000, 1e-6);
  });

  it('plans a route and prices it', async () => {
    const { route, cost } = (await runCommand(['route', write('line.json', line)])) as {
      route: { operations: unknown[] };
      cost: { totalCents: number };
    };
    expect(route.operations).to.have.lengthOf(9);
    expect(cost.totalCents).to.be.greaterThan(340);
  });

  it('says in one sentence what was wrong', async () => {
    const refusal = async (...args: string[]): Promise<string> =>
      runCommand(args).then(
        () => 'taken',
        (error: unknown) => (error as Error).message,
      );
    expect(await refusal('bake')).to.contain('route LINE.json');
    expect(await refusal('route', join(folder, 'none.json'))).to.contain('cannot be read');
    expect(await refusal('route', write('bad.json', { ...line, pieces: 0 }))).to.equal(
      '“Pieces” must be at least 1, but 0 was given.',
    );
  });
});
