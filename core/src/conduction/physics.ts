/** Stefan–Boltzmann constant, W/m²K⁴ (CODATA). */
export const SIGMA = 5.670374e-8;
/** Gas constant, J/molK (CODATA). */
export const GAS = 8.314462;
export const KELVIN = 273.15;
/** Specific heat of water, J/kgK (textbook, 20–100 °C). */
export const WATER_CP = 4186;
const ATMOSPHERE_PA = 101_325;

/** The fourth power of an absolute temperature, K⁴. */
export function fourthPowerK(tempC: number): number {
  const k = tempC + KELVIN;
  return k * k * k * k;
}

/** Latent heat of vaporisation, J/kg (linear fit to steam tables, 0–150 °C). */
export const vaporisationJKg = (tempC: number): number => 2.501e6 - 2440 * tempC;

/** Saturation pressure of water, Pa (Magnus form: within 0.5 % up to 60 °C, 3 % high at 100 °C). */
export const saturationPa = (tempC: number): number => 610.94 * Math.exp((17.625 * tempC) / (tempC + 243.04));

/** Boiling point at an absolute pressure, °C (fit to steam tables, 100–300 kPa within 0.2 K). */
export function boilingC(pressureKPa: number): number {
  const ln = Math.log(pressureKPa / 101.325);
  return 100 + 27.94 * ln + 1.98 * ln * ln;
}

/** Conductivity of air, W/mK (linear fit, 0–200 °C). */
export const airKWMK = (tempC: number): number => 0.0241 + 7.4e-5 * tempC;

/**
 * View factor between equal, parallel, coaxial squares (Howell's catalogue of configuration factors).
 *
 * @param ratio side / distance, > 0
 */
export function squaresViewFactor(ratio: number): number {
  const x2 = ratio * ratio;
  const root = Math.sqrt(1 + x2);
  return (
    (2 / (Math.PI * x2)) *
    (Math.log((1 + x2) / Math.sqrt(1 + 2 * x2)) +
      2 * ratio * root * Math.atan(ratio / root) -
      2 * ratio * Math.atan(ratio))
  );
}

/**
 * Laminar natural convection of air over a horizontal surface, W/m²K (McAdams, simplified for air).
 *
 * @param facing of the surface
 * @param excessK surface above room
 */
export function naturalHWM2K(excessK: number, lengthM: number, facing: 'up' | 'down'): number {
  const rises = facing === 'up' ? excessK >= 0 : excessK <= 0;
  return (rises ? 1.32 : 0.59) * Math.sqrt(Math.sqrt(Math.abs(excessK) / lengthM));
}

/**
 * Water leaving a wet surface into room air, kg/m²s: analogy of heat and mass transfer (Lewis number 0.9^1.5 for water in
 * air) with Stefan flow.
 *
 * @param wetness share of the surface that is wet, 0–1
 */
export function evaporationKgM2S(
  surfaceC: number,
  roomC: number,
  { hWM2K, relativeHumidity }: { hWM2K: number; relativeHumidity: number },
  wetness: number,
): number {
  const filmK = (surfaceC + roomC) / 2 + KELVIN;
  const roomPa = relativeHumidity * saturationPa(roomC);
  const surfacePa = Math.min(0.97 * ATMOSPHERE_PA, wetness * saturationPa(surfaceC));
  return (
    (hWM2K / (1.1 * 1007 * 0.9)) *
    (ATMOSPHERE_PA / (461.5 * filmK)) *
    Math.log((ATMOSPHERE_PA - roomPa) / (ATMOSPHERE_PA - surfacePa))
  );
}
