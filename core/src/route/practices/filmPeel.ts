import { isCap } from '../../blank/index.ts';
import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { byHand, on } from '../practiceParts.ts';
import type { OperationDraft, Practice } from '../practice.ts';
import { transferSourceOf } from '../transferSource.ts';
import { isPressedNow } from './transferPress.ts';

/** The pull a transfer is made for, unless this shop pulls all alike. A supplier's own sheet stands above the house. */
export function pullOf(input: PrintInput): 'slow' | 'fast' {
  const { pull } = transferSourceOf(input);
  const { filmPull } = input.house;
  return filmPull === 'as-film' || input.process === 'bought-in' ? pull : filmPull;
}

function peelOff(input: PrintInput): OperationDraft {
  const { coolingTable } = input.equipment;
  const { peel } = transferSourceOf(input);
  return {
    title: `Peel ${peel}`,
    unit: 'piece',
    ...(peel === 'cold' && coolingTable ? { on: on('cooling-table', coolingTable) } : {}),
    phases: [byHand('peel', 8)],
    checks: [
      say('check.pull', { pull: pullOf(input) }),
      say('check.resists'),
      ...(isCap(input.garment) && input.process !== 'patch-cap' ? [say('check.rub-down')] : []),
    ],
    look: say('look.peeled'),
    cautions: peel === 'hot' ? [CAUTIONS.hotFilm] : [],
  };
}

/** Takes the film off. */
export const filmPeel: Practice = {
  id: 'peel',
  role: 'peel',
  part: ({ process }) => (process === 'patch-cap' ? 'patch' : 'blank'),
  station: 'cooling',
  applies: isPressedNow,
  plan: peelOff,
};
