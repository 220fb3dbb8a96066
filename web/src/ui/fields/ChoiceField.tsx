import { t } from '../../words/index.ts';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import MuiTextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { Swatch } from '../states/Swatch.tsx';
import { noteRecent, recentFirst, recentOf } from './recent.ts';
import { below } from './FieldFrame.tsx';
import type { FieldProps } from './FieldFrame.tsx';

export interface Choice {
  id: string;
  label: string;
  /** More about it, beside it and searched as well. */
  says?: string;
  hex?: string;
}

interface Props extends FieldProps {
  /** `null` while none is chosen. */
  value: string | null;
  choices: readonly Choice[];
  onChange: (id: string) => void;
  /** Under which name what was chosen lately is kept. */
  recent?: string;
  /** Makes one that is not there yet, from what was typed. */
  create?: { words: (typed: string) => string; onCreate: (typed: string) => void };
}

/** Stands before what was typed, in place of an id: it is to be made. */
const CREATE = ' create ';

/**
 * One of many, found by a few letters: what was chosen lately first, what is missing can be made from here. The list
 * holds ids, so that what is typed stays while the page around it is drawn anew.
 */
export function ChoiceField(props: Props) {
  const { label, value, choices, onChange, recent, create, problem, width } = props;
  const [lately, setLately] = useState(() => (recent === undefined ? [] : recentOf(recent)));
  const known = new Map(choices.map((own) => [own.id, own]));
  const ids = recentFirst(
    choices.map(({ id }) => id),
    (id) => id,
    lately,
  );
  const chosen = value === null ? undefined : known.get(value);
  const words = (id: string): string =>
    id.startsWith(CREATE) ? (create?.words(id.slice(CREATE.length)) ?? '') : (known.get(id)?.label ?? '');
  const matching = createFilterOptions<string>({
    stringify: (id) => `${words(id)} ${known.get(id)?.says ?? ''}`,
  });
  const choose = (id: string): void => {
    if (id.startsWith(CREATE)) {
      create?.onCreate(id.slice(CREATE.length));
      return;
    }
    if (recent !== undefined) {
      noteRecent(recent, id);
      setLately(recentOf(recent));
    }
    onChange(id);
  };
  return (
    <Autocomplete<string, false, true>
      disableClearable
      autoHighlight
      options={ids}
      value={chosen?.id ?? (null as unknown as string)} // none is chosen yet: the library has no word for that here
      getOptionLabel={words}
      groupBy={(id) => (lately.includes(id) ? t('Lately') : t('All'))}
      renderGroup={({ key, group, children }) => (
        <li key={key}>
          {lately.length > 0 && <div style={GROUP}>{group}</div>}
          <ul>{children}</ul>
        </li>
      )}
      filterOptions={(all, state) => {
        const typed = state.inputValue.trim();
        const found = matching(all, state);
        return create && typed !== '' && typed !== chosen?.label ? [...found, CREATE + typed] : found;
      }}
      onChange={(_event, id) => choose(id)}
      renderOption={({ key, ...rest }, id) => (
        <li key={key} {...rest}>
          <Option words={words(id)} choice={known.get(id)} />
        </li>
      )}
      noOptionsText={t('Nothing like it here')}
      openText={t('Open')}
      closeText={t('Close')}
      clearText={t('Clear')}
      sx={width === undefined ? {} : { width }}
      renderInput={({ slotProps, ...params }) => (
        <MuiTextField
          {...params}
          label={label}
          autoFocus={props.autoFocus ?? false}
          error={Boolean(problem)}
          helperText={below(props)}
          slotProps={{
            ...slotProps,
            inputLabel: { ...slotProps.inputLabel, shrink: true },
            input: {
              ...slotProps.input,
              startAdornment:
                chosen?.hex === undefined ? undefined : <Swatch hex={chosen.hex} sx={{ ml: '6px' }} />,
            },
          }}
        />
      )}
    />
  );
}

const Option = ({ words, choice }: { words: string; choice: Choice | undefined }) => (
  <span style={{ display: 'flex', gap: 8, alignItems: 'baseline', flexWrap: 'wrap' }}>
    {choice?.hex !== undefined && <Swatch hex={choice.hex} />}
    {words} {choice?.says !== undefined && <span className="muted small">{choice.says}</span>}
  </span>
);

const GROUP = { padding: '6px 16px 2px', fontSize: 12, color: 'var(--muted)' } as const;

interface SuggestProps extends FieldProps {
  value: string;
  suggestions: readonly string[];
  onChange: (text: string) => void;
  recent?: string;
}

/** Free text with what it most likely is: a name that is new is taken as it is typed. */
export function SuggestField(props: SuggestProps) {
  const { label, value, suggestions, onChange, recent, problem } = props;
  const [lately] = useState(() => (recent === undefined ? [] : recentOf(recent)));
  const ordered = useMemo(
    () => [...new Set([...(value === '' ? lately : []), ...recentFirst(suggestions, (own) => own, lately)])],
    [suggestions, lately, value],
  );
  return (
    <Autocomplete<string, false, true, true>
      freeSolo
      openText={t('Open')}
      closeText={t('Close')}
      clearText={t('Clear')}
      disableClearable
      options={ordered}
      filterOptions={(all) => all} // whoever suggests has looked for what is typed
      inputValue={value}
      onInputChange={(_event, text, reason) => {
        if (reason !== 'reset' || text !== '') onChange(text);
      }}
      onChange={(_event, text) => recent !== undefined && noteRecent(recent, text)}
      renderInput={({ slotProps, ...params }) => (
        <MuiTextField
          {...params}
          label={label}
          autoFocus={props.autoFocus ?? false}
          error={Boolean(problem)}
          helperText={below(props)}
          slotProps={{ ...slotProps, inputLabel: { ...slotProps.inputLabel, shrink: true } }}
        />
      )}
    />
  );
}
