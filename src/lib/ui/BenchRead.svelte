<script lang="ts">
  import { page } from '$app/state';
  import { toast } from 'svelte-sonner';

  interface Props {
    instrument: 'multimeter' | 'infrared' | 'probe' | 'tachometer';
    place: 'outlet' | 'upper-hose' | 'lower-hose' | 'sensor' | 'fan' | 'engine';
    label: string;
    /** °C, Ω or rpm, as the instrument shows it. */
    onread: (value: number) => void;
  }
  let { instrument, place, label, onread }: Props = $props();
  let busy = $state(false);

  async function read() {
    busy = true;
    try {
      const body = JSON.stringify({ instrument, place });
      const headers = { 'content-type': 'application/json' };
      const answer = await fetch('/api/bench', { method: 'POST', headers, body });
      const said = (await answer.json()) as
        { ok: true; value: number } | { ok: false; problems: { message: string }[] };
      if (said.ok) onread(said.value);
      else toast(`Nothing read: ${said.problems[0].message}`);
    } catch {
      toast('Nothing read: the server does not answer');
    } finally {
      busy = false;
    }
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
