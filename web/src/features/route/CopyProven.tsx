import { rich, t } from '../../words/index.ts';
import type { ProvenLine } from '@saltflat/contract';
import { useState } from 'react';
import { Panel, Pressable, TwoLines } from '../../ui/index.ts';

interface Props {
  lines: readonly ProvenLine[] | undefined;
  onCopy: (from: ProvenLine) => Promise<string>;
}

/** Settings of a line that came out well, taken over for this one: tried first, kept when a person says so. */
export function CopyProven({ lines, onCopy }: Props) {
  const [told, setTold] = useState('');
  return (
    <Panel title={t('Copy what proved itself')} label={t('Copy from a proven line')}>
      {lines?.length === 0 && (
        <p className="muted" style={{ padding: 16 }}>
          {t('No other line of this process has been run to the end yet.')}
        </p>
      )}
      <ul>
        {lines?.slice(0, 6).map((own) => (
          <li key={own.lineId}>
            <Pressable onClick={() => void onCopy(own).then((words) => setTold(words))}>
              <TwoLines>
                <strong>
                  {own.code} {own.customer}
                </strong>
                <span className="muted small">
                  {rich('{garment}, {good} of {pieces} good', {
                    garment: own.garment,
                    good: own.good,
                    pieces: own.pieces,
                  })}
                </span>
              </TwoLines>
            </Pressable>
          </li>
        ))}
      </ul>
      {told !== '' && (
        <p role="status" className="small" style={{ padding: '0 16px 12px' }}>
          {told}
        </p>
      )}
    </Panel>
  );
}
