import { HOUSE_KEYS, HOUSE_METHODS } from '@saltflat/core/route';
import type { HouseKey, HouseMethods } from '@saltflat/core/route';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

interface Props {
  shop: HouseMethods;
  own: Partial<HouseMethods>;
  onChange: (own: Partial<HouseMethods>) => void;
}

/** Where this line is done otherwise than the shop does: one method at a time, the rest follows the shop. */
export function LineMethods({ shop, own, onChange }: Props) {
  const [isAdding, setAdding] = useState(false);
  const chosen = HOUSE_KEYS.filter((key) => own[key] !== undefined);
  const without = (key: HouseKey): Partial<HouseMethods> =>
    Object.fromEntries(Object.entries(own).filter(([name]) => name !== key));
  return (
    <div className="stack" style={{ gap: 8 }}>
      {chosen.map((key) => {
        const { label, choices } = HOUSE_METHODS[key];
        const value = own[key] ?? shop[key];
        const words = (choices as Record<string, { tradeOff: string }>)[value]?.tradeOff;
        return (
          <div key={key} className="row" style={{ alignItems: 'flex-start' }}>
            <TextField
              select
              label={label}
              size="small"
              value={value}
              helperText={words}
              sx={{ minWidth: 320 }}
              onChange={(event) => onChange({ ...own, [key]: event.target.value })}
              slotProps={{ select: { native: true } }}
            >
              {Object.entries<{ label: string }>(choices).map(([choice, { label: name }]) => (
                <option key={choice} value={choice}>
                  {name}
                  {choice === shop[key] ? ' (as the shop)' : ''}
                </option>
              ))}
            </TextField>
            <Button size="small" variant="text" onClick={() => onChange(without(key))}>
              As the shop again
            </Button>
          </div>
        );
      })}
      {isAdding ? (
        <TextField
          select
          label="Method of this line"
          size="small"
          value=""
          autoFocus
          sx={{ maxWidth: 420 }}
          onChange={(event) => {
            const key = event.target.value as HouseKey;
            onChange({ ...own, [key]: otherChoice(key, shop[key]) });
            setAdding(false);
          }}
          slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
        >
          <option value="" disabled>
            choose one
          </option>
          {HOUSE_KEYS.filter((key) => own[key] === undefined).map((key) => (
            <option key={key} value={key}>
              {HOUSE_METHODS[key].label}
            </option>
          ))}
        </TextField>
      ) : (
        <div>
          <Button size="small" variant="text" onClick={() => setAdding(true)}>
            Do something otherwise than the shop does
          </Button>
        </div>
      )}
    </div>
  );
}

/** What a person most likely means by "otherwise": the first choice that is not the shop's. */
const otherChoice = (key: HouseKey, shop: string): string =>
  Object.keys(HOUSE_METHODS[key].choices).find((choice) => choice !== shop) ?? shop;
