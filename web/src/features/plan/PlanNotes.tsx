import type { PlanGround } from '@saltflat/contract';
import type { Help, Tried } from '@saltflat/core/plan';
import { inHours, lateMin } from '../../planned/index.ts';
import type { PlanTime } from '../../planned/index.ts';
import { deviceZone, zoneWords } from '../../units/shopClock.ts';
import { useWords } from '../../units/useWords.ts';
import { Button, Note, Row } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { OrderShown } from './OrdersPanel.tsx';
import { MOST_SOUGHT } from './useHelps.ts';
import type { PlanDesk } from './usePlanRoom.ts';

/** Whose plan it is, and what no plan could do better. */
export function PlanSays({ desk, kept }: { desk: PlanDesk; kept: PlanGround['kept'] }) {
  const { search, isChanged, room } = desk;
  const words = useWords();
  // of a plan that is offered it stands with the offer
  const bound = search.status === 'done' && desk.offer === null ? ` ${words(search.answer.boundSaid)}` : '';
  const stands = isChanged
    ? t('Changed here, not kept yet.')
    : kept
      ? t('As {who} kept it, number {n}, followed as the shop stands.', { who: kept.by, n: kept.number })
      : '';
  const zone = room.zone === deviceZone() ? '' : ` ${t('Times of {zone}.', { zone: zoneWords(room.zone) })}`;
  return `${stands}${bound}${zone}`;
}

type Saying = Pick<LateProps, 'machineName' | 'time'>;

interface LateProps {
  orders: readonly OrderShown[];
  /** What would help each most; `null` where nothing does. */
  helps: ReadonlyMap<string, Tried | null>;
  machineName: (id: string) => string;
  time: PlanTime;
  onShow: (id: string) => void;
}

/** Orders that are late by the plan, by how much, and the one thing that would help most. */
export function LateOrders({ orders, helps, machineName, time, onShow }: LateProps) {
  if (orders.length === 0) return null;
  return (
    <Note tone="alarm">
      <Row gap={10}>
        <strong>
          {orders.length === 1 ? t('◆ 1 order late:') : t('◆ {n} orders late:', { n: orders.length })}
        </strong>
        {orders.slice(0, 6).map((own) => (
          <Button key={own.id} size="small" look="quiet" onClick={() => onShow(own.id)}>
            {own.code} {inHours(lateMin(own))}
          </Button>
        ))}
      </Row>
      <ul aria-label={t('What would help most')}>
        {orders.slice(0, MOST_SOUGHT).map((own) => (
          <li key={own.id}>
            <span className="code">{own.code}</span> {helpSaid(own, helps.get(own.id), { machineName, time })}
          </li>
        ))}
      </ul>
    </Note>
  );
}

/** What would help; it has its room while that is not known yet, so that nothing moves under a hand. */
function helpSaid(own: OrderShown, best: Tried | null | undefined, says: Saying): string {
  if (best === undefined) return t('What would help is being tried …');
  if (best === null) return t('Nothing that was tried makes much of a difference.');
  return t('Most would help: {help}. It would be through {by} sooner, at {when}.', {
    help: helpWords(best.help, says),
    by: inHours((own.through ?? best.through) - best.through),
    when: says.time(best.through, 'weekday-time'),
  });
}

function helpWords(help: Help, { machineName, time }: Saying): string {
  switch (help.kind) {
    case 'plan':
      return t('another plan (Improve)');
    case 'machine':
      return t('{machine}, which stands still, in use', { machine: machineName(help.machine) });
    case 'hands':
      return t('another pair of hands for an hour from {when}', { when: time(help.from, 'weekday-time') });
    case 'overtime':
      return t('an hour longer after {when}', { when: time(help.from, 'weekday-time') });
    case 'shelf':
      return t('“{transfers}” from the shelf in place of printing', { transfers: help.transfers });
    case 'film':
      return t('its film laid out together with that of {codes}', { codes: help.others.join(', ') });
    case 'half':
      return t('half of its pieces another day, for the others');
  }
}

/** What stands in the way of a plan; the rest is planned all the same. Orders that were due before now are told above. */
export function PlanFaults({ faults }: { faults: PlanDesk['faults'] }) {
  const words = useWords();
  const own = faults.filter(({ code }) => code !== 'plan.due-past');
  if (own.length === 0) return null;
  return (
    <Note tone="caution">
      <ul>
        {own.slice(0, MOST_FAULTS).map((said, i) => (
          <li key={i}>{words(said)}</li>
        ))}
        {own.length > MOST_FAULTS && <li>{t('And {n} more.', { n: own.length - MOST_FAULTS })}</li>}
      </ul>
    </Note>
  );
}
const MOST_FAULTS = 4;
