import {
  CLOTHS,
  CLOTH_FACTS,
  READY_SHARE,
  USUAL_DRYING,
  boundGm2,
  roomWith,
  stateOfWater,
  weighedBackGm2,
} from '@saltflat/core/spray';
import type { Cloth, DriedBy, DrySchool, WetCloth } from '@saltflat/core/spray';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import { useState } from 'react';
import { useMeasuredRoom } from '../../../api/liveSlice.ts';
import { useKept } from '../../../form/index.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { sprayTasks } from '../../../worker/sprayClient.ts';
import { useAnswer } from '../../../worker/useAnswer.ts';
import {
  Chart,
  Note,
  Panel,
  Pressable,
  QuantityField,
  SelectField,
  SimpleTable,
  Split,
  Stack,
  ToggleField,
} from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { CLOTH_NAMES } from '../clothNames.ts';
import { dryPlot } from './dryPlot.ts';

const SCHOOLS: Record<DrySchool, { name: string; gives: string }> = {
  press: { name: t('Bursts under the press'), gives: t('quickest; hands all the while, a box may show') },
  hover: { name: t('Held under the plate'), gives: t('no box; the press is taken for minutes') },
  air: { name: t('Hung in the air'), gives: t('softest hand; costs a place on the rack') },
};

const STATES: Record<DriedBy['course']['state'], string> = {
  wet: t('◆ wet'),
  'touch-dry': t('◐ dry to the touch'),
  ready: t('● ready to print'),
  'over-dried': t('◆ too dry and stiff'),
};

interface Asked {
  cloth: Cloth;
  clothGm2: number;
  depositGm2: number;
  plateC: number;
  burstS: number;
  kPa: number;
  roomC: number;
  rh: number;
  air: '0' | '0.3' | '1';
}
type OwnAsked = Omit<Asked, 'roomC' | 'rh'> & { roomC: number | null; rh: number | null };

/** How a pretreated garment dries in each school, by the balance of heat and water, and what the scale says of it. */
export function DryingView() {
  const system = useUnits();
  const { roomC, humidity } = useMeasuredRoom();
  const room = roomWith({ tempC: roomC, rh: answerable(humidity) });
  // the room is as its devices say until somebody types it
  const [own, set] = useKept<OwnAsked>('drying', () => ({
    cloth: 'cotton-knit',
    clothGm2: 180,
    depositGm2: 135,
    plateC: 165,
    burstS: 12,
    kPa: 18,
    roomC: null,
    rh: null,
    air: '0',
  }));
  const asked: Asked = { ...own, roomC: own.roomC ?? room.tempC, rh: own.rh ?? room.rh };
  const [school, setSchool] = useState<DrySchool>('press');
  const cloth = clothOf(asked);
  const answer = useAnswer(
    () => sprayTasks.ask('dry', { cloth, ways: waysOf(asked) }).answer,
    [own, asked.roomC, asked.rh],
  );
  const shown = answer?.find((own) => own.school === school);
  return (
    <Stack gap={12}>
      <Split columns="minmax(420px, 1fr) minmax(340px, 440px)" below={1000}>
        <Stack gap={12}>
          <Panel
            title={t('The schools, side by side')}
            says={t('by the balance of heat and water; the scale is the check')}
          >
            {answer && (
              <SimpleTable
                label={t('Schools of drying')}
                rows={answer}
                keyOf={(own) => own.school}
                isSelected={(own) => own.school === school}
                columns={[
                  {
                    key: 'name',
                    title: t('School'),
                    cell: (own) => (
                      <>
                        <Pressable look="words" onClick={() => setSchool(own.school)}>
                          {SCHOOLS[own.school].name}
                        </Pressable>
                        <div className="muted small">{SCHOOLS[own.school].gives}</div>
                      </>
                    ),
                  },
                  { key: 'takes', title: t('Ready after'), isNoWrap: true, cell: takesWords },
                  { key: 'closings', title: t('Closings'), isNumber: true, cell: ({ closings }) => closings },
                  {
                    key: 'state',
                    title: t('Then'),
                    isNoWrap: true,
                    cell: ({ course }) => STATES[course.state],
                  },
                ]}
              />
            )}
          </Panel>
          {shown && (
            <Panel label={t('Water left')} pad="12px 16px">
              <Chart
                title={t('{school}: water left', { school: SCHOOLS[school].name })}
                heightPx={260}
                data={dryPlot(shown)}
              />
              <p className="muted small">
                {t('Below {bound} the fibres hold all of it: dry to the touch. Ink goes on below {ready}.', {
                  bound: formatQuantity(Math.round(shown.course.boundGm2), 'arealMass'),
                  ready: formatQuantity(Math.round(READY_SHARE * shown.course.boundGm2), 'arealMass'),
                })}
              </p>
            </Panel>
          )}
        </Stack>
        <Stack gap={12}>
          <Panel title={t('What is dried')} pad="14px 16px">
            <Stack gap={14}>
              <SelectField
                label={t('Cloth')}
                value={asked.cloth}
                options={CLOTHS.map((value) => ({ value, label: CLOTH_NAMES[value] }))}
                onChange={(value) => {
                  const own = value; // of the options
                  set({ cloth: own, clothGm2: CLOTH_FACTS[own].refGm2 });
                }}
              />
              <Split columns="1fr 1fr" gap={10} below={0}>
                <QuantityField
                  label={t('Cloth weighs')}
                  kind="arealMass"
                  system={system}
                  value={asked.clothGm2}
                  span={[60, 700]}
                  onChange={(clothGm2) => clothGm2 !== null && set({ clothGm2 })}
                />
                <QuantityField
                  label={t('Sprayed on it')}
                  kind="arealMass"
                  system={system}
                  value={asked.depositGm2}
                  span={[20, 500]}
                  onChange={(depositGm2) => depositGm2 !== null && set({ depositGm2 })}
                />
              </Split>
              <Split columns="1fr 1fr 1fr" gap={10} below={0}>
                <QuantityField
                  label={t('Plate')}
                  kind="temperature"
                  system={system}
                  value={asked.plateC}
                  span={[60, 220]}
                  onChange={(plateC) => plateC !== null && set({ plateC })}
                />
                <QuantityField
                  label={t('A burst')}
                  kind="duration"
                  system={system}
                  value={asked.burstS}
                  span={[2, 60]}
                  onChange={(burstS) => burstS !== null && set({ burstS })}
                />
                <QuantityField
                  label={t('Pressure')}
                  kind="pressure"
                  system={system}
                  value={asked.kPa}
                  span={[5, 100]}
                  onChange={(kPa) => kPa !== null && set({ kPa })}
                />
              </Split>
              <Split columns="1fr 1fr" gap={10} below={0}>
                <QuantityField
                  label={t('Room')}
                  kind="temperature"
                  system={system}
                  value={asked.roomC}
                  span={[5, 45]}
                  onChange={(roomC) => roomC !== null && set({ roomC })}
                />
                <QuantityField
                  label={t('Humidity')}
                  kind="share"
                  system={system}
                  value={asked.rh}
                  span={[0.05, 0.95]}
                  onChange={(rh) => rh !== null && set({ rh })}
                />
              </Split>
              <ToggleField
                label={t('Air at the rack')}
                value={asked.air}
                options={[
                  { value: '0', label: t('still') },
                  { value: '0.3', label: t('a draught') },
                  { value: '1', label: t('a fan') },
                ]}
                onChange={(air) => set({ air })}
              />
              <Note tone="caution">
                {t(
                  'Hot plate, steam from the side as it opens, vapours: stand back, air the room. Keep drying garments from the powder.',
                )}
              </Note>
            </Stack>
          </Panel>
          <WeighBack cloth={cloth} />
        </Stack>
      </Split>
    </Stack>
  );
}

/** The model answers from a twentieth to nineteen twentieths of saturation. */
const answerable = (humidity: number | null): number | null =>
  humidity === null ? null : Math.min(0.95, Math.max(0.05, humidity));

const clothOf = ({ cloth, clothGm2, depositGm2, roomC, rh }: Asked): WetCloth => ({
  cloth,
  clothGm2,
  depositGm2,
  waterShare: USUAL_DRYING.waterShare,
  room: { tempC: roomC, rh },
  startC: roomC,
  padC: USUAL_DRYING.padC,
});

const waysOf = ({ plateC, burstS, kPa, air }: Asked) => ({
  plateC,
  burstS,
  kPa,
  cover: USUAL_DRYING.cover,
  openS: 10,
  gapMm: 10,
  layS: 8,
  airMPerS: Number(air),
  sides: 2 as const,
});

function takesWords({ takesS: { usual, early, late } }: DriedBy): React.ReactNode {
  if (usual === null) return t('not that way');
  return (
    <>
      {formatDuration(Math.round(usual))}
      <div className="muted small">
        {t('{early} to {late}', {
          early: early === null ? '–' : formatDuration(Math.round(early)),
          late: late === null ? t('far more') : formatDuration(Math.round(late)),
        })}
      </div>
    </>
  );
}

/** The honest check: the garment weighed again, against what it weighed dry. */
function WeighBack({ cloth }: { cloth: WetCloth }) {
  const system = useUnits();
  const [beforeG, setBefore] = useState<number | null>(null);
  const [nowG, setNow] = useState<number | null>(null);
  const [areaM2, setArea] = useState<number | null>(0.1);
  const isKnown = beforeG !== null && nowG !== null && areaM2 !== null && areaM2 > 0;
  const leftGm2 = isKnown
    ? weighedBackGm2({ ...cloth, phases: [] }, { beforeG, nowG, areaMm2: 1e6 * areaM2 })
    : null;
  return (
    <Panel title={t('Weigh back')} says={t('the honest check')} pad="14px 16px">
      <Stack gap={12}>
        <Split columns="1fr 1fr" gap={10} below={0}>
          <QuantityField
            label={t('Dry, before spraying')}
            kind="mass"
            system={system}
            value={beforeG}
            onChange={setBefore}
          />
          <QuantityField label={t('Now')} kind="mass" system={system} value={nowG} onChange={setNow} />
          <QuantityField
            label={t('Sprayed area')}
            kind="area"
            system={system}
            value={areaM2}
            onChange={setArea}
          />
        </Split>
        <p role="status" style={{ margin: 0, minHeight: 44 }}>
          {leftGm2 === null
            ? t('What it weighed dry before it was sprayed, and what it weighs now.')
            : leftGm2 < -10
              ? t('◆ It weighs less than it can: another garment, or the weights exchanged?')
              : t('{left} of water left: {state}', {
                  left: formatQuantity(Math.max(0, Math.round(leftGm2)), 'arealMass'),
                  state: STATES[stateOfWater(leftGm2, boundGm2(cloth))],
                })}
        </p>
      </Stack>
    </Panel>
  );
}
