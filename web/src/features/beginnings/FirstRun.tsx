import { rich, t } from '../../words/index.ts';
import type { Beginnings } from '@saltflat/contract';
import { Link } from 'react-router';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { beginningMarks, canPlan } from './beginningMarks.ts';
import { Button, Mark, Panel, Progress, Refusal, Row, Rows, Split, Stack } from '../../ui/index.ts';

interface Props {
  beginnings: Beginnings;
  onFill: () => void;
  isFilling: boolean;
  refusal: RefusalProps;
}

/** A shop without an order yet: what to set up first, or the made-up shop to look around in. */
export function FirstRun({ beginnings, onFill, isFilling, refusal }: Props) {
  const marks = beginningMarks(beginnings);
  const { state, share } = beginnings.demo;
  const isEmpty = marks.every(({ count }) => count === 0 || count === null);
  const isComing = state === 'filling' || isFilling;
  const isOffered = isEmpty || isComing || state === 'broken-off';
  return (
    <Split columns={isOffered ? 'minmax(0, 3fr) minmax(280px, 2fr)' : 'minmax(0, 800px)'} pad={16} gap={32}>
      <Stack gap={12}>
        <h2>{isEmpty ? t('An empty shop: what to set up first') : t('Nothing is taken in yet')}</h2>
        <Rows as="ol" aria-label={t('What to set up first')}>
          {marks.map(({ to, title, says, count }) => (
            <li key={to} style={{ padding: '10px 0' }}>
              <Row gap={10} align="baseline">
                <Link to={to}>{title}</Link>
                {count === null ? (
                  <Mark mark="●" tone="calm" isSmall>
                    {t('usual values')}
                  </Mark>
                ) : (
                  <Mark mark={count > 0 ? '●' : '○'} tone={count > 0 ? 'calm' : 'hands'} isSmall>
                    {count > 0 ? t('{count} set up', { count }) : t('none yet')}
                  </Mark>
                )}
              </Row>
              <p className="muted">{says}</p>
            </li>
          ))}
        </Rows>
        <Row>
          <Button look={canPlan(marks) ? 'primary' : 'second'} to="/orders/new">
            {t('Take in the first order')}
          </Button>
          {!canPlan(marks) && (
            <span className="muted">
              {t('It can be written now; its route is planned once something stands in each list above.')}
            </span>
          )}
        </Row>
      </Stack>
      {isOffered && (
        <Panel as="div" title={t('Or look around first')} pad={16}>
          <Stack gap={10}>
            <p>
              {t(
                'A made-up print room with its blanks, materials, machines, some weeks of work and a few open orders. It takes about half a minute, and can be cleared again: what you set up meanwhile stays.',
              )}
            </p>
            {isComing ? (
              <Progress words={t('The demo is being taken in')} share={share ?? 0} />
            ) : state === 'broken-off' ? (
              <p>
                {rich('◆ The demo ended half-way. {link}', {
                  link: <Link to="/shop/demo">{t('Clear what came of it')}</Link>,
                })}
              </p>
            ) : (
              <div>
                <Button onClick={onFill}>{t('Fill it with the demo')}</Button>
              </div>
            )}
            <Refusal {...refusal} />
          </Stack>
        </Panel>
      )}
    </Split>
  );
}
