import type { Catalogue, SprayWeighing } from '@saltflat/contract';
import type { SprayerDial } from '@saltflat/core/route';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useOpenLinesQuery } from '../api/linesApi.ts';
import { useAttempt } from '../api/useAttempt.ts';
import {
  useAddSprayWeighingMutation,
  useFloorWeighingsQuery,
  useTakeFloorWeighingMutation,
  useSprayWeighingsQuery,
  useWithdrawSprayWeighingMutation,
} from '../api/sprayersApi.ts';
import {
  FitView,
  HandView,
  LinesToSpray,
  NozzleView,
  DryingView,
  WeighedView,
  WeighingForm,
  fluidsOf,
  sprayersOf,
} from '../features/spray/index.ts';
import type { AreaToSpray, ShownSprayer } from '../features/spray/index.ts';
import { useKeys } from '../keys/index.ts';
import { personNamed, usePerson, useSignature } from '../person/personSlice.ts';
import {
  Button,
  Empty,
  Failed,
  FillSplit,
  Loading,
  PageHead,
  Refusal,
  Scroll,
  Stack,
  Tabs,
  ToggleField,
  useToast,
} from '../ui/index.ts';
import { t } from '../words/index.ts';

// beside the sprayers’ own addresses
const DRYING = 'drying';
const LINES = 'lines';

/** Pretreatment: what each sprayer gives by what is set on it, found by weighing. */
export function SprayPage() {
  const { machineId } = useParams();
  const [asked] = useSearchParams();
  const navigate = useNavigate();
  const { data: catalogue, error, refetch } = useCatalogueQuery();
  if (error)
    return (
      <Failed title={t('The sprayers cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!catalogue) return <Loading what={t('the sprayers')} />;
  const sprayers = sprayersOf(catalogue);
  const chosen = sprayers.find(({ id }) => id === machineId) ?? sprayers[0];
  const aside = machineId === DRYING || machineId === LINES ? machineId : null;
  if (!chosen)
    return (
      <Empty
        isPage
        title={t('There is no sprayer yet')}
        action={
          <Button look="primary" to="/shop/machines">
            {t('Add a machine')}
          </Button>
        }
      >
        {t('A spray box or a hand gun is a machine of the shop: add it there, then weigh garments here.')}
      </Empty>
    );
  return (
    <>
      <PageHead
        title={t('Spray')}
        says={t(
          'A dial is not grams: weigh garments before and after, and routes set the dial by what this shop weighed',
        )}
      />
      <Tabs
        label={t('Sprayers')}
        tabs={[
          ...sprayers.map(({ id, name, setting, fits }) => ({
            value: id,
            label: `${name}${setting !== null && fits.length === 0 ? ' ◌' : ''}`,
          })),
          { value: LINES, label: t('To spray') },
          { value: DRYING, label: t('Drying') },
        ]}
        value={aside ?? chosen.id}
        onChange={(id) => void navigate(`/spray/${id}`)}
      >
        <FillSplit columns="minmax(0, 1fr)" below={0}>
          <Scroll>
            <Stack gap={12} pad="12px 0">
              {aside === DRYING && <DryingView />}
              {aside === LINES && <ToSpray gunId={sprayers.find(({ gun }) => gun !== null)?.id ?? null} />}
              {aside === null && chosen.gun && (
                <HandView key={`${chosen.id} ${asked.toString()}`} gun={chosen.gun} area={areaOf(asked)} />
              )}
              {aside !== null ? null : chosen.setting === null ? (
                chosen.gun === null && <NothingSet sprayer={chosen} />
              ) : (
                <Machine key={chosen.id} sprayer={chosen} setting={chosen.setting} catalogue={catalogue} />
              )}
            </Stack>
          </Scroll>
        </FillSplit>
      </Tabs>
    </>
  );
}

/** The area that an address names; `null` where it names none, or one that no garment has. */
function areaOf(asked: URLSearchParams): AreaToSpray | null {
  const [widthMm = 0, heightMm = 0, gm2 = 0] = ['wide', 'high', 'gm2'].map((name) => Number(asked.get(name)));
  const isIn = (value: number, least: number, most: number): boolean => value >= least && value <= most;
  return isIn(widthMm, 40, 800) && isIn(heightMm, 40, 1000) && isIn(gm2, 10, 600)
    ? { widthMm, heightMm, gm2 }
    : null;
}

const MOST_LINES = 60;

/** Lines on order that are printed directly. */
function ToSpray({ gunId }: { gunId: string | null }) {
  const { data, error, refetch } = useOpenLinesQuery({ limit: MOST_LINES });
  const navigate = useNavigate();
  if (error)
    return (
      <Failed title={t('The lines cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the lines')} />;
  return (
    <LinesToSpray
      lines={data.items.filter(({ processes }) => processes.includes('dtg'))}
      onPractise={
        gunId === null
          ? null
          : ({ widthMm, heightMm, gm2 }) =>
              void navigate(`/spray/${gunId}?wide=${widthMm}&high=${heightMm}&gm2=${gm2}`)
      }
    />
  );
}

const NothingSet = ({ sprayer }: { sprayer: ShownSprayer }) => (
  <Empty
    title={t('Nothing is set on {name}', { name: sprayer.name })}
    action={<Button to={`/shop/machines/${sprayer.id}`}>{t('Say what is set on it')}</Button>}
  >
    {sprayer.isHandGun
      ? t(
          'A gun without a dial gives what the hand gives it: weigh each garment on the floor. Where it has a flow screw with marks, say so in the shop.',
        )
      : t(
          'Say in the shop what is set on it, a dial, a speed or a volume, from its least to its most: then it can be weighed.',
        )}
  </Empty>
);

const VIEWS = [
  { value: 'dial', label: t('Dial') },
  { value: 'weighed', label: t('Weighed in') },
  { value: 'nozzles', label: t('Nozzles') },
] as const;

/** A machine: what its dial gives, and what a nozzle at fault looks like. */
function Machine(props: Omit<OneProps, 'views'>) {
  const [view, setView] = useState<(typeof VIEWS)[number]['value']>('dial');
  const views = props.sprayer.isHandGun ? null : (
    <ToggleField label={t('What is shown')} isNameHidden value={view} options={VIEWS} onChange={setView} />
  );
  if (view === 'dial') return <OneSprayer {...props} views={views} />;
  return (
    <>
      <div>{views}</div>
      {view === 'weighed' ? <OnFloor sprayer={props.sprayer} name={props.setting.name} /> : <NozzleView />}
    </>
  );
}

/** What the floor weighed in on it, over all runs. */
function OnFloor({ sprayer, name }: { sprayer: ShownSprayer; name: string }) {
  const { data, error, refetch } = useFloorWeighingsQuery(sprayer.id);
  const [take] = useTakeFloorWeighingMutation();
  const attempt = useAttempt();
  const by = useSignature();
  const [taking, setTaking] = useState<string | null>(null);
  if (error)
    return (
      <Failed title={t('What was weighed in cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('what was weighed in')} />;
  return (
    <>
      <Refusal {...attempt.refusal('take')} />
      <WeighedView
        name={sprayer.name}
        setting={name}
        weighings={data}
        takingStep={attempt.isBusy('take') ? taking : null}
        onTake={({ runId, step }) => {
          setTaking(step);
          void attempt.make('take', () => take({ machineId: sprayer.id, input: { runId, step, by } }));
        }}
      />
    </>
  );
}

interface OneProps {
  sprayer: ShownSprayer;
  setting: SprayerDial;
  catalogue: Catalogue;
  /** The way to the other views of the sprayer. */
  views: React.ReactNode;
}

function OneSprayer({ sprayer, setting, catalogue, views }: OneProps) {
  const { data: weighings, error, refetch } = useSprayWeighingsQuery(sprayer.id);
  const [add] = useAddSprayWeighingMutation();
  const [withdraw] = useWithdrawSprayWeighingMutation();
  const [isWeighing, setWeighing] = useState(false);
  const [chosenFluid, setFluid] = useState<string | null>(null);
  const who = usePerson();
  const dispatch = useDispatch();
  const tell = useToast();
  const attempt = useAttempt();
  useKeys(
    'Spray',
    isWeighing ? [] : [{ key: 'w', does: t('weigh a garment'), act: () => setWeighing(true) }],
  );
  if (error)
    return (
      <Failed title={t('The weighings cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!weighings) return <Loading what={t('the weighings')} />;
  const fluids = fluidsOf(catalogue);
  const last = weighings.find(({ isWithdrawn }) => !isWithdrawn) ?? null;
  const fluidId = chosenFluid ?? last?.input.fluidId ?? fluids[0]?.id ?? '';
  const fit = sprayer.fits.find((own) => own.fluidId === fluidId && own.nozzle === sprayer.nozzle);
  const takeBack = ({ id, isWithdrawn, input: { setting: at } }: SprayWeighing): void =>
    void attempt.make(
      'take-back',
      () => withdraw({ id, isWithdrawn: !isWithdrawn }),
      (changed) =>
        tell({
          words: isWithdrawn
            ? t('The weighing at {setting} counts again.', { setting: at })
            : t('The weighing at {setting} counts no more.', { setting: at }),
          undo: () => takeBack(changed),
        }),
    );
  if (isWeighing)
    return (
      <WeighingForm
        sprayer={sprayer}
        setting={setting}
        fluids={fluids}
        fluidId={fluidId}
        suggested={fit?.next.find(({ passes }) => passes === (last?.input.passes ?? 1))?.setting ?? null}
        last={last}
        who={who}
        send={(input) => add({ machineId: sprayer.id, input })}
        onSent={({ input }) => {
          dispatch(personNamed(input.by));
          setFluid(input.fluidId);
          setWeighing(false);
        }}
        onGiveUp={() => setWeighing(false)}
      />
    );
  return (
    <>
      <Refusal {...attempt.refusal('take-back')} />
      <FitView
        sprayer={sprayer}
        setting={setting}
        fluids={fluids}
        fluidId={fluidId}
        onFluid={setFluid}
        weighings={weighings}
        onWithdraw={takeBack}
        views={views}
        action={
          <Button look="primary" onClick={() => setWeighing(true)} hint="w">
            {t('Weigh a garment')}
          </Button>
        }
      />
    </>
  );
}
