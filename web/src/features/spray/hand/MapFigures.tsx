import { practiceAdvice } from '@saltflat/core/spray';
import { formatQuantity } from '@saltflat/core/units';
import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import { Panel, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { adviceWords } from './handWords.ts';

interface Props {
  deposit: ShownDeposit | null;
  wantedGm2: number;
}

/** What a map comes to, and what to do otherwise. */
export function MapFigures({ deposit, wantedGm2 }: Props) {
  if (deposit === null) return null;
  const { meanGm2, cvPct, belowShare, aboveShare, onTargetG, sprayedG, wasteShare } = deposit;
  const figures = [
    [t('On the area'), formatQuantity(Math.round(meanGm2), 'arealMass')],
    [t('Uneven by'), `${cvPct.toFixed(0)} %`],
    [t('Too little on'), t('{share} % of it', { share: Math.round(100 * belowShare) })],
    [t('Too much on'), t('{share} % of it', { share: Math.round(100 * aboveShare) })],
    [t('Landed there'), `${onTargetG.toFixed(1)} g`],
    [
      t('Left the gun'),
      t('{grams} g, {waste} % wasted', { grams: sprayedG.toFixed(1), waste: Math.round(100 * wasteShare) }),
    ],
  ] as const;
  return (
    <Panel title={t('What is on it')} pad="8px 16px 12px">
      <Stack gap={8}>
        <dl style={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '4px 16px', margin: 0 }}>
          {figures.map(([name, value]) => (
            <div key={name} style={{ display: 'contents' }}>
              <dt className="muted">{name}</dt>
              <dd style={{ margin: 0 }}>{value}</dd>
            </div>
          ))}
        </dl>
        <div aria-live="polite">
          {practiceAdvice(deposit, wantedGm2).map((advice) => (
            <p key={advice.what} className="small" style={{ margin: '4px 0 0' }}>
              {advice.what === 'even' ? '● ' : '◆ '}
              {adviceWords(advice)}
            </p>
          ))}
        </div>
      </Stack>
    </Panel>
  );
}
