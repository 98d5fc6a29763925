<script lang="ts">
  import TriangleAlert from '~icons/lucide/triangle-alert';
  import type { Problem } from '$core/base/result';
  import { fieldWords } from '$core/record/field-names';
  import { inReaderUnits } from '../page-state/units';

  interface Props {
    problems: readonly Problem[];
    title: string;
    /** Its fields are those of an entry of the record, and are told as the forms call them. */
    entry?: boolean;
    children?: import('svelte').Snippet;
  }
  let { problems, title, entry = false, children }: Props = $props();
</script>

{#if problems.length > 0}
  <div role="alert" class="border-off bg-off-wash text-ink rounded-card border-2 p-4">
    <p class="text-off flex items-center gap-2 font-bold">
      <TriangleAlert size={20} aria-hidden="true" />{title}
    </p>
    <ul class="mt-2 space-y-1">
      {#each problems as p, i (i)}
        <li>
          {#if p.line}<span class="reading font-semibold">Line {p.line}</span>{/if}
          {#if p.field}<span class="font-semibold">{entry ? fieldWords(p.field) : p.field}</span>{/if}
          {inReaderUnits(p.message)}
        </li>
      {/each}
    </ul>
    {@render children?.()}
  </div>
{/if}
