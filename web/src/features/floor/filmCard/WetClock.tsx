import { powderClosesS, powderOpensS } from '@saltflat/core/route';
import { formatClock } from '@saltflat/core/units';
import { styled } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

interface Props {
  /** When the film was printed and until when its ink is wet, ms since 1970 UTC. */
  printedAt: number;
  closesAt: number;
  nowMs: number;
  /** Its air: % relative humidity, and °C; `null` where nobody measures it. */
  room: { rhPct: number | null; roomC: number | null };
}

/** The time ink stays wet as a strip: where to let it stand in a damp room, where to powder, and where it is now. */
export function WetClock({ printedAt, closesAt, nowMs, room }: Props) {
  const wetS = (closesAt - printedAt) / 1000;
  const sinceS = Math.max(0, (nowMs - printedAt) / 1000);
  const warmS = powderClosesS(wetS, room.roomC);
  const opensS = Math.min(powderOpensS(wetS, room.rhPct), warmS);
  const share = (seconds: number): string => `${Math.min(100, (100 * seconds) / wetS)}%`;
  const lateS = sinceS - wetS;
  return (
    <Clock role="group" aria-label={t('Wet clock')}>
      <strong>{clockWords({ sinceS, opensS, warmS, lateS })}</strong>
      <div className="strip" aria-hidden="true">
        <span className="stand" style={{ width: share(opensS) }} />
        {warmS < wetS && <span className="warm" style={{ left: share(warmS) }} />}
        <span className={lateS > 0 ? 'now is-late' : 'now'} style={{ left: share(sinceS) }} />
      </div>
      <div className="ends muted">
        <span>{t('printed')}</span>
        {opensS > 0 && <span>{t('damp room: stand {time}', { time: formatClock(opensS) })}</span>}
        {warmS < wetS && <span>{t('warm room: by {time}', { time: formatClock(warmS) })}</span>}
        <span>{t('dry {time}', { time: formatClock(wetS) })}</span>
      </div>
    </Clock>
  );
}

interface Standing {
  sinceS: number;
  opensS: number;
  /** Until when it is best powdered in a room as warm as this one. */
  warmS: number;
  lateS: number;
}

function clockWords({ sinceS, opensS, warmS, lateS }: Standing): string {
  if (lateS > 0)
    return t('Late by {time}: powder may not hold. Powder it all the same; the ledger notes it.', {
      time: formatClock(lateS),
    });
  if (sinceS >= warmS)
    return t('Powder now: in a room as warm as this it may be dry already. Look at its shine.');
  return sinceS < opensS
    ? t('Let it stand {time} more: the room is damp', { time: formatClock(opensS - sinceS) })
    : t('Powder now: wet for {time} more', { time: formatClock(warmS - sinceS) });
}

const Clock = styled('div')({
  marginTop: 8,
  '& .strip': {
    position: 'relative',
    height: 12,
    margin: '6px 0 2px',
    borderRadius: 2,
    background: 'var(--brine-pale)',
    border: '1px solid var(--edge)',
  },
  '& .stand': {
    position: 'absolute',
    inset: '0 auto 0 0',
    background: 'repeating-linear-gradient(135deg, var(--edge) 0 2px, transparent 2px 6px)',
  },
  '& .warm': {
    position: 'absolute',
    inset: '0 0 0 auto',
    background: 'repeating-linear-gradient(45deg, var(--ochre) 0 3px, transparent 3px 6px)',
  },
  '& .now': {
    position: 'absolute',
    top: -4,
    bottom: -4,
    width: 4,
    marginLeft: -2,
    background: 'var(--brine)',
    '&.is-late': { background: 'var(--rose)' },
  },
  '& .ends': { display: 'flex', justifyContent: 'space-between', gap: 8, fontSize: 13 },
});
