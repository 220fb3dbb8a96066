export { ArtThumb } from './ArtThumb.tsx';
export { fromLocalField, toLocalField } from './dates.ts';
export { Measuring } from './Measuring.tsx';
export { LinePicker } from './LinePicker.tsx';
export type { LineActions } from './LineCard.tsx';
export { OrderDetail } from './OrderDetail.tsx';
export { OrderForm } from './OrderForm.tsx';
export { OrderTable } from './OrderTable.tsx';
export {
  useCancelOrderMutation,
  useDuplicateOrderMutation,
  useOrderQuery,
  useOrderPagesInfiniteQuery,
  useRestoreOrderMutation,
  useUploadArtworkMutation,
  withoutEmpty,
} from './ordersApi.ts';
