import type { ShopChanged } from '@saltflat/contract';
import { HOUSE_KEYS, HOUSE_METHODS } from '@saltflat/core/route';
import type { HouseKey, HouseMethods } from '@saltflat/core/route';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { Followed } from './Followed.tsx';
import { useSetHouseMutation } from './shopApi.ts';

interface Props {
  house: HouseMethods;
  version: number;
}

/** Where good practitioners differ: this shop's choice on each point, with what it gives and costs. A change re-plans the drafts at once. */
export function MethodsPanel({ house, version }: Props) {
  const [setHouse, { isLoading }] = useSetHouseMutation();
  const [told, setTold] = useState<{ words: string; changed: ShopChanged; before: HouseMethods } | null>(
    null,
  );
  const [refusal, setRefusal] = useState('');
  const [wished, setWished] = useState<{ version: number; record: HouseMethods } | null>(null); // shown while it is being written
  const write = async (record: HouseMethods, words: string): Promise<void> => {
    setWished({ version, record });
    const answer = await setHouse({ version, record });
    if (answer.error) setWished(null);
    setRefusal(answer.error ? problemMessage(answer.error) : '');
    if (answer.data) setTold({ words, changed: answer.data, before: house });
  };
  const choose = (key: HouseKey, choice: string): void =>
    void write({ ...house, [key]: choice }, `${HOUSE_METHODS[key].label} is now “${labelOf(key, choice)}”`);
  const shown = wished?.version === version ? wished.record : house;
  return (
    <div className="stack" aria-busy={isLoading}>
      {refusal !== '' && (
        <p className="alarm" role="alert">
          {refusal}
        </p>
      )}
      {told && (
        <>
          <div className="row">
            <strong>{told.words}</strong>
            <Button
              size="small"
              variant="outlined"
              onClick={() => void write(told.before, 'Taken back')}
              disabled={isLoading}
            >
              Undo
            </Button>
          </div>
          <Followed changeId={told.changed.changeId} drafts={told.changed.drafts} />
        </>
      )}
      <section className="panel methods" aria-label="House methods">
        {HOUSE_KEYS.map((key) => (
          <fieldset key={key} className="method">
            <legend>{HOUSE_METHODS[key].label}</legend>
            {Object.entries<{ label: string; tradeOff: string }>(HOUSE_METHODS[key].choices).map(
              ([choice, { label, tradeOff }]) => (
                <label key={choice} className="method-choice" data-chosen={shown[key] === choice}>
                  <input
                    type="radio"
                    name={key}
                    value={choice}
                    checked={shown[key] === choice}
                    disabled={isLoading}
                    onChange={() => choose(key, choice)}
                  />
                  <span>
                    {label}
                    {HOUSE_METHODS[key].start === choice && <span className="muted small"> usual start</span>}
                    <span className="muted small trade-off">{tradeOff}</span>
                  </span>
                </label>
              ),
            )}
          </fieldset>
        ))}
      </section>
    </div>
  );
}

const labelOf = (key: HouseKey, choice: string): string =>
  (HOUSE_METHODS[key].choices as Record<string, { label: string }>)[choice]?.label.toLowerCase() ?? choice;
