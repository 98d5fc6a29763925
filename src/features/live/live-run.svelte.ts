import * as Comlink from 'comlink';
import type { ChannelKey, Log } from '$core/logs/channels';
import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { Band } from '$core/physics/plant/band';
import type { Learned } from '$core/physics/plant/priors';
import { momentOf, type Moment } from '$core/runs/live';
import { thin, type Thinned } from '$core/runs/thin';
import { liveBlocks, type LiveBlock } from '$lib/ui/sync/live-blocks';
import type { BandWorker } from '$lib/workers/band';
import BandThread from '$lib/workers/band?worker';

/** What the recorder does, as the server tells it; `lost` where this page hears nothing from the server. */
export type LiveState =
  'waiting' | 'recording' | 'not-kept' | 'no-answer' | 'adapter-gone' | 'ended' | 'gone' | 'lost';

const DRAW_EVERY_MS = 120;
/** A band is drawn anew once the run has gone on this far, s of the run: its clock may be faster than ours. */
const BAND_EVERY_S = 10;
const BAND_DRAWS = 500;
const AHEAD_S = 480;
const DRAWN_POINTS = 1200;

/** A live run as one page follows it: samples as they come, the moment, and the band it should follow. */
export class LiveRunView {
  state = $state<LiveState>('waiting');
  moment = $state.raw<Moment | null>(null);
  drawn = $state.raw<Thinned>({ t: [], channels: {}, total: 0 });
  band = $state.raw<Band | null>(null);
  /** Share of the first band that is drawn; null before it is begun. */
  bandDrawn = $state<number | null>(null);
  /** When the last sample came, by this page's clock. */
  heardAt = $state(Date.now());
  samples = $state(0);
  /** What the control unit said of itself, in sentences. */
  unitSays = $state.raw<readonly string[]>([]);

  readonly #runId: string;
  readonly #sheet: SpecSheet | null;
  readonly #knownGood: readonly Learned[];
  /** Samples in growing columns: two hours of them must not be put together anew at every block. */
  readonly #t: number[] = [];
  readonly #columns = new Map<ChannelKey, number[]>();
  #worker: Worker | null = null;
  #bands: Comlink.Remote<BandWorker> | null = null;
  /** Up to where the run had come when its band was drawn last, s. */
  #bandAt = -Infinity;
  #busy = false;
  #soon: ReturnType<typeof setTimeout> | undefined;

  constructor(runId: string, sheet: SpecSheet | null, knownGood: readonly Learned[]) {
    this.#runId = runId;
    // A worker takes plain objects, not proxies of state.
    this.#sheet = sheet && (JSON.parse(JSON.stringify(sheet)) as SpecSheet);
    this.#knownGood = JSON.parse(JSON.stringify(knownGood)) as Learned[];
  }

  /** Follows the run until the returned function is called. */
  follow(): () => void {
    const leave = liveBlocks<LiveState>(this.#runId, {
      block: (block) => this.#hear(block),
      state: (state, says) => {
        this.state = state;
        this.unitSays = says;
      },
      lost: () => (this.state = 'lost')
    });
    this.#worker = new BandThread();
    this.#bands = Comlink.wrap<BandWorker>(this.#worker);
    return () => {
      leave();
      clearTimeout(this.#soon);
      this.#worker?.terminate();
    };
  }

  /** The readings of a run that is typed: there are no others. */
  setTyped(readings: readonly { readonly t: number; readonly celsius: number }[]): void {
    this.#t.length = 0;
    this.#columns.clear();
    if (readings.length > 0)
      this.#append({ t: readings.map((r) => r.t), channels: { ect_c: readings.map((r) => r.celsius) } });
    this.heardAt = Date.now();
    this.#update();
  }

  #hear(block: LiveBlock): void {
    this.#append(block);
    this.heardAt = Date.now();
    if (this.state === 'lost') this.state = 'recording';
    // An hour that is caught up with comes in hundreds of blocks; they are drawn together.
    this.#soon ??= setTimeout(() => {
      this.#soon = undefined;
      this.#update();
    }, DRAW_EVERY_MS);
  }

  #append({ t, channels }: Pick<LiveBlock, 't' | 'channels'>): void {
    const had = this.#t.length;
    this.#t.push(...t);
    for (const key of Object.keys(channels) as ChannelKey[]) {
      const column = this.#columns.get(key) ?? new Array<number>(had).fill(NaN);
      for (const v of channels[key]!) column.push(v ?? NaN);
      this.#columns.set(key, column);
    }
    for (const column of this.#columns.values()) while (column.length < this.#t.length) column.push(NaN);
  }

  log(): Log {
    return {
      t: Float64Array.from(this.#t),
      channels: Object.fromEntries([...this.#columns].map(([key, v]) => [key, Float32Array.from(v)])),
      events: []
    };
  }

  #update(): void {
    const log = this.log();
    this.samples = log.t.length;
    this.moment = momentOf(log, this.#sheet);
    this.drawn = thin(log, DRAWN_POINTS);
    if (log.t.length > 3 && log.t[log.t.length - 1] - this.#bandAt >= BAND_EVERY_S) void this.#drawBand();
  }

  async #drawBand(): Promise<void> {
    if (this.#busy || !this.#bands || !this.#sheet || this.samples < 3) return;
    this.#busy = true;
    try {
      const task = {
        log: this.log(),
        sheet: this.#sheet,
        knownGood: this.#knownGood,
        aheadS: AHEAD_S,
        draws: BAND_DRAWS
      };
      const heard = (share: number) => {
        if (!this.band) this.bandDrawn = share;
      };
      const start = performance.now();
      this.#bandAt = task.log.t[task.log.t.length - 1];
      this.band = (await this.#bands.band(task, Comlink.proxy(heard))) ?? this.band;
      performance.measure('band', { start });
    } finally {
      this.#busy = false;
    }
  }
}
