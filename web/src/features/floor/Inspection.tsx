import { t } from '../../words/index.ts';
import type { Route } from '@saltflat/core/route';
import type { Verdict } from '@saltflat/core/run';
import { useState } from 'react';
import { useKeys } from '../../keys/index.ts';
import { Look } from './floorParts.tsx';
import { FaultForm } from './FaultForm.tsx';
import type { Seen } from './FaultForm.tsx';
import { Button, Row, Stack } from '../../ui/index.ts';

export interface Judgement extends Seen {
  verdict: Verdict;
}

interface Props {
  route: Route;
  checks: readonly string[];
  onJudge: (judgement: Judgement) => void;
}

/** Good with one press; for a reprint or scrap, what was seen, a note and a photo if there is time. */
export function Inspection({ route, checks, onJudge }: Props) {
  const [bad, setBad] = useState<'reprint' | 'scrap' | null>(null);
  useKeys(t('Inspection'), [
    { key: '1', does: t('good'), act: () => onJudge({ verdict: 'good', faults: [] }) },
    { key: '2', does: t('reprint'), act: () => setBad('reprint') },
    { key: '3', does: t('scrap'), act: () => setBad('scrap') },
  ]);
  return (
    <Stack gap={14} pad="0 20px 16px" role="group" aria-label={t('How did it come out?')}>
      <Look as="ul">
        {checks.map((check) => (
          <li key={check}>· {check}</li>
        ))}
      </Look>
      <Row>
        <Button
          look={bad === null ? 'primary' : 'second'}
          onClick={() => onJudge({ verdict: 'good', faults: [] })}
          hint="1"
        >
          {t('● Good')}
        </Button>
        <Button look={bad === 'reprint' ? 'primary' : 'second'} onClick={() => setBad('reprint')} hint="2">
          {t('◆ Reprint')}
        </Button>
        <Button look={bad === 'scrap' ? 'primary' : 'second'} onClick={() => setBad('scrap')} hint="3">
          {t('■ Scrap')}
        </Button>
      </Row>
      {bad && (
        <FaultForm
          route={route}
          word={bad === 'scrap' ? t('Log as scrap') : t('Log as reprint')}
          onTell={(seen) => onJudge({ verdict: bad, ...seen })}
        />
      )}
    </Stack>
  );
}
