import { FieldProblem, Group, GroupName, Row, TextField } from '../../ui/index.ts';
interface Props {
  sizes: readonly { size: string }[];
  quantities: Record<string, string>;
  problem: string | undefined;
  onChange: (quantities: Record<string, string>) => void;
}

/** One number per size, side by side as on a paper ticket. */
export function SizesField({ sizes, quantities, problem, onChange }: Props) {
  return (
    <Group>
      <GroupName>Quantity by size</GroupName>
      <Row gap={8}>
        {sizes.map(({ size }) => (
          <TextField
            key={size}
            label={size}
            spokenLabel={`Quantity, size ${size}`}
            width={size.length > 4 ? 110 : 76}
            inputMode="numeric"
            isWrong={problem !== undefined}
            value={quantities[size] ?? ''}
            onChange={(text) => onChange({ ...quantities, [size]: text })}
          />
        ))}
      </Row>
      <FieldProblem>{problem}</FieldProblem>
    </Group>
  );
}
