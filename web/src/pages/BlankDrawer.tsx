import { t } from '../words/index.ts';
import { RecordEditor } from '../features/shop/index.ts';
import { Drawer } from '../ui/index.ts';

interface Props {
  /** What was typed for it. */
  name: string;
  onAdded: (id: string, name: string) => void;
  onClose: () => void;
}

/** A blank that is not in the shop's list yet, added without leaving what it is for. */
export const BlankDrawer = ({ name, onAdded, onClose }: Props) => (
  <Drawer title={t('A blank that is new here')} onClose={onClose}>
    <RecordEditor
      list="blanks"
      row={null}
      begin={{ name }}
      onSaved={({ id }, called) => id !== null && onAdded(id, called)}
      onRetire={null}
      onPutFirst={null}
      onLeave={onClose}
    />
  </Drawer>
);
