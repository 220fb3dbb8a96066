import { Link } from 'react-router';
import { problemMessage } from '../../api/problemMessage.ts';
import { dueWords } from './dates.ts';
import { useOrderQuery, useOrdersQuery } from './ordersApi.ts';
import { ArtThumb } from './ArtThumb.tsx';
import { Empty, Failed, Loading, Panel, RowLink, Rows, StateMark } from '../../ui/index.ts';

/** Open lines to choose from, where a place has nothing chosen yet. `to` makes the address of a line. */
export function LinePicker({ to, what }: { to: (lineId: string) => string; what: string }) {
  const { data, error, refetch } = useOrdersQuery({
    state: 'open',
    sort: 'due',
    direction: 'asc',
    limit: 40,
  });
  if (error)
    return (
      <Failed title="The orders cannot be fetched" onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what="the open orders" />;
  if (data.items.length === 0) {
    return (
      <Empty title="No open orders">
        <Link to="/orders/new">Take in an order</Link> and its {what} appears here.
      </Empty>
    );
  }
  return (
    <Panel as="div">
      <Rows aria-label="Open lines">
        {data.items.map(({ id }) => (
          <OrderLines key={id} orderId={id} to={to} />
        ))}
      </Rows>
    </Panel>
  );
}

function OrderLines({ orderId, to }: { orderId: string; to: (lineId: string) => string }) {
  const { data: order } = useOrderQuery(orderId);
  return order?.lines
    .filter(({ prints }) => prints.some(({ artwork }) => artwork !== null))
    .map((line) => (
      <li key={line.id}>
        <RowLink to={to(line.id)}>
          {line.prints.map(({ id, artwork }) => (
            <ArtThumb key={id} artworkId={artwork?.id ?? null} colourHex={line.colour.hex} size={48} alt="" />
          ))}
          <span className="code" style={{ width: 72 }}>
            {line.code}
          </span>
          <span style={{ flex: 1, minWidth: 180 }}>
            {order.customer}
            <span className="muted">
              {' '}
              · {line.pieces} {line.colour.name} {line.styleName}
            </span>
          </span>
          <span className="muted nowrap">due {dueWords(order.dueAt)}</span>
          <StateMark state={line.state} />
        </RowLink>
      </li>
    ));
}
