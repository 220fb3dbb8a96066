import { t } from '../../words/index.ts';
import Autocomplete from '@mui/material/Autocomplete';
import MuiDialog from '@mui/material/Dialog';
import MuiTextField from '@mui/material/TextField';
import { Refusal } from '../states/Note.tsx';

export interface Command {
  id: string;
  group: string;
  label: string;
  says: string;
}

interface Props {
  label: string;
  placeholder: string;
  typed: string;
  onType: (text: string) => void;
  /** What is found for what is typed, those of a group together, the likeliest first. */
  choices: readonly Command[];
  onChoose: (id: string) => void;
  isBusy: boolean;
  /** Why something could not be looked up; empty where all was. */
  problem: string;
  onClose: () => void;
}

/** One field over the page that leads anywhere: arrows walk what is found, Enter takes it, Escape leaves. */
export function CommandBox(props: Props) {
  const { label, placeholder, typed, onType, choices, onChoose, isBusy, problem, onClose } = props;
  return (
    <MuiDialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{
        container: { sx: { alignItems: 'flex-start' } },
        paper: { 'aria-label': label, sx: { mt: '8vh', overflow: 'visible' } },
      }}
    >
      <Autocomplete<Command>
        open
        forcePopupIcon={false}
        clearOnBlur={false}
        noOptionsText={typed.trim() === '' ? t('Type what you look for.') : t('Nothing is called so.')}
        loadingText={t('Looking …')}
        autoHighlight
        disablePortal
        options={choices}
        filterOptions={(all) => all} // whoever gives them has looked
        getOptionLabel={(own) => own.label}
        groupBy={({ group }) => group}
        inputValue={typed}
        value={null}
        loading={isBusy}
        onInputChange={(_event, text, reason) => reason !== 'reset' && onType(text)}
        onChange={(_event, own) => own !== null && onChoose(own.id)}
        onKeyDown={(event) => event.key === 'Escape' && onClose()}
        renderOption={({ key, ...rest }, { label: words, says, id }) => (
          <li key={id || key} {...rest}>
            <span style={{ flex: 1 }}>{words}</span>
            <span className="muted small">{says}</span>
          </li>
        )}
        slotProps={{ listbox: { sx: { maxHeight: '60vh' } }, paper: { sx: { border: 0 } } }}
        renderInput={({ slotProps, ...params }) => (
          <MuiTextField
            {...params}
            autoFocus
            placeholder={placeholder}
            slotProps={{
              ...slotProps,
              htmlInput: { ...slotProps.htmlInput, 'aria-label': label },
            }}
            sx={{ p: 1.5 }}
          />
        )}
      />
      <Refusal words={problem} />
    </MuiDialog>
  );
}
