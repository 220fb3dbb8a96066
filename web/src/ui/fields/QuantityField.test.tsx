import { METRIC } from '@saltflat/core/units';
import { expect } from 'chai';
import { useState } from 'react';
import { show } from '../../testing/render.tsx';
import { QuantityField } from './QuantityField.tsx';

interface PlateProps {
  onValue: (value: number | null) => void;
  span?: readonly [number, number];
}

function Plate({ onValue, span }: PlateProps) {
  const [value, setValue] = useState<number | null>(150);
  const change = (next: number | null): void => {
    setValue(next);
    onValue(next);
  };
  return (
    <QuantityField
      label="Plate"
      kind="temperature"
      system={METRIC}
      value={value}
      onChange={change}
      {...(span ? { span } : {})}
    />
  );
}

describe('a quantity field', () => {
  it('takes the other unit where it is written, and shows it beside', async () => {
    let last: number | null = null;
    const { user, getByLabelText, getByText } = show(<Plate onValue={(value) => (last = value)} />);
    await user.clear(getByLabelText('Plate'));
    await user.type(getByLabelText('Plate'), '320F');
    expect(last).to.be.closeTo(160, 0.1); // (320 − 32) × 5/9
    getByText(/320\s°F/);
  });

  it('asks when a number looks like the other unit, and takes what was meant by one press', async () => {
    let last: number | null = null;
    const { user, getByLabelText, getByRole } = show(<Plate onValue={(value) => (last = value)} />);
    await user.clear(getByLabelText('Plate'));
    await user.type(getByLabelText('Plate'), '320');
    await user.click(getByRole('button', { name: /^Yes, use 160/ }));
    expect(last).to.be.closeTo(160, 0.1);
  });

  it('tells what is beyond what can be meant and hands it not on, but asks where the other unit was', async () => {
    let last: number | null = 0;
    const { user, getByLabelText, getByText, getByRole, queryByText } = show(
      <Plate onValue={(value) => (last = value)} span={[60, 220]} />,
    );
    const plate = getByLabelText('Plate') as HTMLInputElement;
    await user.clear(plate);
    await user.type(plate, '30');
    getByText(/It goes from 60\s°C to 220\s°C/);
    expect([last, plate.value]).to.deep.equal([null, '30']);
    await user.clear(plate);
    await user.type(plate, '320');
    getByText(/It goes from 60\s°C to 220\s°C/);
    await user.click(getByRole('button', { name: /^Yes, use 160/ }));
    expect(last).to.be.closeTo(160, 0.1);
    expect(queryByText(/It goes from/)).to.equal(null);
  });

  it('keeps what it does not understand, and says so', async () => {
    let last: number | null = 0;
    const { user, getByLabelText, findByText } = show(<Plate onValue={(value) => (last = value)} />);
    await user.clear(getByLabelText('Plate'));
    await user.type(getByLabelText('Plate'), 'hot');
    expect(last).to.equal(null);
    expect((getByLabelText('Plate') as HTMLInputElement).value).to.equal('hot');
    await findByText(/hot/);
  });
});
