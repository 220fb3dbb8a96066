import { partsIn, timedPhases } from '../work/index.ts';
import type { PlannedStep } from './compileSteps.ts';
import type { RunEvent } from './events.ts';
import { nameOfFormer } from './formerSteps.ts';
import { shapeOf } from './lineShape.ts';
import { linesOf, openingOf, operationFor, shapeFor } from './needs.ts';
import type { CurrentPart, Lines } from './needs.ts';
import { partId, readStepId, stepId } from './runPlan.ts';
import type { PartName, RunLine, RunOperation, RunPlan } from './runPlan.ts';
import { Serving } from './serving.ts';
import { NO_STEP, idleStep, notePhase, noteReading, noteReady } from './noting.ts';
import type { Loss, PartState, RunState, StepState } from './runState.ts';

/** A run's state as events are applied to it one after another, none of them taken back. */
export class Replay {
  readonly state: RunState;
  private readonly plan: RunPlan;
  private readonly lines: Lines;
  private readonly byId = new Map<string, StepState>();
  /** The last step that makes things again, by operation: what is lost next joins it while it waits. */
  private readonly again = new Map<RunOperation, StepState>();
  private readonly serving: Serving;
  /** Parts of one kind that a step can have at most. */
  private readonly most: number;
  /** The step a part is in at an operation of its lane, by operation and part. */
  private readonly at = new Map<RunOperation, Map<string, StepState>>();

  constructor(plan: RunPlan, steps: readonly PlannedStep[]) {
    this.plan = plan;
    this.lines = linesOf(plan);
    this.most = plan.lines.reduce(
      (sum, { lanes, pieces }) => sum + pieces + Math.max(0, ...lanes.map(({ spares }) => spares)),
      0,
    );
    this.state = {
      steps: [],
      parts: Object.create(null) as RunState['parts'], // a dictionary from the beginning: thousands of names
      serving: Object.create(null) as RunState['serving'],
      flow: plan.flow,
      readied: {},
      pieces: 0,
      settled: Object.fromEntries(plan.lines.map(({ key }) => [key, 0])),
      finishedLines: Object.fromEntries(plan.lines.map(({ key }) => [key, null])),
      outcomes: [],
      losses: [],
      problem: null,
      startedAt: null,
      finishedAt: null,
      lastEventId: null,
      ignored: [],
    };
    this.serving = new Serving(this.state.serving);
    for (const line of plan.lines)
      for (const { id: lane } of line.lanes)
        for (let slot = 1; slot <= partsIn(line.lanes, lane, line.pieces); slot++)
          this.addPart({ line: line.key, lane, slot, attempt: 1 }, slot <= line.pieces ? slot : 0);
    for (const { id, line, operation, parts } of steps)
      this.addStep(
        idleStep(
          id,
          this.lines.get(line)!,
          operation,
          parts.map((part) => part.id),
        ),
      );
  }

  apply(event: RunEvent): void {
    const refusal = this.take(event);
    if (refusal !== null) {
      this.state.ignored.push({ eventId: event.id, why: refusal });
      return;
    }
    this.state.startedAt ??= event.at;
    this.state.lastEventId = event.id;
  }

  /** Applies what can be applied. @returns why it cannot be any more, or `null` */
  private take(event: RunEvent): string | null {
    const { kind, payload, at, by } = event;
    switch (kind) {
      case 'problem-raised':
        this.state.problem = { text: payload.problem ?? '', at, by };
        return null;
      case 'problem-cleared':
        this.state.problem = null;
        return null;
      case 'flow-changed':
        if (payload.flow === undefined) return 'it names no flow';
        this.state.flow = payload.flow;
        return null;
      case 'part-lost':
        return this.takeLoss(event);
      case 'readied':
        return noteReady(event, this.state, this.lines, this.most);
      default:
        return this.takeStep(event);
    }
  }

  private takeStep(event: RunEvent): string | null {
    const step = this.stepFor(event.step ?? '');
    if (typeof step === 'string') return step;
    const refusal = this.refuse(event, step);
    if (refusal !== null) return refusal;
    const own = this.settle(step);
    this.begin(own, event.at);
    const { reading, inspection, phase } = event.payload;
    if (event.kind === 'phase-started' && phase !== undefined) notePhase(own, phase, event.at);
    if (event.kind === 'reading-taken' && reading) noteReading(own, reading, event.at);
    if (event.kind === 'step-completed' || event.kind === 'piece-inspected') this.complete(own, event.at);
    if (event.kind === 'piece-inspected' && inspection) {
      for (const id of own.parts) this.judge(this.state.parts[id], own, event, inspection);
    }
    return null;
  }

  /** Why an event cannot be applied to its step any more, or `null` when it can. */
  private refuse({ kind, payload }: RunEvent, step: StepState): string | null {
    if (step.status === 'done') return 'the step was already done';
    if (step.status === 'dropped') return 'what was in it is lost';
    if (kind === 'step-started' && step.status === 'running') return 'the step was already running';
    const opening = step.status === 'running' ? null : openingOf(this.lines, this.state, step, this.latestOf);
    if (typeof opening === 'string') return opening;
    const operation = this.operationOf(step);
    const isInspection = operation.role === 'inspect';
    if (kind === 'step-completed' && isInspection) return 'an inspection needs a verdict';
    if (kind === 'piece-inspected' && !(isInspection && payload.inspection))
      return 'this step is no inspection';
    if (kind === 'reading-taken' && !payload.reading) return 'the reading is empty';
    if (kind === 'phase-started') {
      const phases = timedPhases(operation).length;
      if (payload.phase === undefined || payload.phase >= phases) return 'it has no such phase';
      if (payload.phase <= step.phase) return 'that phase has begun already';
    }
    return null;
  }

  /**
   * The step of this name; where parts were put together otherwise than planned, what they would be in.
   *
   * @returns a sentence where there is none
   */
  private stepFor(text: string): StepState | string {
    const name = this.plan.lines.length === 1 ? nameOfFormer(text, this.plan.lines[0], this.state) : text;
    const known = this.byId.get(name);
    if (known) return known;
    const read = readStepId(name, this.most);
    const first = read?.parts[0];
    const line = first && this.lines.get(first.line);
    const operation = line && read && shapeOf(line).byId.get(read.operation);
    if (!read || !line || !operation) return NO_STEP;
    const ids = read.parts.map(partId);
    const step = idleStep(name, line, operation, ids);
    for (const id of ids) {
      const part = this.state.parts[id];
      const found = part && this.stepAt(part, step);
      if (!part || !found) return part?.isLost ? 'what was in it is lost' : NO_STEP;
      if (found.status === 'done') return 'the step was already done';
      if (found.status !== 'idle') return 'it is in another step that runs';
    }
    return new Set(ids).size === ids.length ? step : NO_STEP;
  }

  /** Makes a grouping of its own the step these parts are in; those they leave go on with the others. */
  private settle(step: StepState): StepState {
    if (this.byId.get(step.id) === step) return step;
    const first = this.stepAt(this.state.parts[step.parts[0]], step);
    const place = first ? this.state.steps.indexOf(first) : this.state.steps.length;
    for (const id of step.parts) this.leave(this.state.parts[id], step);
    this.addStep(step, Math.min(place, this.state.steps.length));
    return step;
  }

  /** Takes a part out of the idle step it is in at a step's operation. */
  private leave(part: PartState, at: Pick<StepState, 'line' | 'operation'>): void {
    const step = this.stepAt(part, at);
    if (step?.status !== 'idle') return;
    this.byId.delete(step.id);
    const rest = step.parts.filter((id) => id !== part.id);
    step.parts = rest;
    if (rest.length === 0) {
      this.state.steps.splice(this.state.steps.indexOf(step), 1);
      return;
    }
    step.id = stepId(
      step.operation,
      rest.map((id) => this.state.parts[id]),
    );
    this.byId.set(step.id, step);
  }

  private begin(step: StepState, at: string): void {
    if (step.status === 'running') return;
    step.status = 'running';
    step.startedAt = at;
    step.phaseAt = at;
    for (const id of step.parts) this.state.parts[id].runningIn = step.id;
  }

  private complete(step: StepState, at: string): void {
    step.status = 'done';
    step.completedAt = at;
    for (const id of step.parts) {
      const part = this.state.parts[id];
      const operation = operationFor(part, step, this.lines);
      part.runningIn = null;
      part.done++;
      part.doneAt = at;
      for (const lane of operation?.takes ?? []) {
        const joined = this.latestOf(part, lane);
        if (joined) joined.joinedTo = part.id;
      }
    }
  }

  private judge(
    part: PartState,
    step: StepState,
    { at, by }: RunEvent,
    { verdict, faults, note, photo }: NonNullable<RunEvent['payload']['inspection']>,
  ): void {
    const seen = { faults, note: note ?? null, photo: photo ?? null, at, by };
    const { line, operation } = step;
    this.state.outcomes.push({ line, piece: part.number, part: part.id, operation, verdict, ...seen });
    if (verdict === 'good') this.settleOne(line, at);
    else this.lose(part, { part: part.id, operation, isReplaced: verdict === 'reprint', ...seen });
  }

  private takeLoss({ payload: { lost }, at, by }: RunEvent): string | null {
    if (!lost) return 'it names no part';
    if (!Object.hasOwn(this.state.parts, lost.part)) return 'there is no such part';
    const part = this.state.parts[lost.part];
    if (part.isLost) return 'it was lost already';
    const shape = shapeFor(part, this.lines);
    const chain = shape?.chains.get(part.lane) ?? [];
    const isPiece = part.lane === shape?.root;
    if (part.joinedTo !== null) return 'it is one with its piece by now';
    if (isPiece && part.done === chain.length) return 'the piece is judged already';
    const operation = (chain[part.done] ?? chain[chain.length - 1])?.id ?? '';
    const { isReplaced, faults, note, photo } = lost;
    const seen = { faults, note: note ?? null, photo: photo ?? null, at, by };
    if (isPiece) {
      const verdict = isReplaced ? 'reprint' : 'scrap';
      const { line, number } = part;
      this.state.outcomes.push({ line, piece: number, part: part.id, operation, verdict, ...seen });
    } else if (!isReplaced && part.piece > 0)
      return 'without it its piece cannot be made: say that the piece is scrap';
    this.lose(part, { part: part.id, operation, isReplaced, ...seen });
    return null;
  }

  /** One more piece of a line is judged for good; with the last of it the line is finished, with the last line the run. */
  private settleOne(key: string, at: string): void {
    const settled = (this.state.settled[key] ?? 0) + 1;
    this.state.settled[key] = settled;
    if (settled !== this.lines.get(key)?.pieces) return;
    this.state.finishedLines[key] = at;
    if (Object.values(this.state.finishedLines).every((own) => own !== null)) this.state.finishedAt = at;
  }

  /** What is lost takes with it what has been joined to it; exactly that is made again. */
  private lose(part: PartState, loss: Loss): void {
    this.state.losses.push(loss);
    const gone = this.withJoined(part);
    for (const own of gone) {
      own.isLost = true;
      this.takeOut(own);
    }
    if (part.piece === 0) return; // a spare that nobody waits for
    if (!loss.isReplaced) {
      this.settleOne(part.line, loss.at);
      this.forget(part);
      return;
    }
    for (const own of gone) this.replace(own);
  }

  private withJoined(part: PartState): PartState[] {
    const shape = shapeFor(part, this.lines);
    const joined = (shape?.chains.get(part.lane) ?? [])
      .flatMap(({ takes }) => takes)
      .map((lane) => this.latestOf(part, lane))
      .filter((own) => own !== null && own.joinedTo === part.id && !own.isLost) as PartState[];
    return [part, ...joined.flatMap((own) => this.withJoined(own))];
  }

  /** Out of the step it is in, of those it was to go through, and of the step that was joining it. */
  private takeOut(part: PartState): void {
    const running = part.runningIn === null ? null : this.byId.get(part.runningIn);
    part.runningIn = null;
    if (running) {
      running.parts = running.parts.filter((id) => id !== part.id);
      if (running.parts.length === 0) running.status = 'dropped';
    }
    this.leaveAll(part);
    this.stopJoining(part);
  }

  private leaveAll(part: PartState): void {
    const shape = shapeFor(part, this.lines);
    for (const { id } of shape?.chains.get(part.lane) ?? [])
      this.leave(part, { line: part.line, operation: id });
  }

  /** A step that was about to join a part that is lost has not begun. */
  private stopJoining(part: PartState): void {
    const line = this.lines.get(part.line);
    const joining = line?.operations.find(({ takes }) => takes.includes(part.lane));
    const host = joining && this.latestOf(part, joining.lane);
    const step = host?.runningIn != null && joining ? this.byId.get(host.runningIn) : undefined;
    if (!host || step?.operation !== joining?.id || !step || part.joinedTo !== null) return;
    step.status = 'idle';
    step.startedAt = null;
    step.phase = 0;
    step.phaseAt = null;
    for (const id of step.parts) this.state.parts[id].runningIn = null;
  }

  /** Nothing more is made for a piece that is not made again; what lies ready for it is a spare from then on. */
  private forget({ line, piece }: PartState): void {
    for (const { id: lane } of this.lines.get(line)?.lanes ?? []) {
      const own = this.latestOf({ line, piece }, lane);
      if (own && own.runningIn === null) this.leaveAll(own);
      if (own && !own.isLost && own.joinedTo === null && this.isReady(own)) {
        this.serving.release(own);
      }
    }
  }

  private isReady(part: PartState): boolean {
    return part.done === (shapeFor(part, this.lines)?.chains.get(part.lane)?.length ?? -1);
  }

  /** A spare takes its place; where there is none, another is made. */
  private replace(lost: PartState): void {
    const spare = this.serving.spareFor(lost);
    if (spare) this.serving.assign(spare, lost.piece);
    else this.makeAgain(lost);
  }

  /** Another goes the whole way, but for what was set up for all of the line: that is still so. */
  private makeAgain({ line: key, lane, piece: slot, done }: PartState): void {
    const line = this.lines.get(key);
    if (!line) return;
    const attempt = this.serving.madeFor(key, lane, slot) + 1;
    const part = this.addPart({ line: key, lane, slot, attempt }, slot);
    const chain = shapeOf(line).chains.get(lane) ?? [];
    const first = chain.findIndex(({ role, unit }, i) => i >= done || role !== 'set-up' || unit !== 'line');
    part.done = Math.max(0, first);
    let hurried: StepState | null = null;
    for (const operation of chain.slice(part.done)) {
      const step = this.joinAgain(line, operation, { part, hurried });
      hurried = operation.waitAfter?.maxS == null ? null : step;
    }
  }

  /**
   * Things made again go together as far as they can: with those that wait for the same, up to what fits.
   *
   * @param hurried what it comes from where it may not stand for long: only what comes from there too is waited for
   */
  private joinAgain(
    line: RunLine,
    operation: RunOperation,
    { part, hurried }: { part: PartState; hurried: StepState | null },
  ): StepState {
    const most = operation.unit === 'piece' ? 1 : (operation.size ?? Infinity);
    const last = this.again.get(operation);
    const isOpen =
      last?.status === 'idle' &&
      last.line === line.key &&
      last.parts.length > 0 &&
      last.parts.length < most &&
      (hurried === null || last.parts.every((id) => hurried.parts.includes(id)));
    const open = isOpen ? last : undefined;
    if (!open) {
      const step = idleStep(stepId(operation.id, [part]), line, operation, [part.id]);
      this.again.set(operation, step);
      this.addStep(step);
      return step;
    }
    this.byId.delete(open.id);
    open.parts.push(part.id);
    open.id = stepId(
      open.operation,
      open.parts.map((id) => this.state.parts[id]),
    );
    this.byId.set(open.id, open);
    this.put(part.id, operation, open);
    return open;
  }

  /** @param piece it is for; 0 for a spare */
  private addPart(name: PartName, piece: number): PartState {
    const line = this.lines.get(name.line);
    const isPiece = line !== undefined && shapeOf(line).root === name.lane;
    const number = isPiece ? ++this.state.pieces : 0;
    const { lane, slot, attempt } = name;
    const part: PartState = {
      line: name.line,
      lane,
      slot,
      attempt,
      id: partId(name),
      done: 0,
      doneAt: null,
      runningIn: null,
      joinedTo: null,
      isLost: false,
      piece: 0,
      number,
    };
    this.state.parts[part.id] = part;
    this.serving.add(part, piece);
    return part;
  }

  private addStep(step: StepState, place = this.state.steps.length): void {
    if (place === this.state.steps.length) this.state.steps.push(step);
    else this.state.steps.splice(place, 0, step);
    this.byId.set(step.id, step);
    for (const id of step.parts) {
      const part = this.state.parts[id];
      const operation = part && operationFor(part, step, this.lines);
      if (operation) this.put(part.id, operation, step);
    }
  }

  /** The part that is for a piece now in a lane. */
  private readonly latestOf: CurrentPart = (part, lane) => this.serving.current(part, lane);

  private put(part: string, operation: RunOperation, step: StepState): void {
    const own = this.at.get(operation);
    if (own) own.set(part, step);
    else this.at.set(operation, new Map([[part, step]]));
  }

  private stepAt(part: PartState, step: Pick<StepState, 'line' | 'operation'>): StepState | undefined {
    const operation = operationFor(part, step, this.lines);
    const found = operation ? this.at.get(operation)?.get(part.id) : undefined;
    return found?.parts.includes(part.id) ? found : undefined;
  }

  private operationOf({ line, operation }: StepState): RunOperation {
    const own = this.lines.get(line);
    return (own && shapeOf(own).byId.get(operation)) as RunOperation;
  }
}
