import { CAUTIONS } from '../cautions.ts';
import { heat } from '../practice.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';

/** Melts the powder to a film of glue. */
export const dtfMelt: Practice = {
  id: 'melt-powder',
  station: 'oven',
  applies: () => true,
  plan: ({ equipment, house }, settle) => {
    const { powder, oven } = equipment;
    const temp = settle({
      key: 'tempC',
      label: 'Oven',
      kind: 'temperature',
      reasons: [
        makerReason(powder.name, powder.cureC, TRADE.powderCureC.start, 'temperature'),
        { source: 'trade', text: 'A small oven runs at 120 to 165 °C.', value: TRADE.powderCureC.start },
      ],
      limits: [{ ...powder.cureC, text: `the sheet of “${powder.name}”.` }],
      ability: oven.chamberC,
    });
    const dwell = settle({
      key: 'dwellS',
      label: 'Time in the oven',
      kind: 'duration',
      reasons: [
        makerReason(powder.name, powder.cureS, TRADE.powderCureS.start, 'duration'),
        {
          source: 'trade',
          text: 'Two to three minutes; the eye decides when it is done.',
          value: TRADE.powderCureS.start,
        },
      ],
      limits: [{ ...powder.cureS, text: `the sheet of “${powder.name}”.` }],
      ability: { min: 5, max: 1800 },
    });
    return {
      title: 'Melt the powder',
      per: 'batch',
      handsS: 45,
      machineS: dwell.value,
      timerS: dwell.value,
      settings: [temp, dwell],
      checks: [
        'Film flat, nothing touches it',
        `White grains gone all over${house.secondPressS > 0 ? '' : ', no second press will help'}`,
      ],
      look: 'Clear and glossy with an orange-peel skin; none grainy.',
      cautions: [CAUTIONS.hotOven, CAUTIONS.fumes],
      phases: [heat('melt', temp.value, dwell.value)],
      waitAfter: { minS: 60, maxS: null, why: 'Let the film cool flat before it is cut.' },
    };
  },
};
