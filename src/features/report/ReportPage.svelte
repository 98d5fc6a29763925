<script lang="ts">
  import Download from '~icons/lucide/download';
  import Printer from '~icons/lucide/printer';
  import type { Report } from '$core/handover/report/report';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import BeforeAfter from './BeforeAfter.svelte';

  interface Props {
    report: Report;
    number: string;
  }
  let { report, number }: Props = $props();
  $effect(() => useShortcuts([{ key: 'p', label: 'Print the report', run: () => window.print() }]));
</script>

<article class="card paper mx-auto max-w-[860px] p-8 print:max-w-none print:border-0 print:p-0">
  <header class="flex flex-wrap items-start gap-4">
    <div class="mr-auto">
      <p class="no-print text-ink-2"><a class="quiet-link" href="/jobs/{number}">Job {number}</a></p>
      <h1>{report.title}</h1>
      <p class="text-ink-2">{report.subtitle}</p>
    </div>
    <p class="no-print flex gap-2">
      <button class="btn" onclick={() => window.print()}><Printer size={18} aria-hidden="true" />Print</button
      >
      <a class="btn btn-main" href="/jobs/{number}/report.pdf" data-sveltekit-reload
        ><Download size={18} aria-hidden="true" />PDF</a
      >
    </p>
  </header>

  <section class="mt-5 max-w-[68ch] space-y-2 text-lg leading-snug" aria-label="In plain words">
    {#each report.summary as paragraph, i (i)}<p>{inReaderUnits(paragraph)}</p>{/each}
  </section>

  <dl class="border-line mt-5 border-t text-sm">
    {#each report.facts as [name, text] (name)}
      <div class="border-line grid grid-cols-[140px_1fr] gap-3 border-b py-1.5">
        <dt class="font-semibold">{name}</dt>
        <dd>{inReaderUnits(text)}</dd>
      </div>
    {/each}
  </dl>

  {#if report.picture}
    <figure class="mt-6 break-inside-avoid">
      <BeforeAfter picture={report.picture} label={report.picture.caption} />
      <figcaption class="text-ink-2 text-sm">{report.picture.caption}</figcaption>
    </figure>
  {/if}

  {#each report.tables as table (table.title)}
    <section class="mt-6">
      <h2 class="break-after-avoid">{table.title}</h2>
      {#if table.note}<p class="text-ink-2 mt-1 text-sm">{inReaderUnits(table.note)}</p>{/if}
      <div>
        <table class="mt-1 w-full text-sm">
          <thead class="text-ink-2 text-left">
            <tr
              >{#each table.head as name, i (i)}<th class="py-1 pr-3 font-normal">{name}</th>{/each}</tr
            >
          </thead>
          <tbody>
            {#each table.rows as row, r (r)}
              <tr class="border-line break-inside-avoid border-t align-top">
                {#each row as cell, i (i)}<td class="py-1.5 pr-3 {i === 0 ? 'font-semibold' : ''}"
                    >{inReaderUnits(cell)}</td
                  >{/each}
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    </section>
  {/each}

  {#each report.lists as { title, items } (title)}
    <section class="mt-6 break-inside-avoid">
      <h2>{title}</h2>
      <ul class="mt-1 list-disc space-y-1 pl-5">
        {#each items as item, i (i)}<li>{inReaderUnits(item)}</li>{/each}
      </ul>
    </section>
  {/each}

  <section class="mt-6 break-inside-avoid" aria-label="Mind">
    <h2>Cautions</h2>
    <ul class="mt-1 space-y-1">
      {#each report.cautions as caution, i (i)}<li>{inReaderUnits(caution)}</li>{/each}
    </ul>
    <p class="text-ink-2 mt-4 text-sm">{report.deference}</p>
  </section>
</article>
