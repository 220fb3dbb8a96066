import { warmUpSaid } from '@saltflat/core/route';
import type { WarmUp } from '@saltflat/core/route';
import { useWords } from '../../units/useWords.ts';

/** What is switched on before the first piece, unless the day's work has it hot already. */
export function WarmUpsPanel({ warmUps }: { warmUps: readonly WarmUp[] }) {
  const words = useWords();
  if (warmUps.length === 0) return null;
  return (
    <section className="panel" aria-label="Before the first piece">
      <header>
        <h2>Before the first piece</h2>
        <span className="muted small">from cold</span>
      </header>
      <ul className="warm-ups">
        {warmUps.map((own) => (
          <li key={own.machine.id ?? own.machine.name}>{words(warmUpSaid(own))}</li>
        ))}
      </ul>
    </section>
  );
}
