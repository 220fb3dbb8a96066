import { t } from '../../words/index.ts';
import { HOUSE_METHODS } from '@saltflat/core/route';
import type { Flow } from '@saltflat/core/work';
import { Stack, ToggleField } from '../../ui/index.ts';

const { choices } = HOUSE_METHODS.pieceFlow;

/** How the pieces of a line go on; what it begins with is the house's way. */
export function FlowChoice({ flow, onChange }: { flow: Flow; onChange: (flow: Flow) => void }) {
  return (
    <Stack gap={6}>
      <ToggleField
        label={t('Pieces go on')}
        isWide
        value={flow}
        options={FLOWS.map((key) => ({ value: key, label: t(choices[key].label) }))}
        onChange={onChange}
      />
      <span className="muted small">{t(choices[flow].tradeOff)}</span>
    </Stack>
  );
}

const FLOWS = Object.keys(choices) as Flow[]; // its own keys
