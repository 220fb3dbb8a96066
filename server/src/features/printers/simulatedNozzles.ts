import type { MissingNozzles } from '@saltflat/contract';
import { NOZZLES_EACH, NOZZLE_CHANNELS } from '@saltflat/core/care';
import type { NozzleChannel } from '@saltflat/core/care';
import { seededRandom } from '@saltflat/core/work';

/** So long a head stands before another nozzle may dry, s. */
const DRIES_AFTER_S = 1800;
const DRIES_CHANCE = 0.3;
/** Cleanings that a nozzle needs: one that only dried, and one that is clogged. */
const DRIED = 1;
const CLOGGED = 2;

/** Nozzles of a stand-in: dry out as it stands, clog when they are told to, come back by cleaning. */
export class SimulatedNozzles {
  /** Cleanings each missing nozzle still needs, by “white 12”. */
  private readonly missing = new Map<string, number>();
  private stoodS = 0;
  private readonly random: () => number;

  constructor(seed: number) {
    this.random = seededRandom(seed);
  }

  /** The head did nothing for so long. */
  stand(s: number): void {
    this.stoodS += s;
    for (; this.stoodS >= DRIES_AFTER_S; this.stoodS -= DRIES_AFTER_S)
      if (this.random() < DRIES_CHANCE) this.lose(DRIED);
  }

  /** It printed: what stands open stays open. */
  print(): void {
    this.stoodS = 0;
  }

  /** @param count how many are clogged from now on, whatever was before; apart from each other, in the white */
  clog(count: number): void {
    this.missing.clear();
    for (let i = 0; i < count; i++)
      this.missing.set(nameOf('white', 7 + 9 * (i % 6) + Math.floor(i / 6)), CLOGGED);
  }

  /** The head touched what it printed on: neighbours are closed by lint and ink. */
  strike(): void {
    const first = 1 + Math.floor(this.random() * (NOZZLES_EACH - 3));
    for (let i = 0; i < 3; i++) this.missing.set(nameOf('white', first + i), CLOGGED);
  }

  clean(): void {
    for (const [name, left] of this.missing)
      if (left <= 1) this.missing.delete(name);
      else this.missing.set(name, left - 1);
  }

  /** What a pattern printed now shows. */
  pattern(): MissingNozzles {
    const found: Partial<Record<NozzleChannel, number[]>> = {};
    for (const channel of NOZZLE_CHANNELS)
      for (let nozzle = 1; nozzle <= NOZZLES_EACH; nozzle++)
        if (this.missing.has(nameOf(channel, nozzle))) found[channel] = [...(found[channel] ?? []), nozzle];
    return found;
  }

  private lose(cleanings: number): void {
    const channel = NOZZLE_CHANNELS[Math.floor(this.random() * NOZZLE_CHANNELS.length)] ?? 'white';
    const nozzle = 1 + Math.floor(this.random() * NOZZLES_EACH);
    const name = nameOf(channel, nozzle);
    this.missing.set(name, Math.max(cleanings, this.missing.get(name) ?? 0));
  }
}

const nameOf = (channel: NozzleChannel, nozzle: number): string => `${channel} ${nozzle}`;
