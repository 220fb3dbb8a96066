import type { FilmLayout } from '@saltflat/contract';
import { useState } from 'react';
import { takeFile } from '../../api/takeFile.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { Button, Note, Panel, Refusal, Row, SelectField, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

interface Props {
  layout: FilmLayout;
  /** The sheet that is looked at, from 0. */
  sheet: number;
}

const RESOLUTIONS = ['150', '300', '360', '600', '720'].map((dpi) => ({ value: dpi, label: `${dpi} dpi` }));

/** Files of a layout: of the sheet that is looked at, and of all of it. */
export function FilesPanel({ layout, sheet }: Props) {
  const [dpi, setDpi] = useState('300');
  const attempt = useAttempt();
  const of = `/film/layouts/${layout.id}`;
  const number = sheet + 1;
  const rows = [
    [t('Colour (PNG)'), `${of}/print.png?sheet=${number}&plane=colour&dpi=${dpi}`],
    [t('White (PNG)'), `${of}/print.png?sheet=${number}&plane=white&dpi=${dpi}`],
    [t('Cut paths, printed side up (SVG)'), `${of}/cut.svg?sheet=${number}&side=printed`],
    [t('Cut paths, read through (SVG)'), `${of}/cut.svg?sheet=${number}&side=through`],
  ] as const;
  const whole = [
    [t('All sheets with crop marks (PDF)'), `${of}/print.pdf?dpi=${dpi}`],
    [t('Cutting list (PDF)'), `${of}/cutting-list.pdf`],
    [t('Labels (PDF)'), `${of}/labels.pdf`],
  ] as const;
  const file = ([name, path]: readonly [name: string, path: string]): React.ReactNode => (
    <Stack key={name} gap={4}>
      <Button
        size="small"
        isWide
        isBusy={attempt.isBusy(name)}
        onClick={() => void attempt.make(name, () => takeFile(path))}
      >
        {name}
      </Button>
      <Refusal {...attempt.refusal(name)} />
    </Stack>
  );
  return (
    <Panel title={t('Files')} pad={12}>
      <Stack gap={10}>
        <Mirroring layout={layout} />
        <Row gap={10} isOneLine>
          <SelectField label={t('Resolution')} value={dpi} options={RESOLUTIONS} onChange={setDpi} />
        </Row>
        <Stack gap={6} as="section" aria-label={t('Sheet {n}', { n: number })}>
          <h3>{t('Sheet {n}', { n: number })}</h3>
          {rows.map(file)}
        </Stack>
        <Stack gap={6} as="section" aria-label={t('All of it')}>
          <h3>{t('All of it')}</h3>
          {whole.map(file)}
        </Stack>
      </Stack>
    </Panel>
  );
}

/** Film is mirrored once: who does it here. */
function Mirroring({ layout: { document } }: { layout: FilmLayout }) {
  const { isMirroredHere, printer } = document;
  const name = printer?.name ?? t('the printer');
  return (
    <Note tone="caution" isSmall>
      {isMirroredHere
        ? t('Mirrored here, once: the software of {printer} must not mirror it again.', { printer: name })
        : t('Not mirrored here: the software of {printer} does it. Read through the film it reads right.', {
            printer: name,
          })}
    </Note>
  );
}
