import type { Operation, Setting } from '@saltflat/core/work';
import { METRIC } from '@saltflat/core/units';
import { say } from '@saltflat/core/words';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { WhyPanel } from './WhyPanel.tsx';

const OWN = { source: 'override', value: 160, said: say('limit.sheet', { maker: 'Ines' }) };
const SHEET = { source: 'maker', value: 150, said: say('limit.sheet', { maker: 'Tarn Powder' }) };
const SCORCH = { min: null, max: 180, said: say('limit.scorch', { fibre: 'cotton' }) };

const setting = (part: object = {}): Setting =>
  ({
    ...{ key: 'tempC', label: 'Plate', kind: 'temperature', value: 150, sets: null },
    ...{ reasons: [SHEET], limits: [SCORCH], conflicts: [] },
    ...part,
  }) as unknown as Setting;

describe('why a setting is what it is', () => {
  const panel = (part: Partial<Parameters<typeof WhyPanel>[0]> = {}) => {
    const tried: number[] = [];
    const shown = show(
      <WhyPanel
        operation={{ title: 'Press the transfer' } as Operation}
        setting={setting()}
        system={METRIC}
        onTry={(value) => tried.push(value)}
        isTried={false}
        onTakeBack={null}
        onClose={() => tried.push(-1)}
        {...part}
      />,
    );
    return { ...shown, tried };
  };

  it('is told with its source and what binds it, and another value is tried in the unit it is written in', async () => {
    const { user, getByText, getByLabelText, tried } = panel();
    getByText('Maker’s sheet');
    getByText('the sheet of “Tarn Powder”.');
    getByText('cotton begins to yellow (textbook).');
    const own = getByLabelText('Your value');
    await user.clear(own);
    await user.type(own, '320 F{Enter}');
    expect(tried.at(-1)).to.be.closeTo(160, 1e-9); // (320 − 32) / 1.8
  });

  it('can be given up once it is a person’s own, and says why that was refused', async () => {
    const { user, getByRole, findByRole } = panel({
      setting: setting({ value: 160, reasons: [OWN, SHEET] }),
      onTakeBack: () => Promise.resolve('The line is on the floor by now.'),
    });
    await user.click(getByRole('button', { name: 'Take the change back' }));
    expect((await findByRole('alert')).textContent).to.contain('The line is on the floor by now.');
  });

  it('cannot be tried otherwise on a route that is run, and is left by Escape', async () => {
    const { user, queryByLabelText, getByText, tried } = panel({ onTry: null });
    expect(queryByLabelText('Your value')).to.equal(null);
    getByText(/it stays as it is/);
    await user.keyboard('{Escape}');
    expect(tried).to.deep.equal([-1]);
  });
});
