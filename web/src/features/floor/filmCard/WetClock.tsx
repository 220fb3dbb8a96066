import { powderOpensS } from '@saltflat/core/route';
import { formatClock } from '@saltflat/core/units';
import { styled } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

interface Props {
  /** When the film was printed and until when its ink is wet, ms since 1970 UTC. */
  printedAt: number;
  closesAt: number;
  nowMs: number;
  /** % relative humidity; `null` where nobody measures it. */
  rhPct: number | null;
}

/** The time ink stays wet as a strip: where to let it stand in a damp room, where to powder, and where it is now. */
export function WetClock({ printedAt, closesAt, nowMs, rhPct }: Props) {
  const wetS = (closesAt - printedAt) / 1000;
  const sinceS = Math.max(0, (nowMs - printedAt) / 1000);
  const opensS = powderOpensS(wetS, rhPct);
  const share = (seconds: number): string => `${Math.min(100, (100 * seconds) / wetS)}%`;
  const lateS = sinceS - wetS;
  return (
    <Clock role="group" aria-label={t('Wet clock')}>
      <strong>{clockWords({ sinceS, opensS, lateS, wetS })}</strong>
      <div className="strip" aria-hidden="true">
        <span className="stand" style={{ width: share(opensS) }} />
        <span className={lateS > 0 ? 'now is-late' : 'now'} style={{ left: share(sinceS) }} />
      </div>
      <div className="ends muted">
        <span>{t('printed')}</span>
        {opensS > 0 && <span>{t('damp room: stand {time}', { time: formatClock(opensS) })}</span>}
        <span>{t('dry {time}', { time: formatClock(wetS) })}</span>
      </div>
    </Clock>
  );
}

interface Standing {
  sinceS: number;
  opensS: number;
  lateS: number;
  wetS: number;
}

function clockWords({ sinceS, opensS, lateS, wetS }: Standing): string {
  if (lateS > 0)
    return t('Late by {time}: powder may not hold. Powder it all the same; the ledger notes it.', {
      time: formatClock(lateS),
    });
  return sinceS < opensS
    ? t('Let it stand {time} more: the room is damp', { time: formatClock(opensS - sinceS) })
    : t('Powder now: wet for {time} more', { time: formatClock(wetS - sinceS) });
}

const Clock = styled('div')({
  marginTop: 8,
  '& .strip': {
    position: 'relative',
    height: 12,
    margin: '6px 0 2px',
    borderRadius: 2,
    background: 'var(--brine-pale, var(--hairline))',
    border: '1px solid var(--edge)',
  },
  '& .stand': {
    position: 'absolute',
    inset: '0 auto 0 0',
    background: 'repeating-linear-gradient(135deg, var(--edge) 0 2px, transparent 2px 6px)',
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
