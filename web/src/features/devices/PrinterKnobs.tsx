import type { FilmPrinter } from '@saltflat/contract';
import { useClearPrinterMutation, useDrivePrinterMutation, usePrinter } from '../../api/printersApi.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import {
  Button,
  Mark,
  NumberField,
  Panel,
  Refusal,
  Row,
  SelectField,
  SimpleTable,
  Stack,
} from '../../ui/index.ts';
import { t } from '../../words/index.ts';

const SPEEDS = [1, 10, 60, 300];
const FAULTS: readonly { value: FilmPrinter['drive']['nextFault']; label: string }[] = [
  { value: 'none', label: t('nothing') },
  { value: 'feed', label: t('the film slips in the feed') },
  { value: 'head-strike', label: t('the head strikes the film') },
];
const STATES: Record<FilmPrinter['jobs'][number]['state'], string> = {
  waiting: t('waits'),
  printing: t('prints'),
  pausing: t('pauses'),
  done: t('done'),
  cancelled: t('cancelled'),
  failed: t('failed'),
};

/** A simulated printer: its queue and ink, and knobs that act like the world around it. */
export function PrinterKnobs({ asked }: { asked: FilmPrinter }) {
  const printer = usePrinter(asked.machineId) ?? asked;
  const [drive] = useDrivePrinterMutation();
  const [clear] = useClearPrinterMutation();
  const attempt = useAttempt();
  const { machineId, name, isSimulated, isHeld, jobs, drive: knobs, colourMl, whiteMl, tankMl } = printer;
  const turn = (own: Omit<Parameters<typeof drive>[0], 'machineId'>): void =>
    void attempt.make('drive', () => drive({ machineId, ...own }));
  return (
    <Panel title={name} says={isSimulated ? t('simulated stand-in') : t('connected')} pad={16}>
      <Stack gap={12}>
        <p style={{ fontSize: 18, fontWeight: 640 }}>
          {t('Colour {colour}, white {white} of {tank} ml', {
            colour: Math.round(colourMl),
            white: Math.round(whiteMl),
            tank: tankMl,
          })}
        </p>
        <Mark mark={isHeld ? '■' : '●'} tone={isHeld ? 'hands' : 'calm'}>
          {isHeld ? t('held: somebody must look') : t('ready')}
        </Mark>
        {jobs.length > 0 && (
          <SimpleTable
            label={t('Queue of {name}', { name })}
            columns={[
              { key: 'name', title: t('Job'), cell: (job) => job.name },
              { key: 'state', title: t('State'), cell: (job) => STATES[job.state] },
              {
                key: 'share',
                title: t('Done'),
                isNumber: true,
                cell: (job) => `${Math.floor(100 * job.share)} %`,
              },
            ]}
            rows={jobs}
            keyOf={({ id }) => id}
          />
        )}
        <Row gap={10} align="start">
          <SelectField
            label={t('Times as fast')}
            width={140}
            value={String(knobs.speed)}
            options={[...new Set([...SPEEDS, knobs.speed])].map((speed) => ({
              value: String(speed),
              label: `${speed} ×`,
            }))}
            onChange={(speed) => turn({ speed: Number(speed) })}
          />
          <SelectField
            label={t('Goes wrong next')}
            width={240}
            value={knobs.nextFault}
            options={FAULTS}
            onChange={(nextFault) => turn({ nextFault })}
          />
          {printer.platen && (
            <NumberField
              label={t('Thickness on the platen')}
              unit="mm"
              width={190}
              value={knobs.garmentMm}
              span={[0, 25]}
              onChange={(garmentMm) => garmentMm !== null && turn({ garmentMm })}
            />
          )}
        </Row>
        <Row gap={8}>
          <Button size="small" onClick={() => turn({ colourMl: tankMl, whiteMl: tankMl })}>
            {t('Fill both tanks')}
          </Button>
          <Button size="small" onClick={() => turn({ whiteMl: 2 })}>
            {t('Nearly empty the white')}
          </Button>
          <Button size="small" onClick={() => turn({ clogged: 2 })}>
            {t('Clog two nozzles')}
          </Button>
          <Button size="small" onClick={() => turn({ standH: 14 })}>
            {t('Let it stand overnight')}
          </Button>
          {isHeld && (
            <Button size="small" onClick={() => void attempt.make('drive', () => clear(machineId))}>
              {t('Let it go on')}
            </Button>
          )}
        </Row>
        <Refusal {...attempt.refusal('drive')} />
      </Stack>
    </Panel>
  );
}
