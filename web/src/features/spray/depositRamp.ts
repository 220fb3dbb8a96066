/** From nothing over the right amount to far too much; told apart by lightness alone as well. */
export const DEPOSIT_RAMP = ['#FFFFFF', '#D6E9EA', '#8FC3C6', '#0B6B73', '#083F48', '#1B0F2A'];
/** Of the wanted amount, what the ramp's end stands for. */
export const RAMP_MOST = 1.75;

const RGB = DEPOSIT_RAMP.map((hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)));

/** Red, green and blue of an amount. @param share of what is wanted */
export function rampColour(share: number): readonly number[] {
  const place = Math.min(RGB.length - 1.001, (share / RAMP_MOST) * (RGB.length - 1));
  const low = RGB[Math.floor(place)] ?? [];
  const high = RGB[Math.floor(place) + 1] ?? low;
  const part = place - Math.floor(place);
  return low.map((own, k) => Math.round(own + part * ((high[k] ?? own) - own)));
}
