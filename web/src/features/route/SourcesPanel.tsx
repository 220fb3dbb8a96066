import { rich, t } from '../../words/index.ts';
import { SOURCE_NAMES } from '@saltflat/core/words';
import type { RouteSource, SourceChoice } from '@saltflat/core/route';
import { useState } from 'react';
import { TakeBack } from './TakeBack.tsx';
import { useWords } from '../../units/useWords.ts';
import type { Signed } from '@saltflat/contract';
import { FilledText } from '../../form/index.ts';
import { useSigning } from './signing.ts';
import { Button, Columns, FieldProblem, Form, Panel, ReasonSelect } from '../../ui/index.ts';

type Picked = Pick<SourceChoice, 'role' | 'id'>;

interface Props {
  /** Which print, in words. */
  of: string;
  sources: readonly RouteSource[];
  /** Roles somebody chose a thing for. */
  chosen: readonly SourceChoice['role'][];
  /** False where the route cannot be changed any more. */
  isOpen: boolean;
  who: string;
  /** Plans with another thing; a sentence when it is refused. */
  onChoose: (picked: Picked, signed: Signed) => Promise<string | null>;
  onTakeBack: (role: SourceChoice['role']) => Promise<string | null>;
}

/** What a print is made with: each thing with why it was taken and what else there was; another can be chosen. */
export function SourcesPanel({ of, sources, chosen, isOpen, who, onChoose, onTakeBack }: Props) {
  const words = useWords();
  const [picked, setPicked] = useState<Picked | null>(null);
  if (sources.length === 0) return null;
  return (
    <Panel
      title={t('Made with')}
      label={t('Made with, {of}', { of: of.toLowerCase() })}
      says={t('of what fits, and why')}
      pad="4px 16px 12px"
    >
      <Columns as="dl" least={260} gap={16}>
        {sources.map((source) => {
          const { role, id, name, why, others } = source;
          const mine = picked?.role === role ? picked.id : id;
          const isChosen = chosen.includes(role);
          return (
            <div key={role}>
              <dt className="muted small">{SOURCE_NAMES[role]}</dt>
              <dd>
                {isOpen && others.some(({ isPossible }) => isPossible) ? (
                  <ReasonSelect
                    label={SOURCE_NAMES[role]}
                    isNameHidden
                    value={mine}
                    options={[
                      { value: id, label: name },
                      ...others.map((other) => ({
                        value: other.id,
                        label: other.name,
                        says: words(other.why),
                        disabled: !other.isPossible,
                      })),
                    ]}
                    onChange={(next) => setPicked(next === id ? null : { role, id: next })}
                  />
                ) : (
                  <strong>{name}</strong>
                )}
                <div className="muted small">
                  {isChosen && '◆ '}
                  {words(why)}
                </div>
                {others
                  .filter(({ isPossible }) => !isPossible)
                  .map((other) => (
                    <div key={other.id} className="muted small">
                      {rich('Not {name}: {why}', { name: other.name, why: words(other.why) })}
                    </div>
                  ))}
                {isChosen && isOpen && picked?.role !== role && (
                  <TakeBack words={t('What fits best')} onTakeBack={() => onTakeBack(role)} />
                )}
                {picked?.role === role && (
                  <SignChoice
                    who={who}
                    onSign={async (signed) => {
                      const refusal = await onChoose(picked, signed);
                      if (refusal === null) setPicked(null);
                      return refusal;
                    }}
                    onGiveUp={() => setPicked(null)}
                  />
                )}
              </dd>
            </div>
          );
        })}
      </Columns>
    </Panel>
  );
}

/** Who chose it and why: both are kept with the route. */
function SignChoice({
  who,
  onSign,
  onGiveUp,
}: {
  who: string;
  onSign: (signed: Signed) => Promise<string | null>;
  onGiveUp: () => void;
}) {
  const signing = useSigning(who, onSign);
  return (
    <Form isRow gap={8} onSubmit={signing.submit}>
      <FilledText filling={signing} name="who" label={t('Who')} />
      <FilledText filling={signing} name="why" label={t('Why')} />
      <Button look="primary" type="submit" size="small" isBusy={signing.isSending}>
        {t('Plan with it')}
      </Button>
      <Button size="small" onClick={onGiveUp}>
        {t('As it was')}
      </Button>
      <FieldProblem>{signing.refusal}</FieldProblem>
    </Form>
  );
}
