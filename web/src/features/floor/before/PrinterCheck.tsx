import type { FilmPrinter, PrintStartInput } from '@saltflat/contract';
import type { MissingNozzles, NozzleChannel } from '@saltflat/core/care';
import { NOZZLES_EACH, PRINT_ROOM, isRoomGood, judgeNozzles } from '@saltflat/core/care';
import { formatQuantity } from '@saltflat/core/units';
import { useNotePrintStartMutation } from '../../../api/careApi.ts';
import { useMeasuredRoom } from '../../../api/liveSlice.ts';
import { useCleanPrinterMutation, usePrintPatternMutation } from '../../../api/printersApi.ts';
import { useAttempt } from '../../../api/useAttempt.ts';
import { useSignature } from '../../../person/personSlice.ts';
import { useKept } from '../../../form/index.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import {
  Button,
  CheckField,
  Dialog,
  MarkGrid,
  Note,
  QuantityField,
  Refusal,
  Row,
  Stack,
  TextField,
} from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { ADVICE, CHANNELS, missingWords } from './nozzleWords.ts';

interface Props {
  printer: FilmPrinter;
  onClose: () => void;
}

/** What is noted of it, until it is kept; the room is as its devices say until somebody types it. */
type Check = Pick<PrintStartInput, 'isAgitated' | 'cleanings' | 'note'> & {
  missing: MissingNozzles | null;
  roomC?: number | null;
  humidity?: number | null;
};

/** The printer before it prints: white stirred, a pattern with what is missing marked, cleaned and looked at again, the room. */
export function PrinterCheck({ printer, onClose }: Props) {
  const { machineId, name } = printer;
  const system = useUnits();
  const by = useSignature();
  const measured = useMeasuredRoom();
  // of today: what was crossed out yesterday says nothing of the heads
  const [check, put, forget] = useKept<Check>(
    `printer-check ${machineId} ${new Date().toDateString()}`,
    () => ({
      isAgitated: false,
      missing: null,
      cleanings: 0,
      note: '',
    }),
  );
  const { isAgitated, missing, cleanings, note } = check;
  const { roomC = measured.roomC, humidity = measured.humidity } = check;
  const [printPattern] = usePrintPatternMutation();
  const [clean] = useCleanPrinterMutation();
  const [keep] = useNotePrintStartMutation();
  const attempt = useAttempt();
  const shown = missing === null ? null : (printer.pattern?.missing ?? {});
  const pattern = (): void =>
    void attempt.make(
      'pattern',
      () => printPattern(machineId),
      () => put({ missing: {} }),
    );
  const cleanAgain = (): void =>
    void attempt.make(
      'pattern',
      async () => {
        const cleaned = await clean(machineId);
        return cleaned.error === undefined ? printPattern(machineId) : cleaned;
      },
      () => put({ missing: {}, cleanings: cleanings + 1 }),
    );
  const toggle = (row: string, nozzle: number): void => {
    const channel = row as NozzleChannel; // rows are drawn of the channels
    const own = missing?.[channel] ?? [];
    put({
      missing: {
        ...missing,
        [channel]: own.includes(nozzle) ? own.filter((known) => known !== nozzle) : [...own, nozzle],
      },
    });
  };
  const input: PrintStartInput = { ...check, roomC, humidity, missing: writable(missing), by };
  return (
    <Dialog
      title={t('{name}, before it prints', { name })}
      width="md"
      onClose={onClose}
      onSubmit={() =>
        void attempt.make(
          'keep',
          () => keep({ machineId, input }),
          () => {
            forget();
            onClose();
          },
        )
      }
      actions={
        <>
          <Refusal {...attempt.refusal('keep')} />
          <Button onClick={onClose}>{t('Back')}</Button>
          <Button look="primary" type="submit" isBusy={attempt.isBusy('keep')}>
            {t('Keep the check')}
          </Button>
        </>
      }
    >
      <Stack gap={14}>
        <CheckField
          label={t('White stirred until nothing lies at the bottom')}
          isChecked={isAgitated}
          onChange={(isOn) => put({ isAgitated: isOn })}
        />
        <Stack gap={8}>
          <Row gap={8}>
            <Button isBusy={attempt.isBusy('pattern')} onClick={pattern}>
              {missing === null ? t('Print the test pattern') : t('Print it again')}
            </Button>
            {missing !== null && (
              <Button isBusy={attempt.isBusy('pattern')} onClick={cleanAgain}>
                {t('Clean and look again')}
              </Button>
            )}
            {cleanings > 0 && (
              <span className="muted small">
                {cleanings === 1 ? t('cleaned once') : t('cleaned {cleanings} times', { cleanings })}
              </span>
            )}
            <Refusal {...attempt.refusal('pattern')} />
          </Row>
          {missing !== null && (
            <>
              <MarkGrid
                label={t('Test pattern: cross out what is missing')}
                rows={CHANNELS}
                count={NOZZLES_EACH}
                isGap={(row, nozzle) => shown?.[row as NozzleChannel]?.includes(nozzle) ?? false}
                isMarked={(row, nozzle) => missing[row as NozzleChannel]?.includes(nozzle) ?? false}
                nameOf={(row, nozzle) => `${CHANNELS.find(({ key }) => key === row)?.name ?? ''} ${nozzle}`}
                onToggle={toggle}
              />
              <p role="status" style={{ margin: 0 }}>
                {ADVICE[judgeNozzles(missing).advice]}{' '}
                {judgeNozzles(missing).count > 0 && <span className="muted">{missingWords(missing)}</span>}
              </p>
            </>
          )}
          {missing === null && (
            <p className="muted small" style={{ margin: 0 }}>
              {t('Nothing is held up by what is left out; it is kept with the check and shown on the run.')}
            </p>
          )}
        </Stack>
        <Row gap={10} align="start">
          <QuantityField
            label={t('Room')}
            kind="temperature"
            system={system}
            value={roomC}
            onChange={(value) => put({ roomC: value })}
          />
          <QuantityField
            label={t('Humidity')}
            kind="share"
            system={system}
            value={humidity}
            onChange={(value) => put({ humidity: value })}
          />
          <Note tone={isRoomGood(roomC, humidity) ? 'info' : 'caution'}>
            {isRoomGood(roomC, humidity)
              ? t('● A room that ink bears.')
              : t(
                  '◆ Ink wants {least} to {most} and {dry} to {damp} % humidity: drier blocks nozzles, damper dries nothing.',
                  {
                    least: formatQuantity(PRINT_ROOM.tempC.min, 'temperature', system),
                    most: formatQuantity(PRINT_ROOM.tempC.max, 'temperature', system),
                    dry: 100 * PRINT_ROOM.humidity.min,
                    damp: 100 * PRINT_ROOM.humidity.max,
                  },
                )}
          </Note>
        </Row>
        <TextField label={t('Note')} value={note} onChange={(text) => put({ note: text })} />
      </Stack>
    </Dialog>
  );
}

/** As it is sent: nozzles in order, channels that miss none left out. */
function writable(missing: MissingNozzles | null): PrintStartInput['missing'] {
  if (missing === null) return null;
  const rows = Object.entries(missing).flatMap(([channel, nozzles]) =>
    nozzles.length > 0 ? [[channel, [...nozzles].sort((p, q) => p - q)] as const] : [],
  );
  return Object.fromEntries(rows);
}
