import { t } from '../../words/index.ts';
import { When } from '../../units/Written.tsx';
import { isFilmProcess } from '@saltflat/core/route';
import type { LinePrint, OrderLine, ProofAnswerInput } from '@saltflat/contract';
import { RIGHTS_WORDS } from './rightsWords.ts';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { FilledText, compiled, trimmed, useFilled } from '../../form/index.ts';
import { useAnswerProofMutation, useProofAnswersQuery, useSayRightsMutation } from './preparationsApi.ts';
import { Button, Note, RadioField, Refusal, Row, Rows, Stack } from '../../ui/index.ts';

interface Props {
  line: OrderLine;
  print: LinePrint;
  by: string;
  /** What is tried is not kept yet: files are made of what is kept. */
  isChanged: boolean;
}

/** Files and pages of the print, the customer's answer, and whose image it is. */
export function OutPanel({ line, print, by, isChanged }: Props) {
  return (
    <Stack gap={20} pad="14px 16px">
      {isChanged && (
        <Note tone="caution" isSmall>
          {t('Files are made of what is kept for the line. Keep what you are trying first.')}
        </Note>
      )}
      <Files line={line} print={print} />
      <Proof line={line} by={by} />
      <Rights print={print} by={by} />
    </Stack>
  );
}

function Files({ line, print }: { line: OrderLine; print: LinePrint }) {
  const isFilm = isFilmProcess(print.process);
  const rows: [plane: string, name: string][] = [
    ['knocked-out', 'Art as printed, transparent'],
    ['white', 'White plane'],
    ...(isFilm ? [] : ([['second-white', 'Second white plane']] as [string, string][])),
    ['composite', 'On the garment'],
    ...(isFilm
      ? ([
          ['film-colour', 'Film: colour, mirrored once'],
          ['film-white', 'Film: white, mirrored once'],
        ] as [string, string][])
      : []),
  ];
  return (
    <Stack as="section" aria-label={t('Files')} gap={8}>
      <h3>{t('Files at the print’s resolution')}</h3>
      <Rows>
        {rows.map(([plane, name]) => (
          <li key={plane} style={{ display: 'flex', gap: 14, padding: '5px 0' }}>
            <span style={{ flex: 1 }}>{name}</span>
            {(['png', 'tiff'] as const).map((format) => (
              <a
                key={format}
                href={`/api/v1/lines/${line.id}/plane?print=${print.id}&plane=${plane}&format=${format}`}
                download
                aria-label={t('{name} as {format}', { name, format: format.toUpperCase() })}
              >
                {format.toUpperCase()}
              </a>
            ))}
          </li>
        ))}
      </Rows>
      {isFilm && (
        <p className="muted small">
          {t('The pair is mirrored already: switch mirroring off where it is printed.')}
        </p>
      )}
    </Stack>
  );
}

const ANSWERED = { check: compiled('words', 'proof'), documentOf: trimmed };

function Proof({ line, by }: { line: OrderLine; by: string }) {
  const { data: answers = [] } = useProofAnswersQuery(line.id);
  const [send] = useAnswerProofMutation();
  const filling = useFilled<ProofAnswerInput, ProofAnswerInput, unknown>({
    filled: ANSWERED,
    values: { verdict: 'approved', customerName: '', note: '', by },
    send: (own) => send({ lineId: line.id, ...own }),
    onSent: () => filling.form.setValue('note', ''),
  });
  const answer = (verdict: ProofAnswerInput['verdict']): void => {
    filling.form.setValue('verdict', verdict);
    filling.form.setValue('by', by);
    filling.submit();
  };
  return (
    <Stack as="section" aria-label={t('Proof')} gap={8}>
      <h3>{t('Proof for the customer')}</h3>
      <p>
        <a href={`/api/v1/lines/${line.id}/proof.pdf`} download>
          {line.prints.length === 1
            ? t('Proof, one page (PDF)')
            : t('Proof, {pages} pages (PDF)', { pages: line.prints.length })}
        </a>
      </p>
      {answers.map(({ id, verdict, customerName: who, at, note: said, routeNumber }) => (
        <p key={id} className="small">
          <span aria-hidden="true">{verdict === 'approved' ? '● ' : '◆ '}</span>
          {verdict === 'approved' ? t('Approved by') : t('Changes wanted by')} <strong>{who}</strong>,{' '}
          <When at={at} as="date" />
          {routeNumber !== null && t(', route version {routeNumber}', { routeNumber })}
          {said !== '' && `: ${said}`}
        </p>
      ))}
      <Row gap={8}>
        <FilledText filling={filling} name="customerName" label={t('Who answered')} />
        <FilledText filling={filling} name="note" label={t('Note')} width={180} />
      </Row>
      <Row gap={8}>
        <Button look="primary" size="small" isBusy={filling.isSending} onClick={() => answer('approved')}>
          {t('Record approval')}
        </Button>
        <Button size="small" isBusy={filling.isSending} onClick={() => answer('changes-wanted')}>
          {t('Changes wanted')}
        </Button>
      </Row>
      <Refusal words={filling.refusal} />
    </Stack>
  );
}

type Said = (typeof RIGHTS_WORDS)[number][0];

/** What was said of an image; nothing while nobody has asked. */
const saidOf = (artwork: LinePrint['artwork']): Said | null =>
  artwork === null || artwork.rights === 'unasked' ? null : artwork.rights;

function Rights({ print, by }: { print: LinePrint; by: string }) {
  const [say, { error }] = useSayRightsMutation();
  const { artwork } = print;
  const [chosen, setChosen] = useState<Said | null>(saidOf(artwork));
  if (!artwork) return null;
  const choose = async (rights: Said): Promise<void> => {
    setChosen(rights);
    const done = await say({ artworkId: artwork.id, rights, note: artwork.rightsNote, by });
    if (done.error) setChosen(saidOf(artwork));
  };
  return (
    <Stack as="section" aria-label={t('Rights')} gap={8}>
      <h3>{t('Whose image is it?')}</h3>
      <p className="muted small">
        {t(
          'Selling a transfer is selling the image; a licence to put it on a garment may not cover that. Asked once for this file.',
        )}
      </p>
      <RadioField
        label={t('Whose image is it?')}
        isNameHidden
        look="list"
        value={chosen}
        options={RIGHTS_WORDS.map(([rights, words]) => ({ value: rights, label: words }))}
        onChange={(rights) => void choose(rights)}
      />
      <Refusal words={error ? problemMessage(error) : ''} />
    </Stack>
  );
}
