import { t } from '../words/index.ts';
import { Suspense, lazy, useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { OrderForm, useOrderQuery } from '../features/orders/index.ts';
import { Failed, Loading, PageHead, useToast } from '../ui/index.ts';

/** Few orders need a blank that is new: its form comes when one does. */
const BlankDrawer = lazy(async () => ({ default: (await import('./BlankDrawer.tsx')).BlankDrawer }));

interface Wanted {
  name: string;
  take: (styleId: string) => void;
  /** Once it is added; it is taken as soon as it is in the list. */
  id: string | null;
}

/** A new order, or one being changed. */
export function OrderFormPage() {
  const { orderId } = useParams();
  const navigate = useNavigate();
  const catalogue = useCatalogueQuery();
  const order = useOrderQuery(orderId ?? '', { skip: orderId === undefined });
  const tell = useToast();
  const [wanted, setWanted] = useState<Wanted | null>(null);
  useEffect(() => {
    if (!wanted || !catalogue.data?.styles.some(({ id }) => id === wanted.id)) return;
    wanted.take(wanted.id ?? '');
    setWanted(null);
  }, [wanted, catalogue.data]);
  const error = catalogue.error ?? order.error;
  const again = (): void => {
    if (catalogue.error) void catalogue.refetch();
    if (order.error) void order.refetch();
  };
  return (
    <>
      <PageHead
        title={orderId ? t('Change {order}', { order: order.data?.code ?? t('the order') }) : t('New order')}
        says={
          !orderId &&
          t('Drop the art, choose the garment, say how many. The route is planned as soon as it is taken in.')
        }
      />
      {error && (
        <Failed title={t('The form cannot be filled')} onRetry={again}>
          {problemMessage(error)}
        </Failed>
      )}
      {!error && (!catalogue.data || (orderId && !order.data)) && (
        <Loading what={t('garments and customers')} />
      )}
      {catalogue.data && (!orderId || order.data) && (
        <OrderForm
          catalogue={catalogue.data}
          order={orderId ? (order.data ?? null) : null}
          onNewBlank={(name, take) => setWanted({ name, take, id: null })}
          onSaved={(saved) => void navigate(`/orders/${saved.id}`)}
          onLeave={() => void navigate(orderId ? `/orders/${orderId}` : '/orders')}
        />
      )}
      {wanted !== null && wanted.id === null && (
        <Suspense fallback={null}>
          <BlankDrawer
            name={wanted.name}
            onAdded={(id, name) => {
              setWanted({ ...wanted, id });
              tell({ words: t('“{name}” is in the blanks now.', { name }) });
            }}
            onClose={() => setWanted(null)}
          />
        </Suspense>
      )}
    </>
  );
}
