import type { PrintProcess } from '../../artwork/index.ts';
import type { Garment } from '../../blank/index.ts';
import type { Said } from '../../words/index.ts';
import type { Process, PrintInput } from '../documents.ts';
import type { Practice } from '../practice.ts';
import type { SourceRole } from '../sources/index.ts';

/** How a finished print looks and feels, 0–1 each, with what is said of it. Judgements of the trade, not measurements. */
export interface Look {
  /** How well white hides what is under it. */
  opacity: number;
  /** Softness: 1 is as if nothing were there. */
  softness: number;
  /** Whether air and sweat still get through. */
  breathing: number;
  stretch: number;
  said: Said;
}

/** A line with one of its prints, by the process that is asked about it: the print's own figures come with each. */
export type LineInput = Omit<PrintInput, 'id' | 'overrides'>;

/** How a finished print bears another plate. */
export interface HeatedAgainRule {
  /**
   * Harm by a degree-second under the plate, against a film transfer's; `null` where it must not be heated again at all.
   * Judgements of the trade, not measurements.
   */
  harm: number | null;
  /** What happens, and what to do about it; where it is forbidden, why. */
  said: Said;
}

/** One way of getting a print onto a blank: its own file, its own practices. */
export interface ProcessModule {
  id: Process;
  /** As people call it. */
  name: string;
  /** For narrow columns. */
  shortName: string;
  /** How its artwork is measured and separated on a blank of this colour. */
  artProcess: (garment: Pick<Garment, 'tone'>) => PrintProcess;
  /** What things of the set-up it is made with. */
  sources: (line: LineInput) => readonly SourceRole[];
  /** In work order. */
  practices: readonly Practice[];
  /** Why it cannot be done for this line at all; empty where it can. */
  refusals: (line: LineInput) => Said[];
  look: (line: LineInput) => Look;
  /** What goes wrong when it goes wrong, worst first. */
  risks: (line: LineInput) => Said[];
  /** What another print's heat does to this one once it is on. */
  heatedAgain: HeatedAgainRule;
  /** What a piece must rest after the last step before it may leave, s. */
  restBeforeDispatchS: number;
}
