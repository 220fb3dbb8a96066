import type { Calibration, PressPlate } from '@saltflat/contract';
import { Empty, Loading, Panel, Split } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { CheckHistory } from '../CheckHistory.tsx';
import { CalibrationFound } from './CalibrationFound.tsx';
import { useCalibrated } from './useCalibrated.ts';

interface Props {
  press: PressPlate;
  /** Newest first. */
  calibrations: readonly Calibration[];
  shown: Calibration | null;
  onShow: (number: number) => void;
}

/** What a press cycle read from the inside, and washed recipes, say of a press. */
export function CalibrationView({ press, calibrations, shown, onShow }: Props) {
  const found = useCalibrated(shown?.input ?? null);
  if (shown === null)
    return (
      <Empty title={t('{name} was never calibrated', { name: press.name })}>
        {t(
          'The model goes by textbook contacts and is no nearer than ±25 % on dwell. One press cycle with a thin sensor or a strip in the stack, and a recipe that held and one that came off, bring it nearer.',
        )}
      </Empty>
    );
  return (
    <Split columns="minmax(0, 1fr) minmax(200px, 260px)" below={1000}>
      <Panel
        title={t('Calibration {number} of {name}', { number: shown.number, name: press.name })}
        pad="8px 16px 16px"
      >
        {found === null ? <Loading what={t('what it comes to')} /> : <CalibrationFound found={found} />}
        {shown.input.note !== '' && <p className="small">{shown.input.note}</p>}
      </Panel>
      <CheckHistory title={t('Calibrations')} checks={calibrations} shown={shown} onShow={onShow} />
    </Split>
  );
}
