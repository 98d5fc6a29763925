/** A bucket that fills at `perS` and holds `most`: what comes faster is turned away. */
export interface Rate {
  readonly perS: number;
  readonly most: number;
}

/** What one device may ask for. An outbox that empties after hours away sends a burst. */
export const RATES = {
  events: { perS: 20, most: 200 },
  signIn: { perS: 5 / 60, most: 5 },
  pin: { perS: 20 / 60, most: 20 }
} satisfies Record<string, Rate>;

const FORGET_AFTER_MS = 600_000;

/** Counts by device, in this process. `allow` says after how many seconds to come again; 0 where it is fine now. */
export class Rates {
  readonly #now: () => number;
  readonly #buckets = new Map<string, { left: number; at: number }>();
  constructor(now: () => number = () => performance.now()) {
    this.#now = now;
  }

  allow(what: keyof typeof RATES, whose: string): number {
    const { perS, most } = RATES[what];
    const now = this.#now();
    const key = `${what} ${whose}`;
    const bucket = this.#buckets.get(key) ?? { left: most, at: now };
    const left = Math.min(most, bucket.left + ((now - bucket.at) / 1000) * perS);
    if (this.#buckets.size > 10_000) this.#forget(now);
    this.#buckets.set(key, { left: left >= 1 ? left - 1 : left, at: now });
    return left >= 1 ? 0 : Math.ceil((1 - left) / perS);
  }

  #forget(now: number): void {
    for (const [key, { at }] of this.#buckets) if (now - at > FORGET_AFTER_MS) this.#buckets.delete(key);
  }
}

/** Long work of one device at a time: at most `most` pieces together. */
export class AtOnce {
  readonly #most: number;
  readonly #busy = new Map<string, number>();
  constructor(most: number) {
    this.#most = most;
  }

  /** The work's result, or null where the device has enough going on. */
  async run<T>(whose: string, work: () => Promise<T>): Promise<T | null> {
    const busy = this.#busy.get(whose) ?? 0;
    if (busy >= this.#most) return null;
    this.#busy.set(whose, busy + 1);
    try {
      return await work();
    } finally {
      const left = this.#busy.get(whose)! - 1;
      if (left === 0) this.#busy.delete(whose);
      else this.#busy.set(whose, left);
    }
  }
}
