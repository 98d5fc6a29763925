<script lang="ts">
  import type { ChosenVehicle } from '$lib/views';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    /** Not looked up yet, or not to be had. */
    jobs: ChosenVehicle['jobs'] | 'asked' | 'unreached';
    vehicleId: string;
    /** As it is typed: earlier work that shares its words comes first. */
    complaint: string;
    except: number | null;
    zone: string;
  }
  let { jobs, vehicleId, complaint, except, zone }: Props = $props();

  const words = $derived(
    complaint
      .toLowerCase()
      .split(/\W+/)
      .filter((w) => w.length > 3)
  );
  const shared = (j: ChosenVehicle['jobs'][number]) =>
    words.filter((w) => `${j.complaint} ${j.finding ?? ''}`.toLowerCase().includes(w)).length;
  const earlier = $derived(
    (typeof jobs === 'string' ? [] : jobs)
      .filter((j) => j.number !== except)
      .map((j) => ({ ...j, shares: shared(j) }))
      .sort((a, b) => b.shares - a.shares)
      .slice(0, 6)
  );
</script>

<aside class="card p-5">
  <h2>Earlier work</h2>
  {#if !vehicleId}<p class="text-ink-2 mt-2">Pick a vehicle to see what was done on it before.</p>
  {:else if jobs === 'asked'}<p class="text-ink-2 mt-2">Looking it up.</p>
  {:else if jobs === 'unreached'}<p class="text-ink-2 mt-2">The server is away: not known.</p>
  {:else if earlier.length === 0}<p class="text-ink-2 mt-2">First job on this vehicle.</p>
  {:else}
    <ul class="mt-2">
      {#each earlier as j (j.number)}
        <li class="border-line border-t py-2.5 first:border-t-0">
          <a class="quiet-link font-semibold" href="/jobs/{j.number}">{j.complaint}</a>
          <p class="text-ink-2 text-sm">
            {when(j.openedAt, zone)} · {j.outcome ?? j.state}{j.finding ? ` · ${j.finding}` : ''}{j.shares > 0
              ? ' · same words'
              : ''}
          </p>
        </li>
      {/each}
    </ul>
  {/if}
</aside>
