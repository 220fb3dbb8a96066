import { GAS, KELVIN } from './physics.ts';
import type { Dose } from './problem.ts';

/** Rate of a dose at the reference pressure, 1/s; 0 below its gate. */
export function doseRate({ refC, activationJMol, refS, gateC }: Dose, tempC: number): number {
  if (gateC !== null && tempC < gateC) return 0;
  return Math.exp((-activationJMol / GAS) * (1 / (tempC + KELVIN) - 1 / (refC + KELVIN))) / refS;
}

/** Adds one dose up along the steps, by the trapezoid rule; a gate that is passed within a step counts from there. */
export class DoseMeter {
  total = 0;
  private lastC: number | null = null;
  private lastRate = 0;
  private pressed = 1;

  constructor(readonly dose: Dose) {}

  /** A phase begins: the pressure is another, and the temperature may have jumped. */
  begin(tempC: number | null, pressureKPa: number): void {
    const { pressure } = this.dose;
    this.pressed = pressure === null ? 1 : (pressureKPa / pressure.refKPa) ** pressure.exponent;
    this.lastC = tempC;
    this.lastRate = tempC === null ? 0 : doseRate(this.dose, tempC);
  }

  add(tempC: number | null, dt: number): void {
    const { dose, lastC, lastRate, pressed } = this;
    const rate = tempC === null ? 0 : doseRate(dose, tempC);
    this.lastC = tempC;
    this.lastRate = rate;
    if (tempC === null || lastC === null || pressed === 0) return;
    const { gateC } = dose;
    if (gateC !== null && lastC < gateC !== tempC < gateC) {
      const share = Math.abs((Math.max(lastC, tempC) - gateC) / (tempC - lastC));
      this.total += (pressed * dt * share * (doseRate(dose, gateC) + Math.max(lastRate, rate))) / 2;
    } else this.total += (pressed * dt * (lastRate + rate)) / 2;
  }
}
