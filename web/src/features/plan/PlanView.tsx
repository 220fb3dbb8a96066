import type { Machine, PlanGround } from '@saltflat/contract';
import type { PicturedOp } from '@saltflat/core/plan';
import { formatQuantity } from '@saltflat/core/units';
import { STATION_NAMES } from '@saltflat/core/work';
import { useMemo, useState } from 'react';
import { useKeyNotes, useKeys } from '../../keys/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import {
  Button,
  FillSplit,
  Loading,
  Note,
  PageHead,
  Progress,
  Refusal,
  Scroll,
  Stack,
} from '../../ui/index.ts';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { t } from '../../words/index.ts';
import type { LanesDrawn } from './drawLanes.ts';
import { heatGround } from './heatGround.ts';
import { lanesOf } from './lanes.ts';
import { OrdersPanel } from './OrdersPanel.tsx';
import type { OrderShown } from './OrdersPanel.tsx';
import { PickedPanel } from './PickedPanel.tsx';
import { inHours, lateMin, useChances, usePlanTime } from '../../planned/index.ts';
import { EventButton } from './EventButton.tsx';
import type { EventSaying } from './EventButton.tsx';
import { PlanOffers } from './PlanOffers.tsx';
import { LateOrders, PlanFaults, PlanSays } from './PlanNotes.tsx';
import { PlanSheet } from './PlanSheet.tsx';
import { TakeButton } from './TakeButton.tsx';
import { UnplacedPanel } from './UnplacedPanel.tsx';
import { useHelps } from './useHelps.ts';
import { restsIn, waitsIn } from './waits.ts';
import { usePlanRoom } from './usePlanRoom.ts';
import type { PlanDesk } from './usePlanRoom.ts';

interface Props {
  ground: PlanGround;
  machines: readonly Machine[];
  isKeeping: boolean;
  refusal: RefusalProps;
  /** What has come in the way, as it is being said. */
  event: EventSaying;
  onKeep: (document: NonNullable<ReturnType<PlanDesk['documentOf']>>, then: () => void) => void;
}

/** The days: what is made when, on which machine, by whom, and what is late. */
export function PlanView({ ground, machines, isKeeping, refusal, event, onKeep }: Props) {
  const desk = usePlanRoom(ground, machines);
  const { room, picture, search } = desk;
  const isSearching = search.status === 'running' && !search.isQuiet;
  const [picked, setPicked] = useState<string | null>(null);
  const [lit, setLit] = useState<string | null>(null);
  const { instance } = room.own;
  const time = usePlanTime(room.epochMs, room.zone);
  const words = useWords();
  const lines = useMemo(
    () => new Map(ground.jobs.flatMap((job) => job.lines).map((line) => [line.lineId, line])),
    [ground],
  );
  const machineName = useMemo(() => {
    const names = new Map(machines.map(({ id, name }) => [id, name]));
    return (id: string): string => names.get(id) ?? id;
  }, [machines]);
  const codesOf = (op: PicturedOp): string => op.lines.map((id) => lines.get(id)?.code ?? '').join(' ');
  const orders = useMemo(
    () =>
      (picture?.orders ?? []).map((own): OrderShown => {
        const line = lines.get(own.id);
        return { ...own, code: line?.code ?? '', customer: line?.customer ?? '' };
      }),
    [picture, lines],
  );
  const chances = useChances(room, search.status === 'running' ? null : desk.plan);
  const late = orders.filter((own) => lateMin(own) > 0).sort((p, q) => lateMin(q) - lateMin(p));
  const helps = useHelps({
    ground,
    machines,
    room,
    plan: search.status === 'running' ? null : desk.plan,
    late: late.map(({ id }) => id),
  });
  const drawn = useDrawn(desk, { lines, machineName, time });
  const op = picture?.ops.find(({ id }) => id === picked) ?? null;
  useKeys(t('Plan'), [
    {
      key: 'l',
      does: t('lock what is picked, or let it go'),
      act: () => picked !== null && desk.toggleLock(picked),
    },
    { key: 'i', does: t('look for a better plan round what is locked'), act: desk.improve },
    { key: 'mod+z', shown: 'Ctrl z', does: t('undo'), act: desk.undo },
  ]);
  useKeyNotes(t('Plan, once the lanes have the focus'), NOTES);
  if (!picture || !drawn) return <PlanBegins desk={desk} />;
  return (
    <>
      <PageHead title={t('Plan')} says={<PlanSays desk={desk} kept={ground.kept} />}>
        <Button to="/plan/hours">{t('Working hours')}</Button>
        <EventButton {...{ ground, machines, event }} machine={op?.machine ?? null} />
        <TakeButton ground={ground} machines={machines} desk={desk} time={time} />
        <Button onClick={desk.undo} disabled={!desk.canUndo} hint="Ctrl z">
          {t('Undo')}
        </Button>
        <Button onClick={desk.improve} hint="i" disabled={isSearching}>
          {t('Improve')}
        </Button>
        <Button
          look="primary"
          isBusy={isKeeping}
          disabled={!desk.isChanged || isSearching}
          onClick={() => {
            const document = desk.documentOf();
            if (document) onKeep(document, desk.forget);
          }}
        >
          {t('Keep this plan')}
        </Button>
      </PageHead>
      <Stack gap={8}>
        <Refusal {...refusal} />
        {ground.isMore && (
          <Note tone="caution">{t('More lines are open than are planned here: the soonest due are.')}</Note>
        )}
        {desk.refused && (
          <Note tone="alarm" role="alert">
            {words(desk.refused)}
          </Note>
        )}
        {isSearching && <Progress words={t('Looking for a better plan')} share={null} onCancel={desk.stop} />}
        {search.status === 'done' && !search.isQuiet && room.followed !== null && desk.offer === null && (
          <Note role="status">{t('Nothing better was found.')}</Note>
        )}
        <LateOrders orders={late} helps={helps} machineName={machineName} time={time} onShow={setLit} />
        <PlanFaults faults={desk.faults} />
      </Stack>
      <FillSplit columns="minmax(0, 1fr) 340px" below={1000}>
        <PlanSheet
          {...{ desk, picture, drawn, picked, lit, codesOf, machineName, time }}
          onPick={setPicked}
        />
        <Scroll>
          <Stack pad="8px 0">
            {op && (
              <PickedPanel
                op={op}
                codes={op.lines.map((id) => lines.get(id)?.code ?? '')}
                lineId={op.lines[0] ?? null}
                instance={instance}
                pace={room.own.about.get(op.id)?.pace ?? null}
                time={time}
                machineName={machineName}
                onLock={() => desk.toggleLock(op.id)}
                onMove={(to) => desk.move({ id: op.id, ...to })}
                onClose={() => setPicked(null)}
              />
            )}
            <PlanOffers desk={desk} time={time} />
            <OrdersPanel
              orders={orders}
              chances={chances}
              spread={room.spread}
              lit={lit}
              time={time}
              onLight={setLit}
            />
            <UnplacedPanel ground={ground} />
          </Stack>
        </Scroll>
      </FillSplit>
    </>
  );
}

const NOTES = [
  { shown: '← ↑ → ↓', does: t('go from block to block') },
  { shown: 'Alt ← →', does: t('move the block by 5 minutes, with Shift by 30') },
  { shown: '+ −', does: t('look nearer, or farther') },
  { shown: 'Home', does: t('back to now') },
];

/** Nothing to look at yet: the first plan is on its way, or there is no work. */
function PlanBegins({ desk }: { desk: PlanDesk }) {
  if (desk.search.status === 'failed')
    return (
      <Note tone="alarm" role="alert" actions={<Button onClick={desk.improve}>{t('Try again')}</Button>}>
        {t('Planning stopped: {why}', { why: desk.search.why })}
      </Note>
    );
  return <Loading what={t('the first plan')} />;
}

interface DrawnWith {
  lines: ReadonlyMap<string, { code: string }>;
  machineName: (id: string) => string;
  time: ReturnType<typeof usePlanTime>;
}

/** What the lanes draw, made anew only when the plan is another. */
function useDrawn({ room, picture }: PlanDesk, { lines, machineName, time }: DrawnWith): LanesDrawn | null {
  const system = useUnits();
  return useMemo(() => {
    if (!picture) return null;
    const { instance } = room.own;
    const heated = new Set(
      instance.machines.filter(({ setup }) => setup?.kind === 'temp').map(({ id }) => id),
    );
    const lanes = lanesOf(picture, {
      machineName,
      isHeated: (id) => heated.has(id),
      stationName: (station) => t(STATION_NAMES[station]),
    });
    return {
      lanes,
      heat: new Map(
        instance.machines.filter(({ id }) => heated.has(id)).map((own) => [own.id, heatGround(own, picture)]),
      ),
      load: picture.load,
      waits: waitsIn(lanes, instance),
      rests: restsIn(lanes, picture.orders),
      waitWords: {
        waitOf: ({ from, to, min, max }) => {
          const stands = inHours(to.from - from.to);
          return max === null
            ? min > 0
              ? t('dries or cools {least}, waits {stands}', { least: inHours(min), stands })
              : t('waits {stands}', { stands })
            : t('stands {stands}, {most} at most', { stands, most: inHours(max) });
        },
        restOf: ({ until }) => t('rests until {when}', { when: time(until, 'weekday-time') }),
      },
      there: instance.people,
      nowMin: instance.now,
      late: new Set(picture.orders.filter((own) => lateMin(own) > 0).map(({ id }) => id)),
      labelOf: ({ op }) =>
        `${op.lines.map((id) => lines.get(id)?.code ?? '').join(' ')} ${t(op.title)}${op.parts > 1 ? ` ×${op.parts}` : ''}`,
      tempOf: (tempC) => formatQuantity(tempC, 'temperature', system),
      dayOf: (minute) => time(minute, 'weekday'),
      timeOf: (minute) => time(minute, 'time'),
      peopleWord: t('People at work'),
    };
  }, [room, picture, lines, machineName, time, system]);
}
