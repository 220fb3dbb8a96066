import { t } from '../../words/index.ts';
import type { ShopChanged } from '@saltflat/contract';
import { HOUSE_KEYS, HOUSE_METHODS } from '@saltflat/core/route';
import type { HouseKey, HouseMethods } from '@saltflat/core/route';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { Followed } from './Followed.tsx';
import { useSetHouseMutation } from './shopApi.ts';
import { Button, Columns, Panel, RadioField, Refusal, Row, Stack, TOKENS, styled } from '../../ui/index.ts';

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
    <Stack aria-busy={isLoading}>
      <Refusal words={refusal} />
      {told && (
        <>
          <Row>
            <strong>{told.words}</strong>
            <Button size="small" onClick={() => void write(told.before, 'Taken back')} disabled={isLoading}>
              {t('Undo')}
            </Button>
          </Row>
          <Followed changeId={told.changed.changeId} drafts={told.changed.drafts} />
        </>
      )}
      <Panel label={t('House methods')}>
        <Columns least={360} gap={0}>
          {HOUSE_KEYS.map((key) => (
            <Method key={key}>
              <RadioField
                label={HOUSE_METHODS[key].label}
                name={key}
                look="list"
                disabled={isLoading}
                value={shown[key]}
                options={Object.entries<{ label: string; tradeOff: string }>(HOUSE_METHODS[key].choices).map(
                  ([choice, { label, tradeOff }]) => ({
                    value: choice,
                    says: tradeOff,
                    label: (
                      <>
                        {label}
                        {HOUSE_METHODS[key].start === choice && (
                          <span className="muted small">{t(' usual start')}</span>
                        )}
                      </>
                    ),
                  }),
                )}
                onChange={(choice) => choose(key, choice)}
              />
            </Method>
          ))}
        </Columns>
      </Panel>
    </Stack>
  );
}

const Method = styled('div')({
  borderBottom: `1px solid ${TOKENS.hairlinePale}`,
  padding: '12px 16px',
  minWidth: 0,
});

const labelOf = (key: HouseKey, choice: string): string =>
  (HOUSE_METHODS[key].choices as Record<string, { label: string }>)[choice]?.label.toLowerCase() ?? choice;
