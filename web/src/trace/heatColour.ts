const RAMP: readonly [number, number, number, number][] = [
  [20, 0x5b, 0x70, 0x83],
  [90, 0x6e, 0x5b, 0xa6],
  [130, 0xc2, 0x40, 0x7a],
  [165, 0xe5, 0x8a, 0x1f],
  [200, 0xf6, 0xc4, 0x45],
];

/** Colour of a temperature: slate, violet, rose, amber. Only ever shown beside its number. */
export function heatColour(tempC: number): string {
  const upper = RAMP.findIndex(([at]) => tempC <= at);
  const to = RAMP[upper < 0 ? RAMP.length - 1 : upper] ?? RAMP[0];
  const from = RAMP[Math.max(0, (upper < 0 ? RAMP.length - 1 : upper) - 1)] ?? to;
  if (!to || !from) return '#5b7083';
  const share = to[0] === from[0] ? 1 : Math.min(1, Math.max(0, (tempC - from[0]) / (to[0] - from[0])));
  const mix = (i: 1 | 2 | 3): number => Math.round(from[i] + (to[i] - from[i]) * share);
  return `rgb(${mix(1)} ${mix(2)} ${mix(3)})`;
}
