import type { Setting } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { printModeFor } from './equip.ts';
import { needsWhite } from './fabric.ts';
import type { Printer } from './machines.ts';
import type { Settle } from './practice.ts';
import { practiceLimit, tradeReason } from './proposals.ts';
import { spanOf } from './resolveSetting.ts';
import { TRADE } from './tradeRanges.ts';

/**
 * How a print is laid down: passes and direction by how much of it is solid, colour by what it goes on. Shares are
 * against the file as it is.
 */
export function settlePrint(input: PrintInput, printer: Printer, settle: Settle): Setting[] {
  const isFilm = input.process !== 'dtg';
  const { isSolid, ...mode } = printModeFor(input, printer);
  const ground = isFilm ? 'film' : needsWhite(input.garment) ? 'dark' : 'light';
  const [ink, colour] = [TRADE.inkLimitShare, COLOUR[ground]];
  const ofTheFile = { kind: 'share', ability: { min: 0, max: 3 } } as const;
  return [
    settle({
      key: 'passes',
      sets: 'passes',
      label: 'Passes',
      kind: 'count',
      reasons: [tradeReason(mode.passes, mode.said)],
      limits: [],
      ability: { min: 1, max: Math.max(mode.passes, ...printer.modes.map(({ passes }) => passes)) },
    }),
    settle({
      key: 'oneWay',
      sets: 'one-way',
      label: 'One direction',
      kind: 'flag',
      reasons: [tradeReason(isSolid ? 1 : 0, say('reason.one-way', { isSolid }))],
      limits: [],
      ability: { min: 0, max: 1 },
    }),
    settle({
      ...ofTheFile,
      key: 'saturation',
      sets: 'saturation',
      label: 'Saturation',
      reasons: [tradeReason(colour.saturation.start, say('reason.saturation', { ground }))],
      limits: [practiceLimit(colour.saturation, 'colour')],
    }),
    settle({
      ...ofTheFile,
      key: 'brightness',
      sets: 'brightness',
      label: 'Brightness',
      reasons: [tradeReason(colour.brightness.start, say('reason.brightness', { ground }))],
      limits: [practiceLimit(colour.brightness, 'colour')],
    }),
    settle({
      ...ofTheFile,
      key: 'contrast',
      sets: 'contrast',
      label: 'Contrast',
      reasons: [tradeReason(TRADE.contrastShare.start, say('reason.contrast', { ground }))],
      limits:
        ground === 'dark'
          ? [{ min: null, max: 1, said: say('limit.contrast-dark') }]
          : [practiceLimit(TRADE.contrastShare, 'colour')],
    }),
    settle({
      key: 'inkLimit',
      sets: 'ink-limit',
      label: 'Ink limit',
      kind: 'share',
      reasons: [
        tradeReason(isSolid ? ink.min : ink.start, say('reason.ink-limit', { isSolid, ...spanOf(ink) })),
      ],
      limits: [practiceLimit(ink, 'ink-limit')],
      ability: { min: 0.1, max: 1 },
    }),
  ];
}

const COLOUR = {
  film: { saturation: TRADE.saturationPlainShare, brightness: TRADE.brightnessFilmShare },
  dark: { saturation: TRADE.saturationDarkShare, brightness: TRADE.brightnessPlainShare },
  light: { saturation: TRADE.saturationPlainShare, brightness: TRADE.brightnessPlainShare },
} as const;
