import { randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { LaydownFit, Material, OrderLine, WeighingInput } from '@saltflat/contract';
import type { ArtFigures } from '@saltflat/core/artwork';
import { PROCESS_MODULES, isFilmProcess } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';
import { laydownFits } from './weighedMaterials.ts';
import type { MaterialWeighing } from './weighedMaterials.ts';

interface Needs {
  db: Database;
  /** As assumed: without weighings. */
  readMaterials: () => Promise<Material[]>;
  readWeighings: () => Promise<MaterialWeighing[]>;
  findLine: (lineId: string) => Promise<{ line: OrderLine }>;
  lineFigures: (lineId: string) => Promise<ArtFigures>;
}

export type WeighingService = ReturnType<typeof createWeighingService>;

export function createWeighingService({ db, readMaterials, readWeighings, findLine, lineFigures }: Needs) {
  const fits = async (): Promise<LaydownFit[]> => laydownFits(await readMaterials(), await readWeighings());

  /** Keeps what a print of a line weighed more after ink or powder was laid on, and says what that material lays down by now. */
  async function weigh(lineId: string, input: WeighingInput): Promise<LaydownFit[]> {
    const { line } = await findLine(lineId);
    const grams = input.afterG - input.beforeG;
    refuseNoGain(grams);
    if (input.of === 'powder' && !isFilmProcess(line.process))
      throw new DomainError('not-now', `${line.code} is not made on film here: no powder is laid on it.`);
    const material = (await readMaterials()).find(
      ({ kind, properties }) =>
        kind === input.of && (kind === 'powder' || properties.use === PROCESS_MODULES[line.process].ink),
    );
    if (!material) throw new DomainError('not-now', `The shop has no ${input.of} set up for ${line.code}.`);
    const { coverage, inkMm2, perimeterMm, laydown } = await lineFigures(lineId);
    const inkM2 = inkMm2 / 1e6;
    const areas =
      input.of === 'ink'
        ? [inkM2 * (coverage.c + coverage.m + coverage.y + coverage.k), inkM2 * (coverage.w + coverage.h), 0]
        : [0, 0, inkM2 + (perimeterMm * laydown.powderRimMm) / 1e6];
    await db.rows(
      `insert into weighing (id, material_id, line_id, colour_m2, white_m2, base_m2, grams, by_name)
       values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
      [randomUUID(), material.id, lineId, ...areas, grams, input.by],
    );
    return fits();
  }

  return { weigh, fits };
}

function refuseNoGain(grams: number): void {
  if (grams > 0) return;
  const message = 'After must weigh more than before: were the two exchanged?';
  throw new DomainError('invalid-input', message, { fields: [{ path: '/afterG', message }] });
}
