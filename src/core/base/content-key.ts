/** Two 32-bit mixes in a row: nothing here needs more than that the same contents give the same key. */
class Mix {
  #a = 0x9e3779b9;
  #b = 0x85ebca6b;
  readonly #bits = new DataView(new ArrayBuffer(8));

  word(w: number): void {
    this.#a = Math.imul(this.#a ^ w, 0x01000193) + 0x7ed55d16;
    this.#b = Math.imul(this.#b ^ (w + (this.#b << 6)), 0x5bd1e995) ^ (this.#b >>> 15);
  }
  number(x: number): void {
    // Minus zero is zero, as it is in JSON.
    this.#bits.setFloat64(0, x + 0);
    this.word(this.#bits.getInt32(0));
    this.word(this.#bits.getInt32(4));
  }
  text(s: string): void {
    this.word(s.length);
    for (let i = 0; i < s.length; i++) this.word(s.charCodeAt(i));
  }
  get key(): string {
    return `${(this.#a >>> 0).toString(36)}.${(this.#b >>> 0).toString(36)}`;
  }
}

const keys = new WeakMap<object, string>();

/**
 * A short key of plain data: the same contents give the same key, whichever objects hold them, so that what was
 * computed of them is found again after a reload. 64 bits; for caches, not for security. Objects that were asked for
 * before are remembered: data is never changed in place.
 */
export function contentKey(value: unknown): string {
  const object = typeof value === 'object' && value !== null ? value : null;
  const had = object && keys.get(object);
  if (had) return had;
  const mix = new Mix();
  walk(value, mix);
  if (object) keys.set(object, mix.key);
  return mix.key;
}

function walk(value: unknown, mix: Mix): void {
  switch (typeof value) {
    case 'number':
      mix.word(1);
      return mix.number(value);
    case 'string':
      mix.word(2);
      return mix.text(value);
    case 'boolean':
      return mix.word(value ? 3 : 4);
    case 'object': {
      if (value === null) return mix.word(5);
      const list = Array.isArray(value);
      mix.word(list ? 6 : 7);
      if (list) {
        mix.word(value.length);
        for (const v of value) walk(v, mix);
        return;
      }
      const fields = value as Readonly<Record<string, unknown>>;
      const given = Object.keys(fields).filter((k) => fields[k] !== undefined);
      mix.word(given.length);
      for (const k of given.sort()) {
        mix.text(k);
        walk(fields[k], mix);
      }
      return;
    }
    default:
      mix.word(8);
  }
}

/** Keeps what was computed for the last so many keys; the one asked for longest ago goes first. */
export class Recent<T> {
  readonly #kept = new Map<string, T>();
  constructor(readonly most: number) {}

  of(key: string, make: () => T): T {
    return this.get(key) ?? this.put(key, make());
  }

  get(key: string): T | undefined {
    const had = this.#kept.get(key);
    if (had !== undefined) {
      this.#kept.delete(key);
      this.#kept.set(key, had);
    }
    return had;
  }

  put(key: string, made: T): T {
    this.#kept.set(key, made);
    if (this.#kept.size > this.most) this.#kept.delete(this.#kept.keys().next().value!);
    return made;
  }
}

const firsts = new Recent<object>(500);

/**
 * The object that these contents were first seen in: what was kept for an object is found again after a reload, when
 * another one holds the same.
 */
export const firstSeen = <T extends object>(value: T): T => firsts.of(contentKey(value), () => value) as T;
