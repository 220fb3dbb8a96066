import type { NozzleFit } from '@saltflat/contract';
import { nearestSetting, readSprayer } from '@saltflat/core/spray';
import type { SprayerAnswers } from '@saltflat/core/spray';
import type { SprayerDial } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { useState } from 'react';
import { useUnits } from '../../../units/writingSlice.ts';
import { Columns, NumberField, Panel, QuantityField, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

interface Props {
  fit: NozzleFit;
  setting: SprayerDial;
  passes: number;
}

/** Both ways: what to set for an amount, what a setting gives. */
export function AskFit({ fit, setting, passes }: Props) {
  const system = useUnits();
  const [gm2, setGm2] = useState<number | null>(130);
  const [mark, setMark] = useState<number | null>(null);
  const asked = readSprayer(fit);
  return (
    <Panel title={t('Ask it')} pad="14px 16px 14px">
      <Columns gap={24} least={260}>
        <Stack gap={4}>
          <QuantityField
            label={t('Wanted on the garment')}
            kind="arealMass"
            system={system}
            value={gm2}
            onChange={setGm2}
          />
          <Answer isWarning={gm2 !== null && asked.settingFor(gm2, passes).setting === null}>
            {gm2 !== null && settingWords(asked, { setting, passes, gm2 })}
          </Answer>
        </Stack>
        <Stack gap={4}>
          <NumberField label={setting.name} width={190} value={mark} onChange={setMark} />
          <Answer>
            {mark === null
              ? t('Type a setting to read what it gives.')
              : mark < setting.least || mark > setting.most
                ? t('It goes from {least} to {most}.', { least: setting.least, most: setting.most })
                : givesWords(asked, mark, passes)}
          </Answer>
        </Stack>
      </Columns>
    </Panel>
  );
}

const Answer = ({ isWarning = false, children }: { isWarning?: boolean; children: React.ReactNode }) => (
  <p className={isWarning ? 'alarm' : ''} style={{ margin: 0, minHeight: '3lh' }} aria-live="polite">
    {children}
  </p>
);

const areal = (gm2: number): string => formatQuantity(Math.round(gm2), 'arealMass');
const mark = (value: number): string => formatQuantity(Math.round(10 * value) / 10, 'mark');

function settingWords(
  asked: SprayerAnswers,
  { setting, passes, gm2 }: { setting: SprayerDial; passes: number; gm2: number },
): string {
  const found = asked.settingFor(gm2, passes);
  const [least, most] = found.reachable;
  if (found.setting === null)
    return t('It does not give that in so many passes: from {least} to {most}.', {
      least: areal(least),
      most: areal(most),
    });
  const nearest = nearestSetting(setting, setting.step, found.setting);
  const own = asked.gm2At(nearest, passes);
  const set = t('Set {mark}, within {low} to {high}: a spray gives {from} to {to}, nine times in ten.', {
    mark: mark(nearest),
    low: mark(found.low),
    high: mark(found.high),
    from: areal(own.sprayLow),
    to: areal(own.sprayHigh),
  });
  return found.extrapolates || found.passesUntried ? `${set} ${t('Nothing was weighed there yet.')}` : set;
}

function givesWords(asked: SprayerAnswers, at: number, passes: number): string {
  const own = asked.gm2At(at, passes);
  const gives = t('It gives {gm2}, within {low} to {high}; one spray {from} to {to}.', {
    gm2: areal(own.gm2),
    low: areal(own.low),
    high: areal(own.high),
    from: areal(own.sprayLow),
    to: areal(own.sprayHigh),
  });
  return own.extrapolates || own.passesUntried ? `${gives} ${t('Nothing was weighed there yet.')}` : gives;
}
