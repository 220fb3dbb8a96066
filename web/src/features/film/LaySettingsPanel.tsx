import type { LaySettings } from '@saltflat/contract';
import { CUTTING } from '@saltflat/core/film';
import type { FilmArea } from '@saltflat/core/film';
import { useUnits } from '../../units/writingSlice.ts';
import { CheckField, Panel, QuantityField, Row, SelectField, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

const CUT_WITH = [
  { value: 'trimmer', label: t('Trimmer') },
  { value: 'knife', label: t('Knife') },
  { value: 'scissors', label: t('Scissors') },
] as const;

const LIES_BY = [
  { value: 'boxes', label: t('Boxes') },
  { value: 'filled', label: t('Outlines') },
  { value: 'with-holes', label: t('Outlines, and inside their holes') },
] as const;

interface Props {
  settings: LaySettings;
  film: FilmArea;
  onChange: (part: Partial<LaySettings>) => void;
  /** What is left on the roll, mm; `null` where there is enough. */
  onRoll: (leftMm: number | null) => void;
}

/** How pieces lie: room between them and at the edge, which ways round, how much of a roll at once. */
export function LaySettingsPanel({ settings, film, onChange, onRoll }: Props) {
  const units = useUnits();
  const { cutting, gapMm, edgeMm, mayTurn, outlines } = settings;
  const least = Math.min(film.widthMm, film.kind === 'sheet' ? film.heightMm : settings.longestMm);
  return (
    <Panel title={t('How it lies')} pad={12}>
      <Stack gap={10}>
        <SelectField
          label={t('Cut apart with')}
          value={cutting}
          options={CUT_WITH}
          onChange={(value: LaySettings['cutting']) =>
            onChange({ cutting: value, gapMm: CUTTING[value].gapMm })
          }
        />
        <Row gap={10} align="start" isOneLine>
          <QuantityField
            label={t('Between pieces')}
            kind="length"
            value={gapMm}
            system={units}
            usual={gapMm}
            span={[0, 50]}
            onChange={(value) => value !== null && onChange({ gapMm: value })}
          />
          <QuantityField
            label={t('Empty edge')}
            kind="length"
            value={edgeMm}
            system={units}
            usual={edgeMm}
            span={[0, (least - 1) / 2]}
            onChange={(value) => value !== null && onChange({ edgeMm: value })}
          />
        </Row>
        <FilmTaken settings={settings} film={film} onChange={onChange} onRoll={onRoll} />
        <SelectField
          label={t('Lies by')}
          value={outlines}
          options={LIES_BY}
          onChange={(value: LaySettings['outlines']) => onChange({ outlines: value })}
        />
        <CheckField
          label={t('Pieces may be turned')}
          isChecked={mayTurn}
          onChange={(isOn) => onChange({ mayTurn: isOn })}
        />
      </Stack>
    </Panel>
  );
}

/** An off-cut begins as large as a sheet of paper, mm. */
const USUAL_OFFCUT = { widthMm: 297, heightMm: 420 };

/** How much film is taken at once: of a roll the longest piece, or sheets of another size. */
function FilmTaken({ settings: { edgeMm, longestMm, rollLeftMm, offcut }, film, onChange, onRoll }: Props) {
  const units = useUnits();
  const size = (label: string, own: 'widthMm' | 'heightMm'): React.ReactNode =>
    offcut && (
      <QuantityField
        label={label}
        kind="length"
        value={offcut[own]}
        system={units}
        usual={offcut[own]}
        onChange={(value) =>
          value !== null && value > 2 * edgeMm && onChange({ offcut: { ...offcut, [own]: value } })
        }
      />
    );
  return (
    <>
      {film.kind === 'roll' && (
        <Row gap={10} align="start" isOneLine>
          <QuantityField
            label={t('Longest piece')}
            kind="length"
            value={longestMm}
            system={units}
            usual={longestMm}
            onChange={(value) => value !== null && value > 2 * edgeMm && onChange({ longestMm: value })}
          />
          <QuantityField
            label={t('Left on the roll')}
            kind="length"
            value={rollLeftMm}
            system={units}
            onChange={(value) => (value === null || value >= 0) && onRoll(value)}
          />
        </Row>
      )}
      <CheckField
        label={t('On off-cuts of one size')}
        isChecked={offcut !== null}
        onChange={(isOn) => onChange({ offcut: isOn ? USUAL_OFFCUT : null })}
      />
      {offcut && (
        <Row gap={10} align="start" isOneLine>
          {size(t('Wide'), 'widthMm')}
          {size(t('Long'), 'heightMm')}
        </Row>
      )}
    </>
  );
}
