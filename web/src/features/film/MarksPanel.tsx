import type { MarkWishes } from '@saltflat/contract';
import { codeHeightOf } from '@saltflat/core/film';
import { CheckField, Note, Panel, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

const MARKS: readonly [keyof MarkWishes, string][] = [
  ['isCoded', t('Codes beside the pieces')],
  ['isHeaded', t('Which sheet, and which side to read')],
  ['isTrimmed', t('Corners to trim to')],
  ['isCutLined', t('Lines to cut along')],
];

interface Props {
  marks: MarkWishes;
  gapMm: number;
  onMark: (marks: MarkWishes) => void;
}

/** What is printed on the film beside the pieces. */
export function MarksPanel({ marks, gapMm, onMark }: Props) {
  const isTooNarrow = marks.isCoded && codeHeightOf({ gapMm }) === null;
  return (
    <Panel title={t('Printed beside the pieces')} pad={12}>
      <Stack gap={2}>
        {MARKS.map(([mark, label]) => (
          <CheckField
            key={mark}
            label={label}
            isChecked={marks[mark]}
            onChange={(isOn) => onMark({ ...marks, [mark]: isOn })}
          />
        ))}
        {isTooNarrow && (
          <Note tone="caution" isSmall>
            {t('Between the pieces there is no room for codes that can be read: leave 3.2 mm or more.')}
          </Note>
        )}
      </Stack>
    </Panel>
  );
}
