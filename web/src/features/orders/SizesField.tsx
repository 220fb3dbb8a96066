import { t } from '../../words/index.ts';
import type { SizesProblem } from './orderFormValues.ts';
import { FieldProblem, Group, GroupName, Row, TextField } from '../../ui/index.ts';

interface Props {
  sizes: readonly { size: string }[];
  quantities: Record<string, string>;
  problem: SizesProblem | undefined;
  onChange: (quantities: Record<string, string>) => void;
}

/** One number per size, side by side as on a paper ticket. */
export function SizesField({ sizes, quantities, problem, onChange }: Props) {
  return (
    <Group>
      <GroupName>{t('Quantity by size')}</GroupName>
      <Row gap={8}>
        {sizes.map(({ size }) => (
          <TextField
            key={size}
            label={size}
            spokenLabel={t('Quantity, size {size}', { size })}
            width={size.length > 4 ? 110 : 76}
            inputMode="numeric"
            isWrong={problem !== undefined && (problem.size === null || problem.size === size)}
            value={quantities[size] ?? ''}
            onChange={(text) => onChange({ ...quantities, [size]: text })}
          />
        ))}
      </Row>
      <FieldProblem>{problem?.words}</FieldProblem>
    </Group>
  );
}
