import type { RouteVersion } from '@saltflat/contract';
import { traceHeat } from '@saltflat/core/route';
import { formatDuration, formatMoney } from '@saltflat/core/units';
import { useEffect, useState } from 'react';
import { usePerson } from '../../person/personSlice.ts';
import { HeatTrace } from '../../trace/index.ts';
import { useUnits } from '../../units/unitsSlice.ts';
import { OperationRow } from './OperationRow.tsx';
import { WhyPanel } from './WhyPanel.tsx';
import type { OwnValue } from './WhyPanel.tsx';
import './route.css';

interface Props {
  version: RouteVersion;
  versions: readonly RouteVersion[];
  /** False once the line is on the floor, or an old version is shown. */
  isOpen: boolean;
  onShow: (number: number) => void;
  /** Plans a new version; a sentence when it is refused. */
  onOverride: (operation: string, setting: string, own: OwnValue) => Promise<string | null>;
  onTakeBack: (operation: string, setting: string) => void;
}

/** A route: the heat trace on top, an operation a row, every setting with its reasons one click away. */
export function RouteView({ version, versions, isOpen, onShow, onOverride, onTakeBack }: Props) {
  const system = useUnits();
  const person = usePerson();
  const [picked, setPicked] = useState<{ operation: string; setting: string } | null>(null);
  const [lit, setLit] = useState<string | null>(null);
  const { route, cost } = version;
  const operation = route.operations.find(({ id }) => id === picked?.operation);
  const setting = operation?.settings.find(({ key }) => key === picked?.setting);
  const trace = traceHeat(route.operations).map((segment) => ({
    ...segment,
    durationS: segment.toS - segment.fromS,
  }));
  useEffect(() => {
    if (lit) document.getElementById(`operation-${lit}`)?.scrollIntoView({ block: 'center' });
  }, [lit]);

  return (
    <div className="stack">
      <section className="panel" aria-label="Heat trace" style={{ padding: '16px 8px 4px' }}>
        <HeatTrace pieces={trace} height={172} current={lit} onPick={setLit} />
      </section>
      {route.conflicts.length > 0 && (
        <section className="alarm" role="status" aria-label="Conflicts">
          {route.conflicts.map(({ text }) => (
            <p key={text}>■ {text}</p>
          ))}
        </section>
      )}
      <div className="route-split" data-why={setting !== undefined}>
        <ol className="panel operations" aria-label="Operations">
          {route.operations.map((own) => (
            <OperationRow
              key={own.id}
              operation={own}
              isLit={own.id === lit}
              picked={own.id === picked?.operation ? picked.setting : null}
              system={system}
              onPick={(key) =>
                setPicked(
                  picked?.operation === own.id && picked.setting === key
                    ? null
                    : { operation: own.id, setting: key },
                )
              }
            />
          ))}
        </ol>
        <div className="stack route-side">
          {operation && setting && (
            <WhyPanel
              key={`${operation.id}/${setting.key}/${version.number}`}
              operation={operation}
              setting={setting}
              system={system}
              who={person}
              onOverride={isOpen ? (own) => onOverride(operation.id, setting.key, own) : null}
              onTakeBack={isOpen ? () => onTakeBack(operation.id, setting.key) : null}
              onClose={() => setPicked(null)}
            />
          )}
          <section className="panel" aria-label="Time and cost">
            <header>
              <h2>{version.pieces} pieces</h2>
            </header>
            <table className="dense">
              <tbody>
                <Row name="Hands-on, all pieces" value={formatDuration(route.totals.handsS)} />
                <Row name="Elapsed, one person" value={formatDuration(route.totals.elapsedS)} />
                <Row name="Blank" value={formatMoney(cost.blankCents)} />
                {cost.materials.map(({ what, cents, isAssumed }) => (
                  <Row
                    key={what}
                    name={what}
                    value={formatMoney(cents)}
                    note={isAssumed ? 'assumed use' : ''}
                  />
                ))}
                <Row name="Labour" value={formatMoney(cost.labourCents)} note="assumed rate" />
                <Row name="Spoilage" value={formatMoney(cost.spoilageCents)} note="assumed 3 %" />
                <Row name="Cost per piece" value={formatMoney(cost.totalCents)} isSum />
              </tbody>
            </table>
          </section>
          <section className="panel" aria-label="Versions">
            <header>
              <h2>Versions</h2>
            </header>
            <ul>
              {versions.map((own) => (
                <li key={own.number}>
                  <button
                    type="button"
                    className="version"
                    aria-current={own.number === version.number}
                    onClick={() => onShow(own.number)}
                  >
                    <strong>Version {own.number}</strong>
                    <span className="muted small">
                      {new Date(own.createdAt).toLocaleString('en-GB', {
                        dateStyle: 'medium',
                        timeStyle: 'short',
                      })}
                      {own.overrides.length > 0 &&
                        `, ${own.overrides.length} changed by ${[...new Set(own.overrides.map(({ who }) => who))].join(', ')}`}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
    </div>
  );
}

function Row({
  name,
  value,
  note = '',
  isSum = false,
}: {
  name: string;
  value: string;
  note?: string;
  isSum?: boolean;
}) {
  return (
    <tr style={isSum ? { fontWeight: 650 } : undefined}>
      <td>
        {name} {note !== '' && <span className="muted small">{note}</span>}
      </td>
      <td className="number nowrap">{value}</td>
    </tr>
  );
}
