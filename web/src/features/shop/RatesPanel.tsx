import { t } from '../../words/index.ts';
import type { ShopChanged } from '@saltflat/contract';
import { RATES_FIELDS } from '@saltflat/contract/shopFields';
import type { Rates } from '@saltflat/core/cost';
import { useState } from 'react';
import { Followed } from './Followed.tsx';
import { SettingForm } from './SettingForm.tsx';
import { useSetRatesMutation } from './shopApi.ts';
import { Stack } from '../../ui/index.ts';

const FIELDS = RATES_FIELDS.filter(({ path }) => path[0] !== 'spoilageFrom'); // which is not chosen: it follows the counts

/** What time costs and how a price is made of it. */
export function RatesPanel({ rates, version }: { rates: Rates; version: number }) {
  const [changed, setChanged] = useState<ShopChanged | null>(null);
  const [save] = useSetRatesMutation();
  return (
    <Stack>
      {changed && <Followed changeId={changed.changeId} drafts={changed.drafts} />}
      <SettingForm
        what={t('Prices')}
        setting="rates"
        fields={FIELDS}
        values={rates}
        version={version}
        save={async (change) => {
          const answer = await save(change);
          if (answer.data) setChanged(answer.data);
          return answer;
        }}
        saveLabel={t('Save the prices')}
      >
        <p className="muted small">
          {t(
            'Spoilage set here holds until thirty pieces of a process were inspected; from then on it is this shop’s own share.',
          )}
        </p>
      </SettingForm>
    </Stack>
  );
}
