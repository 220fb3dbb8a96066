import type { PicturedOp, PlanPicture, ShopInstance } from '@saltflat/core/plan';
import { spanOf } from '@saltflat/core/plan';
import { useState } from 'react';
import type { PlanTime } from '../../planned/index.ts';
import { Panel, Row, Scroll, SearchField, Stack, ToggleField, useIsNarrow } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { LanesDrawn } from './drawLanes.ts';
import { MOST_SPAN, withBar } from './lanes.ts';
import type { Sight } from './lanes.ts';
import { PlanLanes } from './PlanLanes.tsx';
import { PlanList } from './PlanList.tsx';
import type { PlanDesk } from './usePlanRoom.ts';

const SIGHTS = [
  { value: 'hours', label: t('2 hours') },
  { value: 'day', label: t('Day') },
  { value: 'week', label: t('Week') },
  { value: 'fortnight', label: t('Fortnight') },
] as const;
type Wide = (typeof SIGHTS)[number]['value'];
/** As wide as the lanes are still read; on less the plan is a list. */
const NARROW_PX = 760;
const NONE: ReadonlySet<string> = new Set();

interface Props {
  desk: Pick<PlanDesk, 'room' | 'move'>;
  picture: PlanPicture;
  drawn: LanesDrawn;
  picked: string | null;
  lit: string | null;
  codesOf: (op: PicturedOp) => string;
  machineName: (id: string) => string;
  time: PlanTime;
  onPick: (id: string | null) => void;
}

/** The plan as lanes or as a list. What is in sight is its own business: nothing else is drawn anew while it is moved. */
export function PlanSheet({ desk, picture, drawn, picked, lit, codesOf, machineName, time, onPick }: Props) {
  const [view, setView] = useState<'lanes' | 'list'>('lanes');
  const [sought, setSought] = useState('');
  const [wide, setWide] = useState<Wide>('day');
  const [sight, setSight] = useState<Sight>(() => sightOf('day', desk.room.own));
  const isNarrow = useIsNarrow(NARROW_PX);
  const isList = isNarrow || view === 'list';
  const op = picture.ops.find(({ id }) => id === picked) ?? null;
  return (
    <Scroll>
      <Stack gap={8} pad="8px 0 0">
        <Row gap={16} align="end">
          {!isNarrow && (
            <ToggleField
              label={t('Shown as')}
              isNameHidden
              value={view}
              options={[
                { value: 'lanes', label: t('Lanes') },
                { value: 'list', label: t('List') },
              ]}
              onChange={(next) => {
                setView(next);
                if (op) setSight(withBar(sight, spanOf(op)));
              }}
            />
          )}
          {isList && (
            <SearchField
              label={t('Find in the plan')}
              placeholder={t('Line, work, machine')}
              value={sought}
              onChange={setSought}
            />
          )}
          {!isList && (
            <>
              <ToggleField
                label={t('In sight')}
                isNameHidden
                value={wide}
                options={SIGHTS}
                onChange={(value) => {
                  setWide(value);
                  setSight(sightOf(value, desk.room.own));
                }}
              />
              <span className="muted small">
                {t('Full: hands. Dashed: by itself. Grey: nobody there. Drag to move, Ctrl + wheel to zoom.')}
              </span>
            </>
          )}
        </Row>
        <Panel as="div" pad={0}>
          {isList ? (
            <PlanList
              ops={picture.ops}
              codesOf={codesOf}
              machineName={machineName}
              time={time}
              picked={picked}
              search={sought}
              onPick={onPick}
            />
          ) : (
            <PlanLanes
              drawn={drawn}
              sight={sight}
              onSight={setSight}
              picked={picked}
              lit={lit === null ? NONE : new Set([lit])}
              onPick={onPick}
              onMove={(bar, to) => desk.move({ id: bar.op.id, ...to })}
              pickedWords={
                op ? `${codesOf(op)} ${t(op.title)}, ${time(spanOf(op).from, 'weekday-time')}` : ''
              }
            />
          )}
        </Panel>
      </Stack>
    </Scroll>
  );
}

/** What is in sight: two hours, or what is left of the day, from a little before now; weeks from their first midnight. */
function sightOf(wide: Wide, { instance: { now, people } }: ShopInstance): Sight {
  if (wide === 'fortnight') return { from: 0, span: MOST_SPAN };
  if (wide === 'week') return { from: 0, span: MOST_SPAN / 2 };
  const next = people.find(([, to]) => to > now);
  const begin = next === undefined ? now : Math.max(now, next[0]);
  const from = Math.max(0, begin - BEFORE_MIN);
  if (wide === 'hours') return { from, span: 120 };
  const day = Math.floor(begin / 1440);
  const close = Math.max(
    begin,
    ...people.map(([, to]) => to).filter((to) => Math.floor((to - 1) / 1440) === day),
  );
  return { from, span: Math.max(LEAST_DAY, close - from + BEFORE_MIN) };
}
/** Before now that is in sight too, and the least of a day, min. */
const BEFORE_MIN = 15;
const LEAST_DAY = 240;
