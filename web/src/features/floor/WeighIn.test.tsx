import type { Device } from '@saltflat/contract';
import type { StepState, WeighedPiece } from '@saltflat/core/run';
import { act } from '@testing-library/react';
import { expect } from 'chai';
import { deviceSpoke } from '../../api/liveSlice.ts';
import { show } from '../../testing/render.tsx';
import { WeighIn } from './WeighIn.tsx';

const scale = (part: Partial<Device>): Device =>
  ({ id: 'scale', name: 'Scale', unit: 'g', value: 180, isStable: true, fault: null, ...part }) as Device;

describe('the weight of a piece', () => {
  const shown = (step: Partial<StepState>, before: readonly WeighedPiece[] = [], driedG = 0) => {
    const weighed: [what: string, massG: number][] = [];
    const own = show(
      <WeighIn
        weighIn={{ targetG: 20, toleranceG: 2 }}
        step={{ beforeG: null, afterG: null, ...step } as StepState}
        driedG={driedG}
        before={before}
        onWeigh={(what, massG) => weighed.push([what, massG])}
      />,
    );
    return {
      ...own,
      weighed,
      says: (part: Partial<Device>) => act(() => void own.store.dispatch(deviceSpoke(scale(part)))),
    };
  };

  it('is taken before spraying once the scale has settled, and not sooner', async () => {
    const { user, getByRole, getByText, says, weighed } = shown({});
    const take = getByRole('button', { name: /^Take the weight before/ }) as HTMLButtonElement;
    expect(take.disabled, 'the scale says nothing yet').to.equal(true);
    says({ value: 181.4, isStable: false });
    getByText('settling …');
    expect(take.disabled).to.equal(true);
    says({ value: 182 });
    await user.click(take);
    expect(weighed).to.deep.equal([['before', 182]]);
  });

  it('says of what was sprayed whether it is right, too little or too much, before it is taken', async () => {
    const { user, getByRole, getByText, says, weighed } = shown({ beforeG: 180 });
    says({ value: 192 });
    getByText(/too little: spray once more/);
    says({ value: 201.5 });
    getByText(/right amount/);
    says({ value: 205 });
    getByText(/too much: let it dry longer/);
    await user.click(getByRole('button', { name: /^Take the weight after/ }));
    expect(weighed).to.deep.equal([['after', 205]]);
  });

  it('can be typed while the scale is dead, and a garment that got lighter is asked about, not taken', async () => {
    const { user, getByRole, getByLabelText, getByText, says, weighed } = shown({ beforeG: 180 });
    says({ value: null, isStable: false, fault: 'The scale sends nothing: check its cable and power.' });
    getByText(/check its cable/);
    const take = getByRole('button', { name: /^Take the weight after/ }) as HTMLButtonElement;
    await user.type(getByLabelText('After, typed'), '178');
    await user.tab();
    getByText(/weighs less than before/);
    expect(take.disabled).to.equal(true);
    await user.clear(getByLabelText('After, typed'));
    await user.type(getByLabelText('After, typed'), '199.5');
    await user.tab();
    await user.click(take);
    expect(weighed).to.deep.equal([['after', 199.5]]);
  });

  it('counts what dried off before it came to the scale', () => {
    const { getByText, says } = shown({ beforeG: 180 }, [], 1.2);
    says({ value: 197 });
    getByText(/right amount/); // 17 g are too little of 20 ± 2; 18.2 are not
    getByText(/dried off meanwhile/);
  });

  it('stands under those before it, with the question that two too dry ones ask', () => {
    const piece = (step: string, pct: number, own: Partial<WeighedPiece> = {}): WeighedPiece => ({
      step,
      pct,
      addedG: pct / 5,
      verdict: pct < 80 ? 'too-little' : 'ok',
      signals: [],
      side: null,
      isAgain: false,
      ...own,
    });
    const { getByRole, getByText } = shown({}, [
      piece('1', 101),
      piece('2', 74),
      piece('3', 71, { isAgain: true }),
    ]);
    expect(getByRole('list', { name: 'Weighed so far' }).textContent).to.match(
      /1 ● 101 %, right.*3 ◆ 71 %, too little/,
    );
    getByText(/twice in a row off to one side: the nozzle, the pump, the bottle\?/);
  });

  it('cannot be taken from a scale that fails, which says why', () => {
    const { getByRole, getByText, says } = shown({});
    says({ value: null, isStable: false, fault: 'The scale does not answer.' });
    getByText('The scale does not answer.');
    expect((getByRole('button') as HTMLButtonElement).disabled).to.equal(true);
  });
});
