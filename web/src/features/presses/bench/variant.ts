import type { BenchStack } from '@saltflat/core/heat';

/** A stack that is tried, with its name. */
export interface Variant {
  name: string;
  stack: BenchStack;
}
