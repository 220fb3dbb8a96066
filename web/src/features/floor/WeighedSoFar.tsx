import type { WeighedPiece } from '@saltflat/core/run';
import { Row } from '../../ui/index.ts';
import { AMOUNT_MARKS, amountQuestion } from '../../weighed/index.ts';
import { t } from '../../words/index.ts';

/** So many of the last are shown. */
const SHOWN = 10;

/** Garments weighed in before this one, and what their run says: a question before shirts fail. */
export function WeighedSoFar({ pieces }: { pieces: readonly WeighedPiece[] }) {
  const last = pieces.at(-1);
  if (last === undefined) return null;
  const first = Math.max(0, pieces.length - SHOWN);
  const question = amountQuestion(last);
  return (
    <div style={{ gridColumn: '1 / -1' }}>
      <Row as="ol" aria-label={t('Weighed so far')} gap={14}>
        {pieces.slice(first).map(({ step, pct, verdict }, i) => (
          <li key={step} style={{ listStyle: 'none' }}>
            <span className="muted">{first + i + 1}</span> {AMOUNT_MARKS[verdict].mark}{' '}
            {t('{share} %, {word}', { share: Math.round(pct), word: AMOUNT_MARKS[verdict].word })}
          </li>
        ))}
      </Row>
      {question !== '' && (
        <p role="status" style={{ margin: '6px 0 0', fontWeight: 600 }}>
          ◆ {question}
        </p>
      )}
    </div>
  );
}
