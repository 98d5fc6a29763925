/** Random numbers of this world: nothing here is shared with the product that it tries. */
export class Dice {
  #state: number;
  constructor(seed: number) {
    this.#state = (seed * 2654435761 + 97) >>> 0 || 1;
    for (let i = 0; i < 8; i++) this.next();
  }
  /** From 0 to 1, by xorshift. */
  next(): number {
    let x = this.#state;
    x ^= x << 13;
    x >>>= 0;
    x ^= x >>> 17;
    x ^= x << 5;
    this.#state = x >>>= 0;
    return x / 4294967296;
  }
  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }
  chance(share: number): boolean {
    return this.next() < share;
  }
  of<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)];
  }
  /** A bell: the sum of four even draws, of standard deviation 1. */
  bell(): number {
    return (this.next() + this.next() + this.next() + this.next() - 2) * Math.sqrt(3);
  }
  around(value: number, share: number): number {
    return value * Math.max(0.2, 1 + share * this.bell());
  }
}
