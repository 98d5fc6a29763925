import { openDB, type IDBPDatabase } from 'idb';
import type { RecordEvent } from '$core/record/events';
import type { Problem } from '$core/base/result';

/** One entry on its way to the server. It leaves this store only when the server has it, or a person drops it. */
export interface Waiting {
  /** The id of its event: the server takes each once, however often it is sent. */
  readonly id: string;
  /** When it was put in: they go out in this order. */
  readonly order: number;
  readonly url: string;
  readonly type: string;
  readonly body: string | Blob;
  readonly label: string;
  /** The person who was signed in when it was entered; null in an open house. */
  readonly by: string | null;
  readonly event: RecordEvent | null;
  /** Why the server will not have it; null while it waits. */
  readonly refused: readonly Problem[] | null;
}

export interface OutboxStore {
  all(): Promise<Waiting[]>;
  put(item: Waiting): Promise<void>;
  remove(id: string): Promise<void>;
}

/** The browser's own database, or memory where a browser forbids it. */
export function browserStore(): OutboxStore {
  const memory = new Map<string, Waiting>();
  const inMemory: OutboxStore = {
    all: async () => [...memory.values()],
    put: async (item) => void memory.set(item.id, item),
    remove: async (id) => void memory.delete(id)
  };
  let db: Promise<IDBPDatabase> | undefined;
  const store = () =>
    (db ??= openDB('pyrethos', 1, {
      upgrade: (fresh) => void fresh.createObjectStore('outbox', { keyPath: 'id' })
    }));
  const or =
    <A extends unknown[], T>(first: (...a: A) => Promise<T>, second: (...a: A) => Promise<T>) =>
    (...a: A) =>
      first(...a).catch(() => second(...a));
  return {
    all: or(async () => (await store()).getAll('outbox') as Promise<Waiting[]>, inMemory.all),
    put: or(async (item: Waiting) => void (await (await store()).put('outbox', item)), inMemory.put),
    remove: or(async (id: string) => (await store()).delete('outbox', id), inMemory.remove)
  };
}
