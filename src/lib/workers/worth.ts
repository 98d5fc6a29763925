import * as Comlink from 'comlink';
import { worthOf, type Worth } from '../../core/suspects/next';

/** What the next checks are worth, off the page's own thread: looking two ahead takes some tenths of a second. */
const worker = {
  worth: (job: Parameters<typeof worthOf>[0]): Worth[] => worthOf(job)
};
export type WorthWorker = typeof worker;
Comlink.expose(worker);
