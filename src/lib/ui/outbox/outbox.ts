import type { Problem } from '$core/base/result';
import type { OutboxStore, Waiting } from './outbox-store';

export type Answer =
  | { readonly ok: true; readonly warnings?: readonly Problem[]; readonly waiting?: boolean }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** What became of one attempt to send: the server's answer, or that there was none. */
export type Sent = { readonly kind: 'answered'; readonly answer: Answer } | { readonly kind: 'away' };

export interface OutboxPorts {
  readonly store: OutboxStore;
  send(item: Waiting): Promise<Sent>;
  /** Runs one sender at a time, over all windows of this browser. */
  alone(work: () => Promise<void>): Promise<void>;
  /** How long a form waits for an answer before the entry counts as waiting. */
  readonly patienceMs: number;
  /** What waits has changed. */
  changed(items: readonly Waiting[]): void;
}

/**
 * Entries wait here until the server has them. Each is kept before it is sent and goes out in order; the server
 * takes an id once, so a lost answer costs nothing. An entry that is refused while someone looks is handed back to
 * them; one refused later stays here, with the reason, until a person drops it.
 */
export class Outbox {
  readonly #ports: OutboxPorts;
  /** Those whose form is open and shows the answer itself. */
  readonly #watched = new Set<string>();
  readonly #answers = new Map<string, Answer>();

  constructor(ports: OutboxPorts) {
    this.#ports = ports;
  }

  /** Keeps an entry and tries to send everything that waits. Succeeds as soon as it is kept. */
  async post(item: Waiting): Promise<Answer> {
    this.#watched.add(item.id);
    await this.#ports.store.put(item);
    let timer: ReturnType<typeof setTimeout> | undefined;
    const patience = new Promise<void>((resolve) => (timer = setTimeout(resolve, this.#ports.patienceMs)));
    await Promise.race([this.flush(), patience]);
    clearTimeout(timer);
    await this.tell();
    this.#watched.delete(item.id);
    const answer = this.#answers.get(item.id) ?? { ok: true as const, waiting: true };
    this.#answers.delete(item.id);
    return answer;
  }

  /** Sends what waits, oldest first; stops at the first sign that the server is away. */
  async flush(): Promise<void> {
    await this.#ports.alone(async () => {
      for (const item of await this.#waiting()) {
        if (item.refused) continue;
        const sent = await this.#ports.send(item);
        if (sent.kind === 'away') break;
        await this.#settle(item, sent.answer);
      }
    });
    await this.tell();
  }

  /**
   * Sends an entry again that was refused, as it is or as a person mended it, and with it what was refused after it:
   * that may have rested on it.
   */
  async again(id: string, mended?: Waiting): Promise<void> {
    const items = await this.#waiting();
    const from = items.findIndex((i) => i.id === id);
    for (const item of items.slice(Math.max(0, from)))
      if (item.refused)
        await this.#ports.store.put({ ...(item.id === id ? (mended ?? item) : item), refused: null });
    await this.flush();
  }

  /** Takes entries in that another browser kept, and sends them in their order. */
  async take(items: readonly Waiting[]): Promise<void> {
    for (const item of items) await this.#ports.store.put({ ...item, refused: null });
    await this.flush();
  }

  async drop(id: string): Promise<void> {
    await this.#ports.store.remove(id);
    await this.tell();
  }

  async tell(): Promise<void> {
    this.#ports.changed(await this.#waiting());
  }

  async #waiting(): Promise<Waiting[]> {
    return (await this.#ports.store.all()).sort((a, b) => a.order - b.order);
  }

  async #settle(item: Waiting, answer: Answer): Promise<void> {
    const watched = this.#watched.has(item.id);
    if (watched) this.#answers.set(item.id, answer);
    if (answer.ok || watched) await this.#ports.store.remove(item.id);
    else await this.#ports.store.put({ ...item, refused: answer.problems });
  }
}
