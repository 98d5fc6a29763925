<script lang="ts">
  import { page } from '$app/state';
  import { readBench } from './bench';

  type Ask =
    | { instrument: 'multimeter' | 'infrared' | 'probe' | 'tachometer'; place: string }
    | { part: string; min?: number };
  type Props = Ask & {
    label: string;
    /** In the core's unit, as the instrument shows it. */
    onread: (value: number) => void;
  };
  let { label, onread, ...ask }: Props = $props();
  let busy = $state(false);

  async function read() {
    busy = true;
    const value = await readBench({ ...ask });
    busy = false;
    if (value !== null) onread(value);
  }
</script>

<!-- Only where the server runs a simulated bench: an instrument of the real world is read by eye and typed. -->
{#if page.data.bench}
  <button
    type="button"
    class="text-act min-h-11 text-left text-sm underline underline-offset-3"
    disabled={busy}
    onclick={read}>{label}</button
  >
{/if}
