import type { NozzleFit, SprayWeighing } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { useDates } from '../../../units/writingSlice.ts';
import { IconButton, Panel, Row, SimpleTable, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

interface Props {
  /** What is set, as its maker calls it. */
  name: string;
  /** Newest first, of one fluid and nozzle; those taken back among them. */
  weighings: readonly SprayWeighing[];
  fit: NozzleFit | null;
  passes: number;
  onWithdraw: (weighing: SprayWeighing) => void;
}

/** Every weighing with what was on the garment, and which one would teach most. */
export function WeighingList({ name, weighings, fit, passes, onWithdraw }: Props) {
  const dates = useDates();
  const next = fit?.next.find((own) => own.passes === passes);
  return (
    <Panel title={t('Weighings')} pad="8px 16px 12px">
      <Stack gap={8}>
        <SimpleTable<SprayWeighing>
          label={t('Weighings')}
          keyOf={({ id }) => id}
          rows={weighings}
          columns={[
            {
              key: 'set',
              title: name,
              isNumber: true,
              cell: ({ input }) => formatQuantity(input.setting, 'mark'),
            },
            { key: 'passes', title: t('Passes'), isNumber: true, cell: ({ input }) => input.passes },
            {
              key: 'gm2',
              title: t('Gave'),
              isNumber: true,
              cell: ({ gm2, isWithdrawn }) => (
                <span style={isWithdrawn ? { textDecoration: 'line-through' } : {}}>
                  {formatQuantity(Math.round(gm2), 'arealMass')}
                </span>
              ),
            },
            {
              key: 'who',
              title: t('Who'),
              cell: ({ input, at }) => (
                <span className="muted small nowrap">
                  {input.by}, {dates(at, 'day')}
                </span>
              ),
            },
            {
              key: 'undo',
              title: t('Counts'),
              cell: (weighing) => (
                <Row gap={0} justify="end">
                  <IconButton
                    label={
                      weighing.isWithdrawn
                        ? t('Count the weighing at {setting} again', { setting: weighing.input.setting })
                        : t('Take the weighing at {setting} back', { setting: weighing.input.setting })
                    }
                    onClick={() => onWithdraw(weighing)}
                  >
                    {weighing.isWithdrawn ? '↺' : '×'}
                  </IconButton>
                </Row>
              ),
            },
          ]}
        />
        {next && (
          <p className="small">
            {t(
              'One more at {setting} would teach most: the curve would be {share} % surer over its whole range.',
              {
                setting: formatQuantity(Math.round(10 * next.setting) / 10, 'mark'),
                share: Math.round(100 * (1 - Math.sqrt(1 - next.reduction))),
              },
            )}
          </p>
        )}
      </Stack>
    </Panel>
  );
}
