import { DomainError } from '@saltflat/contract';

interface Waiting {
  weight: number;
  begin: () => void;
}

interface TurnRules {
  /** So much may be under way at once, in whatever the weights are counted. */
  most: number;
  /** So many may wait. */
  waiting: number;
  /** So long somebody waits, ms. */
  patienceMs: number;
  /** What is told to whom there is no place for. */
  busy: string;
}

/** A bounded queue: so much at once, so many waiting, none of them for ever. First come, first served. */
export class Turns {
  private underWay = 0;
  private readonly line: Waiting[] = [];

  constructor(private readonly rules: TurnRules) {}

  /**
   * Does work when its turn comes. What weighs more than is allowed at once is done alone.
   *
   * @throws DomainError `busy` where too many wait already, or it was not its turn in time
   */
  async take<T>(weight: number, work: () => Promise<T>): Promise<T> {
    const own = Math.min(weight, this.rules.most);
    await this.place(own);
    try {
      return await work();
    } finally {
      this.underWay -= own;
      this.callNext();
    }
  }

  private async place(weight: number): Promise<void> {
    const { line } = this;
    const isFree = line.length === 0 && this.underWay + weight <= this.rules.most;
    if (isFree) {
      this.underWay += weight;
      return;
    }
    if (line.length >= this.rules.waiting) throw new DomainError('busy', this.rules.busy);
    await new Promise<void>((resolve, reject) => {
      const leave = setTimeout(() => {
        const at = line.indexOf(own);
        if (at < 0) return;
        line.splice(at, 1);
        reject(new DomainError('busy', this.rules.busy));
        this.callNext(); // whoever stood behind may be lighter
      }, this.rules.patienceMs);
      const own: Waiting = {
        weight,
        begin: () => {
          clearTimeout(leave);
          resolve();
        },
      };
      line.push(own);
    });
  }

  private callNext(): void {
    for (;;) {
      const [next] = this.line;
      if (!next || this.underWay + next.weight > this.rules.most) return;
      this.line.shift();
      this.underWay += next.weight;
      next.begin();
    }
  }
}
