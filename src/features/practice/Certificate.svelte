<script lang="ts">
  import Printer from '~icons/lucide/printer';
  import { date } from '$lib/ui/page-state/when';
  import type { PracticeHome } from '$lib/views';

  interface Props {
    home: PracticeHome;
    now: string;
    zone: string;
  }
  let { home, now, zone }: Props = $props();
  const done = $derived(
    home.levels
      .map((l) => ({ ...l, cases: l.cases.filter((c) => c.best >= 0) }))
      .filter((l) => l.cases.length > 0)
  );
</script>

<article class="mx-auto max-w-3xl print:text-black">
  <div class="no-print mb-3 flex flex-wrap gap-2">
    <button class="btn btn-main" onclick={() => window.print()}
      ><Printer size={18} aria-hidden="true" />Print</button
    >
    <a class="btn" href="/practice">Back to practice</a>
  </div>
  <header class="border-b-2 border-current pb-3">
    <p>Practised in Pyrethos</p>
    <h1>{home.who || 'Nobody'}</h1>
    <p class="text-sm">{date(now, zone)}</p>
  </header>
  {#each done as l (l.level)}
    <section class="mt-4" aria-label="Level {l.level}">
      <h2>Level {l.level} <span class="font-normal">{l.title}</span></h2>
      <table class="mt-1 w-full">
        <tbody>
          {#each l.cases as c (c.id)}
            <tr class="border-t"
              ><td class="py-1">{c.title}</td><td>{c.vehicle}</td><td class="reading text-right"
                >{c.best} of 100</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    </section>
  {:else}
    <p class="mt-4">Nothing has been finished yet.</p>
  {/each}
  <p class="mt-6 text-sm">
    Simulated vehicles, worked by simulated hands; the best result of each case. It says what was practised,
    and nothing of what somebody can do on a vehicle.
  </p>
</article>
