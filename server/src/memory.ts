/** What is being worked out already is waited for; what failed is tried again. */
export function once<T>(memory: Memory<Promise<T>>, key: string, work: () => Promise<T>): Promise<T> {
  const known = memory.get(key);
  if (known) return known;
  const made = work();
  memory.put(key, made);
  made.catch(() => memory.forget(key));
  return made;
}

/** The values used last, so many of them, for what never changes under its key. */
export class Memory<T> {
  private readonly known = new Map<string, T>();

  constructor(private readonly most: number) {}

  get(key: string): T | undefined {
    const value = this.known.get(key);
    if (value !== undefined) this.put(key, value); // the one used last goes last
    return value;
  }

  put(key: string, value: T): void {
    this.known.delete(key);
    this.known.set(key, value);
    for (const oldest of this.known.keys()) {
      if (this.known.size <= this.most) break;
      this.known.delete(oldest);
    }
  }

  forget(key: string): void {
    this.known.delete(key);
  }

  forgetAll(): void {
    this.known.clear();
  }
}
