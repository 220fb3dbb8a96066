import { closedAtS, readLogger } from '@saltflat/core/heat';
import type { ProbeName } from '@saltflat/core/heat';
import { useState } from 'react';
import {
  Button,
  FieldProblem,
  FileButton,
  Fold,
  NumberField,
  Row,
  SelectField,
  Stack,
  TextField,
} from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { Logged, SensorPlace } from './calibrationDraft.ts';
import { PLACES } from './placeWords.ts';

/** A log of a press cycle is a few kilobytes: what is longer is something else. */
const MOST_BYTES = 500_000;

interface Props {
  logged: Logged | null;
  places: readonly ProbeName[];
  onChange: (logged: Logged | null) => void;
}

/** A logger's table, by file or pasted, and where its sensors lay. */
export function LoggerPart({ logged, places, onChange }: Props) {
  const [problem, setProblem] = useState('');
  const [pasted, setPasted] = useState('');
  const take = (text: string, fileName: string): void => {
    const read = readLogger(text);
    if (!read.ok) {
      setProblem(read.problem);
      return;
    }
    setProblem('');
    const { channels } = read.cycle;
    onChange({
      fileName,
      closedAtS: closedAtS(read.cycle),
      // the first sensor is usually the one at the work
      channels: channels.map((own, i) => ({ ...own, at: i === 0 ? (places[0] ?? 'none') : 'none' })),
    });
  };
  const takeFile = async (file: File): Promise<void> => {
    if (file.size > MOST_BYTES)
      setProblem(
        t('“{name}” is larger than 500 kB: a log of one press cycle is needed, not of a day.', {
          name: file.name,
        }),
      );
    else take(await file.text(), file.name);
  };
  return (
    <Fold title={t('2 A logger’s course')} isOpenAtFirst>
      <Stack gap={10}>
        <p className="muted small">
          {t(
            'A thin sensor in the stack, logged through one press cycle. A table: time in seconds or m:ss, then a column of °C for each sensor.',
          )}
        </p>
        <Row gap={8}>
          <FileButton
            label={t('Logger’s file')}
            accept=".csv,.txt,.tsv,text/csv,text/plain"
            onFile={(file) => void takeFile(file)}
            look={logged === null ? 'primary' : 'second'}
            size="small"
          >
            {logged === null ? t('Choose a CSV file') : t('Another file')}
          </FileButton>
          {logged !== null && (
            <Button size="small" look="quiet" onClick={() => onChange(null)}>
              {t('Take {name} out', { name: logged.fileName })}
            </Button>
          )}
        </Row>
        <FieldProblem>{problem}</FieldProblem>
        {logged !== null && <Sensors logged={logged} places={places} onChange={onChange} />}
        {logged === null && (
          <Row gap={8} align="end">
            <TextField
              label={t('Or paste the table')}
              value={pasted}
              lines={3}
              width={300}
              onChange={setPasted}
            />
            <Button
              size="small"
              disabled={pasted.trim() === ''}
              onClick={() => take(pasted, t('the pasted table'))}
            >
              {t('Read it')}
            </Button>
          </Row>
        )}
      </Stack>
    </Fold>
  );
}

function Sensors({ logged, places, onChange }: Props & { logged: Logged }) {
  const [first] = logged.channels;
  const lastS = first?.samples.at(-1)?.atS ?? 0;
  const put = (i: number, at: SensorPlace): void =>
    onChange({
      ...logged,
      channels: logged.channels.map((own, k) => (k === i ? { ...own, at } : own)),
    });
  const isWithin = logged.closedAtS !== null && logged.closedAtS >= 0 && logged.closedAtS < lastS;
  return (
    <Stack gap={14}>
      <p className="small">
        {t('{file}: {count} readings over {seconds} s.', {
          file: logged.fileName,
          count: first?.samples.length ?? 0,
          seconds: Math.round(lastS),
        })}
      </p>
      {logged.channels.map(({ name, at }, i) => (
        <SelectField
          key={`${i}/${name}`}
          label={t('“{name}” lay', { name })}
          value={at === 'none' || places.includes(at) ? at : 'none'}
          options={[
            ...places.map((value) => ({ value, label: PLACES[value] })),
            { value: 'none' as const, label: t('elsewhere: it does not count') },
          ]}
          onChange={(next) => put(i, next)}
        />
      ))}
      <NumberField
        label={t('The press closed at, s of the log')}
        value={logged.closedAtS}
        problem={
          isWithin ? undefined : t('A moment of the log: from 0 to {last} s.', { last: Math.round(lastS) })
        }
        help={t('Found where the first sensor begins to rise; put it right if you saw it.')}
        onChange={(value) => onChange({ ...logged, closedAtS: value })}
      />
    </Stack>
  );
}
