import type { TSchema } from 'typebox';
import { BackupSettings } from './backups.ts';
import {
  BlankInput,
  MACHINE_DOCUMENTS,
  MACHINE_HEAD,
  MATERIAL_DOCUMENTS,
  MATERIAL_HEAD,
} from './catalogue.ts';
import { LotInput } from './lots.ts';
import { OrderInput, OverruleWords } from './orders.ts';
import { ProofAnswerInput } from './preparations.ts';
import { QuoteAcceptance, QuoteGiving } from './quotes.ts';
import { Signed } from './routes.ts';
import { strictObject } from './scalars.ts';
import { BenchNoteInput } from './benchNotes.ts';
import { CalibrationInput, PressureTestInput, SurveyInput } from './pressChecks.ts';
import { BoughtPacketInput, ShelfMoveInput, ShelfPacketInput } from './shelf.ts';
import { SprayWeighingInput } from './sprayers.ts';
import { RatesDocument } from './shopSettings.ts';
import { WritingDocument } from './writing.ts';

/** A record with the document of its own kind in it. */
const whole = (
  head: { properties: Record<string, TSchema> },
  documents: Record<string, TSchema>,
): Record<string, TSchema> =>
  Object.fromEntries(
    Object.entries(documents).map(([kind, properties]) => [
      kind,
      strictObject({ ...head.properties, properties }),
    ]),
  );

/**
 * What is filled in on a page, by the sheet it belongs to and its name there. A page may not make code of text, so its checks are
 * compiled ahead: of the same schemas as the server's, a sheet at a time, since few pages need more than one.
 */
export const FORMS: Record<string, Record<string, TSchema>> = {
  order: { order: OrderInput },
  blank: { blank: BlankInput },
  materials: whole(MATERIAL_HEAD, MATERIAL_DOCUMENTS),
  machines: whole(MACHINE_HEAD, MACHINE_DOCUMENTS),
  settings: { rates: RatesDocument, writing: WritingDocument, backups: BackupSettings },
  press: {
    survey: SurveyInput,
    pressure: PressureTestInput,
    calibration: CalibrationInput,
    'bench-note': BenchNoteInput,
  },
  spray: { weighing: SprayWeighingInput },
  shelf: { packet: ShelfPacketInput, bought: BoughtPacketInput, move: ShelfMoveInput },
  words: {
    signed: Signed,
    overrule: OverruleWords,
    lot: LotInput,
    'quote-given': QuoteGiving,
    'quote-accepted': QuoteAcceptance,
    proof: ProofAnswerInput,
  },
};
