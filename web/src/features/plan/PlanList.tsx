import { handsOn, spanOf } from '@saltflat/core/plan';
import type { PicturedOp } from '@saltflat/core/plan';
import { STATION_NAMES } from '@saltflat/core/work';
import { DataTable } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { PlanTime } from '../../planned/index.ts';

interface Props {
  ops: readonly PicturedOp[];
  codesOf: (op: PicturedOp) => string;
  machineName: (id: string) => string;
  time: PlanTime;
  picked: string | null;
  search: string;
  onPick: (id: string) => void;
}

/** The plan as a list: what begins when, where, with how many hands. */
export function PlanList({ ops, codesOf, machineName, time, picked, search, onPick }: Props) {
  const rows = [...ops]
    .filter((op) => spanOf(op).from < spanOf(op).to)
    .sort((p, q) => spanOf(p).from - spanOf(q).from);
  return (
    <DataTable
      name="plan"
      label={t('The plan as a list')}
      rows={rows}
      keyOf={({ id }) => id}
      selectedKey={picked}
      search={search}
      onOpen={onPick}
      rowPx={40}
      says={t('{n} pieces of work', { n: rows.length })}
      columns={[
        {
          key: 'from',
          title: t('Begins'),
          cell: (op) => time(spanOf(op).from, 'weekday-time'),
          isNoWrap: true,
        },
        {
          key: 'to',
          title: t('Ends'),
          cell: (op) => time(spanOf(op).to, 'time'),
          isNoWrap: true,
          isWideOnly: true,
        },
        { key: 'code', title: t('Order'), cell: codesOf, isNoWrap: true },
        { key: 'what', title: t('What'), cell: ({ title }) => t(title) },
        { key: 'parts', title: t('Pieces'), cell: ({ parts }) => parts, isNumber: true, isWideOnly: true },
        {
          key: 'where',
          title: t('Where'),
          cell: ({ machine, station }) =>
            machine === null ? t(STATION_NAMES[station]) : machineName(machine),
        },
        {
          key: 'hands',
          title: t('Hands, min'),
          cell: (op) => Math.round(handsOn(op)),
          isNumber: true,
          isWideOnly: true,
        },
      ]}
    />
  );
}
