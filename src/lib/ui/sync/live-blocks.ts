import type { ChannelKey } from '$core/logs/channels';

/** A handful of samples of a live run, as the server tells them. */
export interface LiveBlock {
  readonly seq: number;
  readonly t: readonly number[];
  readonly channels: Partial<Record<ChannelKey, readonly (number | null)[]>>;
}

interface Heard<State> {
  block: (block: LiveBlock) => void;
  /** What the recorder does, and what the control unit said of itself. */
  state?: (state: State, says: readonly string[]) => void;
  /** This page hears nothing from the server; it comes back by itself. */
  lost?: () => void;
}

const RETRY_MS = 1200;

/** Follows a live run from its first sample, each block once, until the returned function is called. */
export function liveBlocks<State>(runId: string, heard: Heard<State>): () => void {
  let seq = 0;
  let source: EventSource | undefined;
  let retry: ReturnType<typeof setTimeout> | undefined;
  const open = () => {
    source = new EventSource(`/api/live/${runId}?after=${seq}`);
    source.onmessage = ({ data }) => {
      const said = JSON.parse(String(data)) as LiveBlock | { state: State; says: readonly string[] };
      if ('state' in said) return heard.state?.(said.state, said.says);
      if (said.seq <= seq) return;
      seq = said.seq;
      heard.block(said);
    };
    source.onerror = () => {
      heard.lost?.();
      // Come back by ourselves: the browser’s own retry would ask for samples that are here already.
      source?.close();
      retry = setTimeout(open, RETRY_MS);
    };
  };
  open();
  return () => {
    clearTimeout(retry);
    source?.close();
  };
}
