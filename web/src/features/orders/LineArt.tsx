import { t } from '../../words/index.ts';
import type { LinePrint, OrderLine, OverruleWords } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { sayOverrule } from '@saltflat/core/artwork';
import type { Fix } from '@saltflat/core/artwork';
import { useState } from 'react';
import type { Attempt } from '../../api/useAttempt.ts';
import { FilledText, compiled, trimmed, useFilled } from '../../form/index.ts';
import { NOBODY } from '../../person/personSlice.ts';
import { useWords } from '../../units/useWords.ts';
import JudgedArt from './JudgedArt.tsx';
import { Button, Dialog, Note, Refusal } from '../../ui/index.ts';

/** What can be done about a line's art where the line is looked at. */
export interface ArtActions {
  /** Another way to make a print ready, or another width. */
  onPrepare: (print: LinePrint, how: Pick<PreparedPrint, 'steps' | 'widthMm'>) => void;
  /** `then` once it is. */
  onOverrule: (signed: { by: string; why: string }, then: () => void) => void;
  onTakeBack: () => void;
}
interface PreparedPrint {
  steps: NonNullable<LinePrint['preparation']>['steps'];
  widthMm: number;
}

interface Props {
  line: OrderLine;
  /** Who is working here. */
  by: string;
  actions: ArtActions;
  /** What was refused: at `prepare` with line and print, `overrule` or `take-back` with the line. */
  attempt: Pick<Attempt, 'refusal' | 'isBusy'>;
}

/** What stands out in the art of a line that is not on the floor yet, what mends it, and who has it printed all the same. */
export default function LineArt({ line, by, actions, attempt }: Props) {
  const words = useWords();
  const [isAsked, setIsAsked] = useState(false);
  const isOpen = line.state === 'ready' || line.state === 'art-to-mend';
  const told = line.prints.filter(
    ({ findings, preparation }) =>
      findings.some(({ severity }) => severity !== 'note') || (preparation?.steps.length ?? 0) > 0,
  );
  return (
    <>
      {isOpen &&
        told.map((print) => (
          <PrintArt
            key={print.id}
            print={print}
            isOne={line.prints.length === 1}
            isBusy={attempt.isBusy(`prepare ${line.id} ${print.id}`)}
            refusal={attempt.refusal(`prepare ${line.id} ${print.id}`)}
            onPrepare={actions.onPrepare}
          />
        ))}
      {line.state === 'art-to-mend' && (
        <div>
          <Button size="small" onClick={() => setIsAsked(true)}>
            {t('Print it as it is …')}
          </Button>
        </div>
      )}
      {line.artOverrule && (
        <Note
          tone="caution"
          isSmall
          actions={
            line.state === 'ready' && (
              <Button size="small" look="quiet" onClick={actions.onTakeBack}>
                {t('Take that back')}
              </Button>
            )
          }
        >
          ◆ {words(sayOverrule(line.artOverrule))}
        </Note>
      )}
      <Refusal {...attempt.refusal(`take-back ${line.id}`)} />
      {isAsked && line.state === 'art-to-mend' && (
        <OverruleDialog
          code={line.code}
          by={by}
          isBusy={attempt.isBusy(`overrule ${line.id}`)}
          refusal={attempt.refusal(`overrule ${line.id}`)}
          onOverrule={(signed) => actions.onOverrule(signed, () => setIsAsked(false))}
          onClose={() => setIsAsked(false)}
        />
      )}
    </>
  );
}

interface PrintProps {
  print: LinePrint;
  isOne: boolean;
  isBusy: boolean;
  refusal: ReturnType<Attempt['refusal']>;
  onPrepare: ArtActions['onPrepare'];
}

function PrintArt({ print, isOne, isBusy, refusal, onPrepare }: PrintProps) {
  const steps = print.preparation?.steps ?? [];
  const mend = (fix: Fix): void =>
    fix.kind === 'print-width'
      ? onPrepare(print, { steps, widthMm: fix.widthMm })
      : onPrepare(print, { steps: [...steps, fix.step], widthMm: print.widthMm });
  return (
    <div>
      {!isOne && <p className="muted small">{t(PLACEMENTS[print.placement].label)}</p>}
      <JudgedArt
        findings={print.findings}
        done={steps}
        onFix={mend}
        onUndo={() => onPrepare(print, { steps: steps.slice(0, -1), widthMm: print.widthMm })}
        isBusy={isBusy}
        refusal={refusal}
      />
    </div>
  );
}

const OVERRULED = { check: compiled('words', 'overrule'), documentOf: trimmed };

interface OverruleProps {
  code: string;
  by: string;
  isBusy: boolean;
  refusal: ReturnType<Attempt['refusal']>;
  onOverrule: (signed: OverruleWords) => void;
  onClose: () => void;
}

/** Something stops the print, and it is wanted all the same: by whom, and why, goes with it to the floor and into the ledger. */
function OverruleDialog({ code, by, isBusy, refusal, onOverrule, onClose }: OverruleProps) {
  const name = by === NOBODY ? '' : by;
  const filling = useFilled<OverruleWords, OverruleWords, null>({
    filled: OVERRULED,
    values: { by: name, why: '' },
    send: (signed) => {
      onOverrule(signed);
      return Promise.resolve({});
    },
  });
  return (
    <Dialog
      title={t('Print {code} as it is', { code })}
      onClose={onClose}
      onSubmit={filling.submit}
      actions={
        <>
          <Button onClick={onClose}>{t('Leave it to be mended')}</Button>
          <Button look="primary" type="submit" isBusy={isBusy}>
            {t('Print it as it is')}
          </Button>
        </>
      }
    >
      <p>
        {t(
          'Who says so and why goes with the line to the floor and into the ledger. It holds for this art at this size on this colour; anything else is asked anew.',
        )}
      </p>
      <FilledText filling={filling} name="by" label={t('Who')} autoFocus={name === ''} />
      <FilledText filling={filling} name="why" label={t('Why')} autoFocus={name !== ''} />
      <Refusal {...refusal} />
    </Dialog>
  );
}
