import { DomainError } from '@saltflat/contract';
import type { Machine, Run } from '@saltflat/contract';
import type { StepState } from '@saltflat/core/run';
import type { Operation } from '@saltflat/core/work';

/** What stands in for a machine, and tells what is with it. */
interface StandIn<S> {
  read: (nowMs: number) => S;
}

interface Needs<T> {
  kind: Machine['kind'];
  machines: () => Promise<readonly Machine[]>;
  make: (machine: Machine) => T;
  /** Says that there is no such machine. */
  unknown: string;
  now: () => number;
}

/** A stand-in for each machine of a kind that is set up, made when it is first asked for. Each server has its own. */
export class StandIns<S, T extends StandIn<S>> {
  private readonly known = new Map<string, T>();
  private readonly listeners = new Set<(said: S) => void>();

  constructor(private readonly needs: Needs<T>) {}

  async list(): Promise<S[]> {
    const { machines, kind, now } = this.needs;
    const own = (await machines()).filter((machine) => machine.kind === kind);
    return own.map((machine) => this.of(machine).read(now()));
  }

  /**
   * Does something to one, and tells whoever listens what it says then.
   *
   * @throws DomainError `not-found`
   */
  async change(machineId: string, act: (standIn: T, nowMs: number) => void): Promise<S> {
    const { machines, kind, unknown, now } = this.needs;
    const machine = (await machines()).find((own) => own.id === machineId && own.kind === kind);
    if (!machine) throw new DomainError('not-found', unknown);
    const standIn = this.of(machine);
    act(standIn, now());
    const said = standIn.read(now());
    this.tell(said);
    return said;
  }

  /** Those that were ever asked for. */
  all(): Iterable<T> {
    return this.known.values();
  }

  isHeard(): boolean {
    return this.listeners.size > 0;
  }

  tell(said: S): void {
    for (const listener of this.listeners) listener(said);
  }

  subscribe(listener: (said: S) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  private of(machine: Machine): T {
    const known = this.known.get(machine.id) ?? this.needs.make(machine);
    this.known.set(machine.id, known);
    return known;
  }
}

/** A step of a run as it stands now. */
interface StepNow {
  run: Pick<Run, 'lines'>;
  step: StepState;
}

/**
 * The operation of a step that a machine is to do.
 *
 * @throws DomainError `not-now`, in the machine's own words, where it is another's work or done already
 */
export function operationToDo(
  { run, step }: StepNow,
  role: Operation['role'],
  says: { other: string; done: string },
): Operation {
  const operation = run.lines.find(({ key }) => key === step.line)?.route.operations[step.index];
  if (operation?.role !== role) throw new DomainError('not-now', says.other);
  if (step.status === 'done' || step.status === 'dropped') throw new DomainError('not-now', says.done);
  return operation;
}
