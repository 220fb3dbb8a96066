import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Group, GroupName, Row } from '../layout/boxes.tsx';
import { FieldProblem } from './FieldProblem.tsx';

interface Props {
  label: string;
  isChecked: boolean;
  onChange: (isChecked: boolean) => void;
  /** The name is said, not shown: what stands beside says it. */
  isNameHidden?: boolean;
}

/** Yes or no. */
export function CheckField({ label, isChecked, onChange, isNameHidden = false }: Props) {
  const box = (
    <Checkbox
      checked={isChecked}
      onChange={(event) => onChange(event.target.checked)}
      slotProps={isNameHidden ? { input: { 'aria-label': label } } : {}}
    />
  );
  return isNameHidden ? box : <FormControlLabel label={label} control={box} />;
}

interface SetProps {
  label: string;
  options: readonly { value: string; label: string }[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
  problem?: string | undefined;
}

/** Any of a few. */
export function CheckSet({ label, options, chosen, onChange, problem }: SetProps) {
  return (
    <Group>
      <GroupName>{label}</GroupName>
      <Row gap={8}>
        {options.map(({ value, label: words }) => (
          <CheckField
            key={value}
            label={words}
            isChecked={chosen.includes(value)}
            onChange={(isOn) => onChange(isOn ? [...chosen, value] : chosen.filter((own) => own !== value))}
          />
        ))}
      </Row>
      <FieldProblem>{problem}</FieldProblem>
    </Group>
  );
}
