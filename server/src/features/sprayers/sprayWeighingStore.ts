import { randomUUID } from 'node:crypto';
import type { SprayWeighing, SprayWeighingInput } from '@saltflat/contract';
import { sprayedOn } from '@saltflat/core/spray';
import type { InferAttributes } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { SprayWeighingRow } from '../../db/models/sprayers.ts';

/** Garments weighed before and after the sprayer: written once; taken back, and given again, at most. */
export class SprayWeighingStore {
  constructor(private readonly db: Database) {}

  /** Of one sprayer, newest first. */
  async of(machineId: string): Promise<SprayWeighing[]> {
    return this.find({ machineId });
  }

  /** Every one that stands, newest first. */
  async standing(): Promise<SprayWeighing[]> {
    return this.find({ isWithdrawn: false });
  }

  /** Names of nozzles that weighings of a sprayer were written with. */
  async nozzles(machineId: string): Promise<string[]> {
    const rows = await this.db.models.sprayWeighings.findAll({
      attributes: ['nozzle'],
      where: { machineId },
      group: ['nozzle'],
      raw: true,
    });
    return rows.map(({ nozzle }) => nozzle);
  }

  /** Steps of the floor that are among the weighings, each as “run step”. */
  async floorSteps(machineId: string): Promise<Set<string>> {
    const rows = await this.db.models.sprayWeighings.findAll({
      attributes: ['runStep'],
      where: { machineId },
      raw: true,
    });
    return new Set(rows.flatMap(({ runStep }) => runStep ?? []));
  }

  async insert(
    machineId: string,
    input: SprayWeighingInput,
    { at, runStep = null }: { at: Date; runStep?: string | null },
    tx: Tx,
  ): Promise<SprayWeighing> {
    const { by, ...own } = input;
    const row = { id: randomUUID(), machineId, ...own, byName: by, at, isWithdrawn: false, runStep };
    await this.db.models.sprayWeighings.create(row, { transaction: tx });
    return toWeighing(row);
  }

  /** @returns `null` where there is no such weighing */
  async withdraw(id: string, isWithdrawn: boolean, tx: Tx): Promise<SprayWeighing | null> {
    const { sprayWeighings } = this.db.models;
    await sprayWeighings.update({ isWithdrawn }, { where: { id }, transaction: tx });
    const row = await sprayWeighings.findByPk(id, { transaction: tx, raw: true });
    return row && toWeighing(row);
  }

  private async find(
    where: Partial<Pick<SprayWeighing, 'machineId' | 'isWithdrawn'>>,
  ): Promise<SprayWeighing[]> {
    const rows = await this.db.models.sprayWeighings.findAll({
      where,
      order: [['at', 'desc'], ['id', 'asc']], // prettier-ignore
      raw: true,
    });
    return rows.map(toWeighing);
  }
}

function toWeighing({
  id,
  machineId,
  at,
  isWithdrawn,
  byName,
  ...own
}: Omit<InferAttributes<SprayWeighingRow>, 'runStep'>): SprayWeighing {
  const { widthMm, heightMm, beforeG, afterG, elapsedS, roomC, humidity } = own;
  const { gm2 } = sprayedOn(own);
  const input: SprayWeighingInput = {
    fluidId: own.fluidId,
    nozzle: own.nozzle,
    setting: own.setting,
    passes: own.passes,
    widthMm,
    heightMm,
    beforeG,
    afterG,
    elapsedS,
    roomC,
    humidity,
    by: byName,
  };
  return { id, machineId, at: at.toISOString(), input, gm2, isWithdrawn };
}
