import { t } from '../../words/index.ts';
import { HOUSE_KEYS, HOUSE_METHODS } from '@saltflat/core/route';
import type { HouseKey, HouseMethods } from '@saltflat/core/route';
import { useState } from 'react';
import { Button, Row, SelectField, Stack } from '../../ui/index.ts';

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
    <Stack gap={8}>
      {chosen.map((key) => {
        const { label, choices } = HOUSE_METHODS[key];
        const value = own[key] ?? shop[key];
        const words = (choices as Record<string, { tradeOff: string }>)[value]?.tradeOff;
        return (
          <Row align="flex-start" key={key}>
            <SelectField
              label={label}
              value={value}
              help={words}
              width={340}
              options={Object.entries<{ label: string }>(choices).map(([choice, { label: name }]) => ({
                value: choice,
                label: choice === shop[key] ? t('{name} (as the shop)', { name }) : name,
              }))}
              onChange={(choice) => onChange({ ...own, [key]: choice })}
            />
            <Button look="quiet" size="small" onClick={() => onChange(without(key))}>
              {t('As the shop again')}
            </Button>
          </Row>
        );
      })}
      {isAdding ? (
        <SelectField<HouseKey | ''>
          label={t('Method of this line')}
          value=""
          autoFocus
          width={420}
          options={[
            { value: '', label: t('choose one'), disabled: true },
            ...HOUSE_KEYS.filter((key) => own[key] === undefined).map((key) => ({
              value: key,
              label: t(HOUSE_METHODS[key].label),
            })),
          ]}
          onChange={(key) => {
            if (key !== '') onChange({ ...own, [key]: otherChoice(key, shop[key]) });
            setAdding(false);
          }}
        />
      ) : (
        <div>
          <Button look="quiet" size="small" onClick={() => setAdding(true)}>
            {t('Do something otherwise than the shop does')}
          </Button>
        </div>
      )}
    </Stack>
  );
}

/** What a person most likely means by "otherwise": the first choice that is not the shop's. */
const otherChoice = (key: HouseKey, shop: string): string =>
  Object.keys(HOUSE_METHODS[key].choices).find((choice) => choice !== shop) ?? shop;
