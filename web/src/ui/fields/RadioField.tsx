import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { styled } from '@mui/material/styles';
import { Group, GroupName } from '../layout/boxes.tsx';
import { TOKENS } from '../theme/tokens.ts';

export interface RadioOption<T extends string> {
  value: T;
  label: React.ReactNode;
  /** What it gives and costs, below it. */
  says?: React.ReactNode;
}

interface Props<T extends string> {
  label: string;
  options: readonly RadioOption<T>[];
  value: T | null;
  onChange: (value: T) => void;
  /** In a row, framed side by side, or one below the other with what each means. */
  look?: 'row' | 'tiles' | 'list';
  isNameHidden?: boolean;
  disabled?: boolean;
  name?: string;
}

const tile = {
  minHeight: 44,
  margin: 0,
  padding: '0 14px 0 6px',
  border: `1px solid ${TOKENS.edge}`,
  borderRadius: 1,
  backgroundColor: TOKENS.surface,
} as const;
const ListName = styled('legend')({ fontWeight: 620, padding: 0, marginBottom: 4 });

/** One of a few, each with its words. */
export function RadioField<T extends string>(props: Props<T>) {
  const {
    label,
    options,
    value,
    onChange,
    look = 'row',
    isNameHidden = false,
    disabled = false,
    name,
  } = props;
  const Name = look === 'list' ? ListName : GroupName;
  return (
    <Group disabled={disabled}>
      <Name className={isNameHidden ? 'visually-hidden' : ''}>{label}</Name>
      <RadioGroup
        row={look !== 'list'}
        value={value ?? ''}
        {...(name === undefined ? {} : { name })}
        onChange={(_event, next) => onChange(next as T)} // one of the options, which are all T
        sx={look === 'tiles' ? { gap: '8px' } : { gap: look === 'list' ? '2px' : 0 }}
      >
        {options.map((option) => {
          const isChosen = option.value === value;
          return (
            <FormControlLabel
              key={option.value}
              value={option.value}
              control={<Radio disabled={disabled} />}
              label={
                option.says === undefined ? (
                  option.label
                ) : (
                  <>
                    {option.label}
                    <span className="muted small" style={{ display: 'block' }}>
                      {option.says}
                    </span>
                  </>
                )
              }
              sx={{
                ...(look === 'tiles' ? tile : {}),
                ...(look === 'tiles' && isChosen
                  ? {
                      borderColor: TOKENS.brine,
                      backgroundColor: TOKENS.brinePale,
                      '& .MuiFormControlLabel-label': { fontWeight: 600 },
                    }
                  : {}),
                ...(look === 'list'
                  ? {
                      alignItems: 'flex-start',
                      margin: 0,
                      padding: '2px 6px 4px 0',
                      borderRadius: 1,
                      '& .MuiFormControlLabel-label': { paddingTop: '6px' },
                      backgroundColor: isChosen ? TOKENS.brinePale : undefined,
                    }
                  : {}),
              }}
            />
          );
        })}
      </RadioGroup>
    </Group>
  );
}

interface OneProps {
  label: React.ReactNode;
  /** Of the group it is one of. */
  name: string;
  value: string;
  isChosen: boolean;
  onChoose: () => void;
}

/** One of a group whose members stand apart, as in the rows of a table. */
export const RadioChoice = ({ label, name, value, isChosen, onChoose }: OneProps) => (
  <FormControlLabel
    label={label}
    value={value}
    checked={isChosen}
    onChange={onChoose}
    control={<Radio name={name} />}
    sx={{ alignItems: 'flex-start', '& .MuiFormControlLabel-label': { paddingTop: '5px' } }}
  />
);
