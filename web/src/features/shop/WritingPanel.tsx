import { rich, t } from '../../words/index.ts';
import { WRITING_FIELDS } from '@saltflat/contract/shopFields';
import type { Writing } from '@saltflat/core/units';
import { useDispatch } from 'react-redux';
import { useSetShopWritingMutation } from '../../api/writingApi.ts';
import { ownWritingChosen, useDates, useMoney, useOwnWriting } from '../../units/writingSlice.ts';
import type { OwnWriting } from '../../units/writingSlice.ts';
import { choiceWords } from './choiceWords.ts';
import { SettingForm } from './SettingForm.tsx';
import { Columns, Panel, SelectField, Stack, useToast } from '../../ui/index.ts';

/** What a person can choose for this device. */
const OWN_FIELDS = WRITING_FIELDS.filter(({ path }) => path[0] !== 'currency');

/** How measures, money and days are written: by the shop, on its papers and for everybody, and on this device. */
export function WritingPanel({ writing, version }: { writing: Writing; version: number }) {
  const [save] = useSetShopWritingMutation();
  const tell = useToast();
  return (
    <Stack>
      <SettingForm
        what={t('Units and dates')}
        setting="writing"
        fields={WRITING_FIELDS}
        values={writing}
        version={version}
        save={async (change) => {
          const answer = await save(change);
          if (answer.data) tell({ words: t('Papers and screens are written so from now on.') });
          return answer;
        }}
        saveLabel={t('Save for the shop')}
      >
        <p className="muted small">
          {t(
            'Run sheets, quotes and proofs follow the shop; screens do too, where a device has not chosen otherwise. Values are kept in °C, mm and g whatever is shown. Amounts are not turned into another currency.',
          )}
        </p>
      </SettingForm>
      <OwnPanel shop={writing} />
    </Stack>
  );
}

/** Otherwise than the shop, for who works at this device. */
function OwnPanel({ shop }: { shop: Writing }) {
  const own = useOwnWriting();
  const dispatch = useDispatch();
  const when = useDates();
  const money = useMoney();
  return (
    <Panel title={t('On this device')} pad={16}>
      <Stack gap={12}>
        <Columns least={220}>
          {OWN_FIELDS.map((field) => {
            const key = field.path[0] as keyof OwnWriting;
            return (
              <SelectField
                key={key}
                label={field.title}
                value={own[key] ?? ''}
                options={[
                  { value: '', label: t('as the shop: {field}', { field: choiceWords(field, shop[key]) }) },
                  ...(field.choices ?? []).map((choice) => ({
                    value: choice,
                    label: choiceWords(field, choice),
                  })),
                ]}
                onChange={(choice) =>
                  dispatch(ownWritingChosen({ [key]: choice === '' ? undefined : choice }))
                }
              />
            );
          })}
        </Columns>
        <p className="muted small">
          {rich('So a day reads {when}, and a price {money}.', {
            when: when(Date.UTC(2031, 2, 4, 15, 5), 'weekday-time'),
            money: money(340),
          })}
        </p>
      </Stack>
    </Panel>
  );
}
