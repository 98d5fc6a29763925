<script lang="ts">
  import TriangleAlert from '~icons/lucide/triangle-alert';
  import type { Danger } from '$core/diagnosis/dangers';
  import { inReaderUnits } from '$lib/ui/page-state/units';

  interface Props {
    dangers: readonly Danger[];
    /** Those a person went on past, with the reason. */
    overridden: readonly { readonly danger: string; readonly because: string; readonly why: string }[];
    ongoon: (stop: { danger: string; because: string; why: string }) => void;
  }
  let { dangers, overridden, ongoon }: Props = $props();
  let asked = $state<string | null>(null);
  let why = $state('');
  const pastOf = (d: Danger) => overridden.find((o) => o.danger === d.id && o.because === d.because);
</script>

{#each dangers as d (d.id + d.because)}
  {@const past = pastOf(d)}
  <section
    class="border-off bg-off-wash rounded-card mb-3 border-2 px-4 py-3"
    role="alert"
    data-danger={d.id}
  >
    <p class="text-off flex items-center gap-2 text-xl font-bold">
      <TriangleAlert size={24} class="shrink-0" aria-hidden="true" />{inReaderUnits(d.title)}
    </p>
    <p class="mt-1 text-lg">{inReaderUnits(d.not)}.</p>
    {#if past}
      <p class="text-ink-2 mt-1 text-sm">On record: gone on past it, {past.why}.</p>
    {:else if d.holds}
      {#if asked === d.because}
        <form
          class="mt-2 flex flex-wrap items-end gap-2"
          onsubmit={(e) => {
            e.preventDefault();
            if (why.trim()) ongoon({ danger: d.id, because: d.because, why: why.trim() });
          }}
        >
          <label class="block min-w-64 flex-1"
            ><span class="mb-1 block text-sm font-semibold"
              >Why it is run all the same; this stays on record</span
            ><input class="field" maxlength="200" bind:value={why} /></label
          >
          <button class="btn" disabled={why.trim() === ''}>Run it all the same</button>
          <button type="button" class="btn" onclick={() => (asked = null)}>Cancel</button>
        </form>
      {:else}
        <p class="text-ink-2 mt-1 text-sm">
          Checks that run the engine wait. The maker’s service information and local rules come first.
          <button type="button" class="quiet-link min-h-11" onclick={() => (asked = d.because)}
            >It must run all the same</button
          >
        </p>
      {/if}
    {/if}
  </section>
{/each}
