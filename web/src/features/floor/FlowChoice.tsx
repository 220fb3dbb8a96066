import { HOUSE_METHODS } from '@saltflat/core/route';
import type { Flow } from '@saltflat/core/work';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

const { choices } = HOUSE_METHODS.pieceFlow;

/** How the pieces of a line go on; what it begins with is the house's way. */
export function FlowChoice({ flow, onChange }: { flow: Flow; onChange: (flow: Flow) => void }) {
  return (
    <div className="flow-choice">
      <span className="muted small" id="flow-label">
        Pieces go on
      </span>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={flow}
        aria-labelledby="flow-label"
        onChange={(_event, next: Flow | null) => next !== null && onChange(next)}
      >
        {Object.entries(choices).map(([key, { label }]) => (
          <ToggleButton key={key} value={key}>
            {label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <span className="muted small">{choices[flow].tradeOff}</span>
    </div>
  );
}
