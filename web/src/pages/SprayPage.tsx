import type { Catalogue, SprayWeighing } from '@saltflat/contract';
import type { SprayerDial } from '@saltflat/core/route';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate, useParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import {
  useAddSprayWeighingMutation,
  useSprayWeighingsQuery,
  useWithdrawSprayWeighingMutation,
} from '../api/sprayersApi.ts';
import {
  FitView,
  HandView,
  NozzleView,
  WeighingForm,
  fluidsOf,
  sprayersOf,
} from '../features/spray/index.ts';
import type { ShownSprayer } from '../features/spray/index.ts';
import { useKeys } from '../keys/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
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

/** Pretreatment: what each sprayer gives by what is set on it, found by weighing. */
export function SprayPage() {
  const { machineId } = useParams();
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
        tabs={sprayers.map(({ id, name, setting, fits }) => ({
          value: id,
          label: `${name}${setting !== null && fits.length === 0 ? ' ◌' : ''}`,
        }))}
        value={chosen.id}
        onChange={(id) => void navigate(`/spray/${id}`)}
      >
        <FillSplit columns="minmax(0, 1fr)" below={0}>
          <Scroll>
            <Stack gap={12} pad="12px 0">
              {chosen.gun && <HandView key={chosen.id} gun={chosen.gun} />}
              {chosen.setting === null ? (
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
      <NozzleView />
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
