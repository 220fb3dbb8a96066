import { t } from '../../words/index.ts';
import { sayFinding, sayFix } from '@saltflat/core/artwork';
import type { Finding, Fix } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import { useWords } from '../../units/useWords.ts';
import { Button, Pressable, Row, Rows, SeverityMark, Swatch, TOKENS } from '../../ui/index.ts';

/** Which finding is pointed at, and which of its places. */
export interface Pointed {
  code: Finding['code'];
  place: number;
}

interface Props {
  findings: readonly Finding[];
  pointed: Pointed | null;
  onPoint: (finding: Finding, place: number) => void;
  /** `null` where the line can no longer be changed. */
  onFix: ((fix: Fix) => void) | null;
}

/** What stands out in the file, worst first: where it is, and what mends it by one press. */
export function Findings({ findings, pointed, onPoint, onFix }: Props) {
  const words = useWords();
  if (findings.length === 0) {
    return (
      <p style={{ padding: '12px 16px' }}>
        <span aria-hidden="true">● </span>
        {t('Nothing stands out: this file can be printed as it is.')}
      </p>
    );
  }
  return (
    <Rows aria-label={t('Findings')}>
      {findings.map((finding) => {
        const { title, text } = sayFinding(finding);
        const place = pointed?.code === finding.code ? pointed.place : -1;
        return (
          <li
            key={finding.code}
            style={{
              padding: '10px 16px',
              boxShadow: place >= 0 ? `inset 3px 0 0 ${TOKENS.rose}` : undefined,
            }}
          >
            <Row justify="space-between" align="baseline" gap={8}>
              <h3>{words(title)}</h3>
              <SeverityMark severity={finding.severity} />
            </Row>
            <p>
              {words(text)}
              {finding.confidence === 'likely' && (
                <span className="muted">{t(' Likely, not sure: look for yourself.')}</span>
              )}
            </p>
            <Row gap={8} style={{ paddingTop: 6 }}>
              {onFix &&
                finding.fixes.map((fix, i) => (
                  <Button
                    look={i === 0 && finding.severity !== 'note' ? 'primary' : 'second'}
                    key={words(sayFix(fix))}
                    size="small"
                    icon={swatchOf(fix)}
                    onClick={() => onFix(fix)}
                  >
                    {words(sayFix(fix))}
                  </Button>
                ))}
              {finding.places.length > 0 && (
                <Pressable look="words" onClick={() => onPoint(finding, (place + 1) % finding.places.length)}>
                  {placeWords(finding, place)}
                </Pressable>
              )}
            </Row>
          </li>
        );
      })}
    </Rows>
  );
}

/** The colour a knock-out takes out. */
function swatchOf(fix: Fix): React.ReactNode {
  return fix.kind === 'step' && fix.step.kind === 'knock-out' ? <Swatch hex={fix.step.hex} /> : undefined;
}

function placeWords({ places, placeCount }: Finding, place: number): string {
  if (places.length === 1) return 'Show where';
  if (place < 0) return `Show where (${formatQuantity(placeCount, 'count')} places)`;
  return `Place ${place + 1} of ${formatQuantity(placeCount, 'count')}: next`;
}
