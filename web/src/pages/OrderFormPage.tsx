import { useNavigate, useParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { OrderForm, useOrderQuery } from '../features/orders/index.ts';
import { Failed, Loading, PageHead } from '../ui/index.ts';

/** A new order, or one being changed. */
export function OrderFormPage() {
  const { orderId } = useParams();
  const navigate = useNavigate();
  const catalogue = useCatalogueQuery();
  const order = useOrderQuery(orderId ?? '', { skip: orderId === undefined });
  const error = catalogue.error ?? order.error;
  const again = (): void => {
    if (catalogue.error) void catalogue.refetch();
    if (order.error) void order.refetch();
  };
  return (
    <>
      <PageHead
        title={orderId ? `Change ${order.data?.code ?? 'the order'}` : 'New order'}
        says={
          !orderId &&
          'Drop the art, choose the garment, say how many. The route is planned as soon as it is taken in.'
        }
      />
      {error && (
        <Failed title="The form cannot be filled" onRetry={again}>
          {problemMessage(error)}
        </Failed>
      )}
      {!error && (!catalogue.data || (orderId && !order.data)) && <Loading what="garments and customers" />}
      {catalogue.data && (!orderId || order.data) && (
        <OrderForm
          catalogue={catalogue.data}
          order={orderId ? (order.data ?? null) : null}
          onSaved={(saved) => void navigate(`/orders/${saved.id}`)}
          onLeave={() => void navigate(orderId ? `/orders/${orderId}` : '/orders')}
        />
      )}
    </>
  );
}
