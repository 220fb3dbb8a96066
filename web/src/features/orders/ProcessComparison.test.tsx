import type { ComparisonAnswer } from '@saltflat/contract';
import type { Process } from '@saltflat/core/route';
import { say } from '@saltflat/core/words';
import { within } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { ProcessComparison } from './ProcessComparison.tsx';

type Option = ComparisonAnswer['options'][number];
const plan = (totalCents: number, part: object = {}): Option['plan'] =>
  ({
    ...{ handsS: 1800, elapsedS: 5400, restBeforeDispatchS: 0, addsCents: null, risks: [] },
    ...{ conflicts: [], problems: [], machines: [], cost: { totalCents } },
    look: {
      opacity: 1,
      softness: 0,
      breathing: 0.5,
      stretch: 0.25,
      said: say('hand.film', { isSolid: false }),
    },
    ...part,
  }) as unknown as Option['plan'];
const option = (process: Process, name: string, part: Partial<Option>): Option => ({
  process,
  name,
  refusals: [],
  plan: null,
  ...part,
});

const COMPARISON = {
  options: [
    option('dtf', 'Film transfer', {
      plan: plan(912, { machines: ['Press A'], risks: [say('risk.large-solid')] }),
    }),
    option('dtg', 'Direct print', {
      plan: plan(740, { conflicts: [say('risk.dye-at-cure')], restBeforeDispatchS: 43_200, addsCents: 210 }),
    }),
    option('sub-film', 'Sublimation', { refusals: [say('risk.white-vanishes')] }),
  ],
  recommended: 'dtf',
  reasons: [say('better.within-limits'), say('better.risks')],
  wouldChange: say('turn.another-machine'),
  taken: [{ machine: 'Press A', code: 'R-12' }],
} as unknown as ComparisonAnswer;

describe('processes side by side', () => {
  const panel = (comparison = COMPARISON, process: Process = 'dtf') => {
    const chosen: Process[] = [];
    const shown = show(
      <ProcessComparison
        name="line1"
        of="line 1"
        comparison={comparison}
        process={process}
        isFetching={false}
        onChange={(own) => chosen.push(own)}
      />,
    );
    const row = (name: RegExp): HTMLElement => shown.getByRole('row', { name });
    /** Numbers are kept together with their units by spaces that do not break. */
    const said = (name: RegExp): string => (row(name).textContent ?? '').replaceAll('\u00a0', ' ');
    return { ...shown, chosen, row, said };
  };

  it('say which is recommended and why, with money, time and rest of each', () => {
    const { getByRole, said } = panel();
    const { textContent } = getByRole('group', { name: /Process, compared/ });
    expect(textContent).to.contain(
      'Film transfer is recommended: every setting stays within its limits; less that can go wrong.',
    );
    expect(said(/Film transfer/)).to.contain('€ 9.12');
    const direct = said(/Direct print/);
    for (const part of ['€ 7.40', '€ 2.10 for this print', '30 min', '1 h 30 min', '+ 12 h rest'])
      expect(direct).to.contain(part);
  });

  it('are chosen from by a person, against what is recommended too', async () => {
    const { user, row, chosen } = panel();
    const mine = within(row(/Film transfer/)).getByRole<HTMLInputElement>('radio');
    expect(mine.checked).to.equal(true);
    await user.click(within(row(/Direct print/)).getByRole('radio'));
    expect(chosen).to.deep.equal(['dtg']);
  });

  it('tell a broken limit, a machine that is taken, and why one is left out', () => {
    const { row, getByRole, queryByRole } = panel();
    expect(row(/Direct print/).textContent).to.contain('■ Dye may wander into the white at the cure');
    expect(row(/Film transfer/).textContent).to.contain('▶ Press A is on R-12 now');
    expect(row(/Direct print/).textContent).not.to.contain('R-12');
    expect(queryByRole('row', { name: /Sublimation/ })).to.equal(null);
    expect(getByRole('list', { name: 'Left out' }).textContent).to.contain(
      'Sublimation: White in the art becomes the garment’s colour',
    );
  });

  it('say so where none can do it', () => {
    const none = { ...COMPARISON, recommended: null, reasons: [], wouldChange: say('turn.none') };
    const { getByText } = panel(none);
    getByText('Nothing here can print this: see the reasons at each process.');
  });
});
