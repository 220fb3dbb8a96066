import type { ShopChanged } from '@saltflat/contract';
import { RATES_FIELDS } from '@saltflat/contract/shopFields';
import type { Rates } from '@saltflat/core/cost';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { fieldProblems, problemMessage } from '../../api/problemMessage.ts';
import { Overtaken, useVersionedDraft } from '../../draft/index.ts';
import { RecordForm } from './RecordForm.tsx';
import { missingIn } from './recordState.ts';
import { Followed } from './Followed.tsx';
import { useSetRatesMutation } from './shopApi.ts';

/** What time costs and how a price is made of it. */
export function RatesPanel({ rates, version }: { rates: Rates; version: number }) {
  const draft = useVersionedDraft<object>('saltflat.shop.rates', { version, values: rates });
  const record = draft.values;
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState('');
  const [changed, setChanged] = useState<ShopChanged | null>(null);
  const [save, { isLoading }] = useSetRatesMutation();
  const submit = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    const missing = missingIn(RATES_FIELDS, record);
    setProblems(missing);
    setRefusal(Object.keys(missing).length > 0 ? 'Some fields still need something: they are marked.' : '');
    if (Object.keys(missing).length > 0) return;
    const answer = await save({ version: draft.version, record: record as Rates });
    setRefusal(answer.error ? problemMessage(answer.error) : '');
    setProblems(
      Object.fromEntries(
        fieldProblems(answer.error).map(({ path, message }) => [path.replace(/^\/record/, ''), message]),
      ),
    );
    if (!answer.data) return;
    draft.startAgain();
    setChanged(answer.data);
  };
  return (
    <div className="stack">
      {changed && <Followed changeId={changed.changeId} drafts={changed.drafts} />}
      <form
        className="panel record-editor"
        aria-label="Prices"
        onSubmit={(event) => void submit(event)}
        noValidate
      >
        <div className="stack" style={{ padding: 16 }}>
          <p className="muted small">
            Spoilage set here holds until thirty pieces of a process were inspected; from then on it is this
            shop’s own share.
          </p>
          <RecordForm
            fields={RATES_FIELDS.filter(({ path }) => path[0] !== 'spoilageFrom')}
            record={record}
            problems={problems}
            onChange={draft.change}
          />
          {draft.isOvertaken && (
            <Overtaken what="The prices" onKeepMine={draft.keepMine} onStartAgain={draft.startAgain} />
          )}
          {refusal !== '' && (
            <p className="alarm" role="alert">
              {refusal}
            </p>
          )}
          <div className="row" style={{ justifyContent: 'flex-end' }}>
            <Button type="submit" variant="contained" disabled={isLoading}>
              Save the prices
            </Button>
          </div>
        </div>
      </form>
    </div>
  );
}
