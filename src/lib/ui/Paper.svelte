<script lang="ts">
  import Printer from '~icons/lucide/printer';
  import type { Snippet } from 'svelte';

  interface Props {
    /** Where it leads back to on the screen, and what that is. */
    href: string;
    leads: string;
    /** The address that the code says. */
    back: string;
    code: string;
    scan: string;
    cautions: readonly string[];
    head: Snippet;
    children: Snippet;
  }
  let { href, leads, back, code, scan, cautions, head, children }: Props = $props();
</script>

<!-- For where no screen goes: black on white, A4 or Letter, written in by hand, with the code that leads back. -->
<article class="mx-auto max-w-3xl print:text-black">
  <div class="no-print mb-3 flex flex-wrap gap-2">
    <button class="btn btn-main" onclick={() => window.print()}
      ><Printer size={18} aria-hidden="true" />Print</button
    >
    <a class="btn" {href}>{leads}</a>
  </div>
  <header class="flex items-start gap-6 border-b-2 border-current pb-3">
    <div class="min-w-0 flex-1">{@render head()}</div>
    <figure class="w-28 shrink-0 bg-white p-1">
      <img src={code} alt="Code that leads to {back}" width="104" height="104" />
      <figcaption class="text-center text-xs text-black">{scan}</figcaption>
    </figure>
  </header>
  {#if cautions.length > 0}
    <section class="mt-3" aria-label="Cautions">
      <h2>Cautions</h2>
      <ul class="ml-5 list-disc">
        {#each cautions as text (text)}<li>{text}</li>{/each}
        <li>The maker’s service information and local rules come first.</li>
      </ul>
    </section>
  {/if}
  {@render children()}
</article>
