import { rich, t } from '../../words/index.ts';
import { Link } from 'react-router';
import { useOpenLinesQuery } from '../../api/linesApi.ts';
import { problemMessage } from '../../api/problemMessage.ts';
import { When } from '../../units/Written.tsx';
import { ArtThumb } from './ArtThumb.tsx';
import { Empty, Failed, Loading, Panel, RowLink, Rows, StateMark } from '../../ui/index.ts';

const MOST = 60;

/** Open lines to choose from, where a place has nothing chosen yet. `to` makes the address of a line. */
export function LinePicker({ to, what }: { to: (lineId: string) => string; what: string }) {
  const { data, error, refetch } = useOpenLinesQuery({ limit: MOST });
  if (error)
    return (
      <Failed title={t('The open lines cannot be fetched')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the open lines')} />;
  const lines = data.items.filter(({ artworkIds }) => artworkIds.some((id) => id !== null));
  if (lines.length === 0) {
    return (
      <Empty title={t('No open orders with art')}>
        {rich('{link} and its {what} appears here.', {
          link: <Link to="/orders/new">{t('Take in an order')}</Link>,
          what,
        })}
      </Empty>
    );
  }
  return (
    <Panel as="div">
      <Rows aria-label={t('Open lines')}>
        {lines.map(({ lineId, code, customer, garment, pieces, colourHex, dueAt, state, artworkIds }) => (
          <li key={lineId}>
            <RowLink to={to(lineId)}>
              {artworkIds.map((artworkId, i) => (
                <ArtThumb key={i} artworkId={artworkId} colourHex={colourHex} size={48} alt="" />
              ))}
              <span className="code" style={{ width: 72 }}>
                {code}
              </span>
              <span style={{ flex: 1, minWidth: 180 }}>
                {customer}
                <span className="muted">
                  {' '}
                  · {pieces} {garment}
                </span>
              </span>
              <span className="muted nowrap">
                {rich('due {when}', { when: <When at={dueAt} as="weekday-time" /> })}
              </span>
              <StateMark state={state} />
            </RowLink>
          </li>
        ))}
      </Rows>
      {data.nextCursor !== null && (
        <p className="muted" style={{ padding: 12 }}>
          {rich('These are the {most} due soonest; {link} have the rest.', {
            most: MOST,
            link: <Link to="/orders">{t('the orders')}</Link>,
          })}
        </p>
      )}
    </Panel>
  );
}
