import type { PrintProcess } from '../../artwork/index.ts';
import type { Garment } from '../../blank/index.ts';
import type { Process, PrintInput } from '../documents.ts';
import type { InkUse } from '../materials.ts';
import type { Practice } from '../practice.ts';

/** How a finished print looks and feels, 0–1 each, with the words for it. Judgements of the trade, not measurements. */
export interface Look {
  /** How well white hides what is under it. */
  opacity: number;
  /** Softness: 1 is as if nothing were there. */
  softness: number;
  /** Whether air and sweat still get through. */
  breathing: number;
  stretch: number;
  words: string;
}

/** A line with one of its prints before a process is chosen; the print's own figures come with each process. */
export type LineInput = Omit<PrintInput, 'id' | 'process' | 'overrides'>;

/** How a finished print bears another plate. */
export interface HeatedAgainRule {
  /**
   * Harm by a degree-second under the plate, against a film transfer's; `null` where it must not be heated again at all.
   * Judgements of the trade, not measurements.
   */
  harm: number | null;
  /** What happens, and what to do about it; where it is forbidden, why. */
  text: string;
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
  /** The ink it is printed with here; `null` where somebody else prints. */
  ink: InkUse | null;
  /** In work order. */
  practices: readonly Practice[];
  /** Sentences why it cannot be done for this line at all; empty where it can. */
  refusals: (line: LineInput) => string[];
  look: (line: LineInput) => Look;
  /** What goes wrong when it goes wrong, worst first. */
  risks: (line: LineInput) => string[];
  /** What another print's heat does to this one once it is on. */
  heatedAgain: HeatedAgainRule;
  /** What a piece must rest after the last step before it may leave, s. */
  restBeforeDispatchS: number;
}
