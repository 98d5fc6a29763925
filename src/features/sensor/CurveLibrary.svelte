<script lang="ts">
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import Trash from '~icons/lucide/trash-2';
  import { untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { toast } from 'svelte-sonner';
  import { page } from '$app/state';
  import type { ShopCurve } from '$core/record/curves';
  import { resistanceAt } from '$core/physics/thermistor/curve';
  import { curvesWith, matches } from '$core/physics/thermistor/library';
  import { pointsFromText } from '$core/physics/thermistor/rows';
  import { shopCurves } from '$lib/ui/page-state/curves';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { shown, shownDifference } from '$lib/ui/page-state/units';
  import CurveCompare from './CurveCompare.svelte';
  import KeepCurve from './KeepCurve.svelte';

  const asked = untrack(() => page.url.searchParams);
  let text = $state(untrack(() => (asked.get('rows') ?? '').replaceAll(';', '\n').replaceAll(':', '\t')));
  let fileWrong = $state('');

  const all = $derived(curvesWith(shopCurves()));
  const read = $derived(text.trim() === '' ? null : pointsFromText(text));
  const points = $derived(read?.ok ? read.value : []);
  const ranked = $derived(points.length > 0 ? matches(all, points) : []);
  /** Chosen by hand to be drawn; with readings the two nearest are drawn of themselves. */
  const chosen = new SvelteSet<string>();
  const drawn = $derived(
    (chosen.size > 0
      ? [...chosen]
      : ranked.length > 0
        ? ranked.slice(0, 2).map((m) => m.id)
        : [all[0].id]
    ).flatMap((id) => all.find((c) => c.id === id) ?? [])
  );
  const margin = $derived(ranked.length > 1 ? ranked[1].residualC - ranked[0].residualC : 0);
  const rows = $derived(
    ranked.length > 0
      ? ranked.map((m) => ({ ...all.find((c) => c.id === m.id)!, offC: m.residualC }))
      : all.map((c) => ({ ...c, offC: null }))
  );

  const MAX_BYTES = 200_000;
  async function take(file: File | undefined) {
    fileWrong = '';
    if (!file) return;
    if (file.size > MAX_BYTES)
      fileWrong = `${file.name} is larger than a table of one sensor can be (${MAX_BYTES / 1000} kB)`;
    else text = await file.text();
  }

  function toggle(id: string) {
    const before = drawn.map((d) => d.id);
    if (chosen.size === 0) for (const d of before) chosen.add(d);
    if (chosen.has(id)) chosen.delete(id);
    else chosen.add(id);
  }
  /** Further off than this, °C, and a healthy sensor of the nearest curve would not give such readings. */
  const FITS_C = 3;
  const nowrap = (celsius: number) => shownDifference(celsius).replace(' ', '\u00a0');
  const streamOf = (id: string) => `curve:${id.slice('shop:'.length)}`;

  async function remove(curve: ShopCurve) {
    const id = crypto.randomUUID();
    const answer = await record(streamOf(curve.id), { kind: 'curve.dropped', payload: {} }, id);
    if (!answer.ok) return void toast(answer.problems[0].message);
    chosen.delete(curve.id);
    toast(`${curve.title} taken out of the library`, {
      action: {
        label: 'Undo',
        onClick: () => void record(streamOf(curve.id), { kind: 'undo', payload: { of: id } })
      }
    });
  }
</script>

<p class="text-ink-2"><a class="quiet-link" href="/sensor">Sensor calculator</a></p>
<h1 class="mt-1 mb-3 text-3xl">Sensor curves</h1>

<div class="grid items-start gap-4 lg:grid-cols-[360px_minmax(0,1fr)]">
  <div class="space-y-4">
    <section class="card space-y-3 p-4" aria-label="Readings or a table">
      <h2>Readings or a table</h2>
      <label class="block"
        ><span class="text-ink-2 mb-1 block text-sm"
          >Temperature and resistance, a row each; type, or paste from a spreadsheet</span
        ><textarea
          class="field reading min-h-40"
          placeholder="25   2300&#10;60   670&#10;90   281"
          spellcheck="false"
          bind:value={text}
          aria-invalid={read && !read.ok ? 'true' : undefined}></textarea></label
      >
      <label class="btn w-full focus-within:outline-3"
        >Take a CSV file<input
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          class="sr-only"
          onchange={(e) => take(e.currentTarget.files?.[0])}
        /></label
      >
      {#if fileWrong}<p class="text-off text-sm font-semibold" role="alert">{fileWrong}</p>{/if}
      {#if read && !read.ok}
        <ul class="text-off space-y-1 text-sm font-semibold" role="alert">
          {#each read.problems.slice(0, 5) as p (p.message)}<li>
              {p.line ? `Line ${p.line}: ` : ''}{p.message}
            </li>{/each}
        </ul>
      {/if}
      {#if ranked.length > 1}
        <p data-match={ranked[0].id}>
          {#if ranked[0].residualC > FITS_C}
            None fits. The nearest, <strong>{ranked[0].title}</strong>, is off by {nowrap(
              ranked[0].residualC
            )}: another curve, or a sensor that is not healthy.
          {:else}
            Nearest: <strong>{ranked[0].title}</strong>, within {nowrap(ranked[0].residualC)}. The next, {ranked[1]
              .title}, is {nowrap(margin)} further off{margin < 1
              ? '; these readings do not tell the two apart'
              : ''}.
          {/if}
        </p>
      {/if}
    </section>
    {#if points.length > 0}
      {#key text}<KeepCurve {points} source={asked.get('from') ?? ''} onkept={(id) => chosen.add(id)} />{/key}
    {/if}
  </div>

  <div class="space-y-4">
    <CurveCompare curves={drawn} {points} />
    <section class="card p-4" aria-label="Curves">
      <table class="w-full">
        <thead class="text-ink-2 text-left text-sm"
          ><tr
            ><th class="py-1 font-normal">Drawn</th><th class="font-normal">Curve</th><th
              class="text-right font-normal">{shown(20, 'temperature', 0)}</th
            ><th class="text-right font-normal">{shown(90, 'temperature', 0)}</th>{#if ranked.length > 0}<th
                class="text-right font-normal">Off by</th
              >{/if}<th><span class="sr-only">Do</span></th></tr
          ></thead
        >
        <tbody>
          {#each rows as c (c.id)}
            {@const own = shopCurves().find((s) => s.id === c.id)}
            <tr class="border-line border-t" data-curve={c.id}>
              <td class="w-14"
                ><Tick
                  label="Draw {c.title}"
                  quiet
                  value={drawn.some((d) => d.id === c.id)}
                  onvalue={() => toggle(c.id)}
                /></td
              >
              <td class="py-1"
                >{c.title}{#if own?.source}<span class="text-ink-2 block text-sm">{own.source}</span>{/if}</td
              >
              <td class="reading text-right">{shown(resistanceAt(c.curve, 20), 'resistance')}</td>
              <td class="reading text-right">{shown(resistanceAt(c.curve, 90), 'resistance')}</td>
              {#if ranked.length > 0}<td class="reading text-right font-semibold"
                  >{shownDifference(c.offC)}</td
                >{/if}
              <td class="pl-3 text-right whitespace-nowrap"
                ><a class="quiet-link inline-flex min-h-11 items-center" href="/sensor?of=family:{c.id}"
                  >Calculate</a
                >{#if own}<button
                    class="ml-2 inline-flex size-11 items-center justify-center"
                    aria-label="Take {c.title} out of the library"
                    onclick={() => remove(own)}><Trash size={18} aria-hidden="true" /></button
                  >{/if}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
  </div>
</div>
