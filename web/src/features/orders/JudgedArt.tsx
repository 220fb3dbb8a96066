import { rich, t } from '../../words/index.ts';
import { sayFinding, sayFix, sayStep } from '@saltflat/core/artwork';
import type { ArtStep, Finding, Fix } from '@saltflat/core/artwork';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { useWords } from '../../units/useWords.ts';
import { Button, Columns, Refusal, Row, SeverityMark, Stack, Swatch } from '../../ui/index.ts';

interface Props {
  /** Worst first. */
  findings: readonly Finding[];
  /** What is done to the file already, in order. */
  done?: readonly ArtStep[];
  /** `null` where it cannot be changed here. */
  onFix: ((fix: Fix) => void) | null;
  /** Takes the last step out again. */
  onUndo?: (() => void) | undefined;
  isBusy: boolean;
  refusal: RefusalProps;
  children?: React.ReactNode;
}

/** What will be seen on the garment; what is only worth knowing is counted, and told on the artwork itself. */
const SHOWN = 3;

/** The worst of what stands out in a print's art, each with what mends it by one press. */
export default function JudgedArt({ findings, done = [], onFix, onUndo, isBusy, refusal, children }: Props) {
  const words = useWords();
  const harmful = findings.filter(({ severity }) => severity !== 'note');
  const shown = harmful.slice(0, SHOWN);
  const more = findings.length - shown.length;
  return (
    <Stack gap={8} role="group" aria-label={t('What stands out in the art')}>
      {harmful.length === 0 && (
        <p className="small">
          <span aria-hidden="true">● </span>
          {t('Nothing in the art stops or spoils the print.')}
        </p>
      )}
      <Columns least={260} gap={16}>
        {shown.map((finding) => {
          const { title, text } = sayFinding(finding);
          const [fix] = finding.fixes;
          return (
            <div key={finding.code}>
              <Row gap={8} align="baseline" style={{ marginBottom: 2 }}>
                <strong>{words(title)}</strong>
                <SeverityMark severity={finding.severity} />
              </Row>
              <p className="small" style={{ marginBottom: 6 }}>
                {words(text)}
              </p>
              {onFix && fix && (
                <Button
                  size="small"
                  look={finding.severity === 'stop' ? 'primary' : 'second'}
                  isBusy={isBusy}
                  icon={
                    fix.kind === 'step' && fix.step.kind === 'knock-out' ? (
                      <Swatch hex={fix.step.hex} />
                    ) : undefined
                  }
                  onClick={() => onFix(fix)}
                >
                  {words(sayFix(fix))}
                </Button>
              )}
            </div>
          );
        })}
      </Columns>
      {more > 0 && (
        <p className="muted small">
          {more === 1
            ? t('One thing more is told on the artwork’s own page.')
            : t('{more} things more are told on the artwork’s own page.', { more })}
        </p>
      )}
      {done.length > 0 && (
        <Row gap={8} align="baseline">
          <span className="small">
            {rich('Mended: {join}', {
              join: done.map((step) => words(sayStep(step).title).toLowerCase()).join(', '),
            })}
          </span>
          {onUndo && (
            <Button size="small" look="quiet" isBusy={isBusy} onClick={onUndo}>
              {t('Take the last back')}
            </Button>
          )}
        </Row>
      )}
      {children}
      <Refusal {...refusal} />
    </Stack>
  );
}
