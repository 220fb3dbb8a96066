import type { Material, NozzleFit, SprayWeighing } from '@saltflat/contract';
import type { SprayerDial } from '@saltflat/core/route';
import { useState } from 'react';
import { useDates } from '../../../units/writingSlice.ts';
import { Chart, Empty, Panel, Row, SelectField, Split, Stack, ToggleField } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { ShownSprayer } from '../sprayers.ts';
import { AskFit } from './AskFit.tsx';
import { fitPlot } from './fitPlot.ts';
import { WeighingList } from './WeighingList.tsx';

interface Props {
  sprayer: ShownSprayer;
  setting: SprayerDial;
  fluids: readonly Material[];
  fluidId: string;
  onFluid: (fluidId: string) => void;
  /** Of this sprayer, newest first. */
  weighings: readonly SprayWeighing[];
  onWithdraw: (weighing: SprayWeighing) => void;
  /** The way to the other views of the sprayer. */
  views: React.ReactNode;
  /** Beside what is chosen. */
  action: React.ReactNode;
}

/** What a sprayer gives by what is set on it, of one fluid by one nozzle. */
export function FitView({
  sprayer,
  setting,
  fluids,
  fluidId,
  onFluid,
  weighings,
  onWithdraw,
  views,
  action,
}: Props) {
  const dates = useDates();
  const [passes, setPasses] = useState<'1' | '2'>('1');
  const [nozzle, setNozzle] = useState(sprayer.nozzle);
  const nozzles = [...new Set([sprayer.nozzle, ...weighings.map(({ input }) => input.nozzle)])];
  const own = weighings.filter(({ input }) => input.fluidId === fluidId && input.nozzle === nozzle);
  const standing = own.filter(({ isWithdrawn }) => !isWithdrawn);
  const fit: NozzleFit | null =
    sprayer.fits.find((known) => known.fluidId === fluidId && known.nozzle === nozzle) ?? null;
  const fluid = fluids.find(({ id }) => id === fluidId)?.name ?? '';
  return (
    <Stack gap={12}>
      <Row gap={12} align="end" justify="space-between">
        <Row gap={12} align="end">
          {views}
          <div style={{ width: 220 }}>
            <SelectField
              label={t('Fluid')}
              value={fluidId}
              options={fluids.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={onFluid}
            />
          </div>
          <div style={{ width: 220 }}>
            <SelectField
              label={t('Nozzle')}
              value={nozzle}
              options={nozzles.map((name) => ({
                value: name,
                label:
                  name === sprayer.nozzle
                    ? nozzleName(name)
                    : t('{name}, not in it now', { name: nozzleName(name) }),
              }))}
              onChange={setNozzle}
            />
          </div>
          <ToggleField
            label={t('Passes')}
            value={passes}
            options={[
              { value: '1', label: t('One pass') },
              { value: '2', label: t('Out and back') },
            ]}
            onChange={setPasses}
          />
        </Row>
        {action}
      </Row>
      <Split columns="minmax(420px, 1fr) minmax(340px, 460px)" below={1000}>
        <Stack gap={12}>
          <Panel label={t('What it gives')} pad="12px 16px">
            {standing.length === 0 ? (
              <Empty title={t('Nothing was weighed of {fluid} on this nozzle', { fluid })}>
                {t(
                  'Two weighings make a curve, five or six a good one. Until then routes go by what its maker says, or by nothing.',
                )}
              </Empty>
            ) : (
              <>
                <Chart
                  title={t('{name}: {fluid} by {nozzle}', {
                    name: sprayer.name,
                    fluid,
                    nozzle: nozzleName(nozzle),
                  })}
                  heightPx={270}
                  data={fitPlot({
                    name: setting.name,
                    passes: Number(passes),
                    fit,
                    range: setting,
                    weighings: standing,
                    day: (at) => dates(at, 'day'),
                  })}
                />
                <p className="muted small">{fitWords(fit)}</p>
              </>
            )}
          </Panel>
          {fit && <AskFit fit={fit} setting={setting} passes={Number(passes)} />}
        </Stack>
        <WeighingList
          name={setting.name}
          weighings={own}
          fit={fit}
          passes={Number(passes)}
          onWithdraw={onWithdraw}
        />
      </Split>
    </Stack>
  );
}

const nozzleName = (name: string): string => (name === '' ? t('the nozzle without a name') : name);

const fitWords = (fit: NozzleFit | null): string =>
  fit === null
    ? t('One more weighing makes a curve of it. Another nozzle or fluid starts anew.')
    : t(
        'By {n} weighings; a spray scatters by {noise} %. A model that is taken to rise or fall evenly by the setting and bends where the weighings say so. Routes set the dial by it; another nozzle or fluid starts anew.',
        { n: fit.n, noise: fit.noisePct.toFixed(1) },
      );
