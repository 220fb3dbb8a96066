import { isFilmProcess } from '@saltflat/core/route';
import type { LinePrint, OrderLine } from '@saltflat/contract';
import { RIGHTS_WORDS } from './rightsWords.ts';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useAnswerProofMutation, useProofAnswersQuery, useSayRightsMutation } from './preparationsApi.ts';

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
    <div className="stack out-panel">
      {isChanged && (
        <p className="caution small">
          Files are made of what is kept for the line. Keep what you are trying first.
        </p>
      )}
      <Files line={line} print={print} />
      <Proof line={line} by={by} />
      <Rights print={print} by={by} />
    </div>
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
    <section aria-label="Files">
      <h3>Files at the print’s resolution</h3>
      <ul className="files">
        {rows.map(([plane, name]) => (
          <li key={plane}>
            <span>{name}</span>
            {(['png', 'tiff'] as const).map((format) => (
              <a
                key={format}
                href={`/api/v1/lines/${line.id}/plane?print=${print.id}&plane=${plane}&format=${format}`}
                download
                aria-label={`${name} as ${format.toUpperCase()}`}
              >
                {format.toUpperCase()}
              </a>
            ))}
          </li>
        ))}
      </ul>
      {isFilm && (
        <p className="muted small">The pair is mirrored already: switch mirroring off where it is printed.</p>
      )}
    </section>
  );
}

function Proof({ line, by }: { line: OrderLine; by: string }) {
  const { data: answers = [] } = useProofAnswersQuery(line.id);
  const [send, { isLoading, error }] = useAnswerProofMutation();
  const [customerName, setCustomerName] = useState('');
  const [note, setNote] = useState('');
  const answer = async (verdict: 'approved' | 'changes-wanted'): Promise<void> => {
    const done = await send({
      lineId: line.id,
      verdict,
      customerName: customerName.trim(),
      note: note.trim(),
      by,
    });
    if (!done.error) setNote('');
  };
  return (
    <section aria-label="Proof">
      <h3>Proof for the customer</h3>
      <p>
        <a href={`/api/v1/lines/${line.id}/proof.pdf`} download>
          Proof, {line.prints.length === 1 ? 'one page' : `${line.prints.length} pages`} (PDF)
        </a>
      </p>
      {answers.map(({ id, verdict, customerName: who, at, note: said, routeNumber }) => (
        <p key={id} className="small">
          <span aria-hidden="true">{verdict === 'approved' ? '● ' : '◆ '}</span>
          {verdict === 'approved' ? 'Approved by' : 'Changes wanted by'} <strong>{who}</strong>,{' '}
          {new Date(at).toLocaleDateString('en-GB')}
          {routeNumber !== null && `, route version ${routeNumber}`}
          {said !== '' && `: ${said}`}
        </p>
      ))}
      <div className="row" style={{ gap: 8 }}>
        <TextField
          size="small"
          label="Who answered"
          value={customerName}
          onChange={(event) => setCustomerName(event.target.value)}
          sx={{ flex: 1, minWidth: 120 }}
        />
        <TextField
          size="small"
          label="Note"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          sx={{ flex: 1, minWidth: 120 }}
        />
      </div>
      <div className="row" style={{ gap: 8 }}>
        <Button
          size="small"
          variant="contained"
          disabled={isLoading || customerName.trim() === ''}
          onClick={() => void answer('approved')}
        >
          Record approval
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={isLoading || customerName.trim() === ''}
          onClick={() => void answer('changes-wanted')}
        >
          Changes wanted
        </Button>
      </div>
      {error && (
        <p className="field-problem" role="alert">
          {problemMessage(error)}
        </p>
      )}
    </section>
  );
}

function Rights({ print, by }: { print: LinePrint; by: string }) {
  const [say, { error }] = useSayRightsMutation();
  const { artwork } = print;
  const [chosen, setChosen] = useState(artwork?.rights ?? 'unasked');
  if (!artwork) return null;
  const choose = async (rights: (typeof RIGHTS_WORDS)[number][0]): Promise<void> => {
    setChosen(rights);
    const done = await say({ artworkId: artwork.id, rights, note: artwork.rightsNote, by });
    if (done.error) setChosen(artwork.rights);
  };
  return (
    <section aria-label="Rights">
      <h3>Whose image is it?</h3>
      <p className="muted small">
        Selling a transfer is selling the image; a licence to put it on a garment may not cover that. Asked
        once for this file.
      </p>
      <fieldset className="choice">
        <legend className="visually-hidden">Whose image is it?</legend>
        {RIGHTS_WORDS.map(([rights, words]) => (
          <label key={rights} className="row" style={{ gap: 6 }}>
            <input
              type="radio"
              name="rights"
              checked={chosen === rights}
              onChange={() => void choose(rights)}
            />
            {words}
          </label>
        ))}
      </fieldset>
      {error && (
        <p className="field-problem" role="alert">
          {problemMessage(error)}
        </p>
      )}
    </section>
  );
}
