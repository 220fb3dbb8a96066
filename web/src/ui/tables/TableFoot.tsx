import { t } from '../../words/index.ts';
import { Button } from '../actions/Button.tsx';
import { MenuButton } from '../actions/MenuButton.tsx';
import { Grow } from '../layout/boxes.tsx';
import { Foot } from './tableParts.tsx';

interface Props {
  says: React.ReactNode;
  columns: readonly { key: string; title: string }[];
  shown: Record<string, boolean>;
  onToggle: (column: string) => void;
  /** Where the whole list comes as a file; otherwise the rows of the table are written. */
  csvHref: string | undefined;
  onCsv: () => void;
  isEmpty: boolean;
}

/** Under a list: how much of it there is, which columns, and the way out as a file. */
export const TableFoot = ({ says, columns, shown, onToggle, csvHref, onCsv, isEmpty }: Props) => (
  <Foot>
    <span className="muted small" role="status">
      {says}
    </span>
    <Grow />
    <MenuButton
      look="quiet"
      choices={columns.map(({ key, title }) => ({
        key,
        label: title,
        isChecked: shown[key] !== false,
        onChoose: () => onToggle(key),
      }))}
    >
      {t('Columns')}
    </MenuButton>
    {csvHref === undefined ? (
      <Button look="quiet" size="small" onClick={onCsv} disabled={isEmpty}>
        {t('CSV')}
      </Button>
    ) : (
      <Button look="quiet" size="small" download={csvHref}>
        {t('CSV')}
      </Button>
    )}
  </Foot>
);
