/** A seeded source of numbers (mulberry32, from memory), so that a run can be repeated. */
export class Random {
  private state: number;
  constructor(seed: number) {
    this.state = seed;
  }
  /** From 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }
  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }
  whole(below: number): number {
    return Math.floor(this.next() * below);
  }
  pick<T>(list: readonly T[]): T {
    return list[this.whole(list.length)] as T;
  }
  chance(probability: number): boolean {
    return this.next() < probability;
  }
  /** Normal with a standard deviation of 1 (Box and Muller, from memory). */
  gauss(): number {
    return Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next());
  }
}
