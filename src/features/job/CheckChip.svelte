<script lang="ts">
  import ArrowRight from '~icons/lucide/arrow-right';
  import Circle from '~icons/lucide/circle';
  import type { Chip } from '$core/diagnosis/plan';
  import { RESULT_LOOK } from '$lib/ui/page-state/results';
  import { hour } from '$lib/ui/page-state/when';

  interface Props {
    planned: Chip;
    next: boolean;
    now: string;
    zone: string;
    /** A check that is done and passed: its mark alone, which names it. */
    folded?: boolean;
    onopen: (id: Chip['id']) => void;
  }
  let { planned, next, now, zone, folded = false, onopen }: Props = $props();
  const result = $derived(planned.done?.outcome.result);
  const look = $derived(result ? RESULT_LOOK[result] : null);
  const Icon = $derived(look?.icon ?? (next ? ArrowRight : Circle));
</script>

{#if folded && look}
  <button
    data-check={planned.id}
    data-result={result}
    class="flex size-11 items-center justify-center rounded-lg border {look.wash} {look.text}"
    title="{planned.check.title}: {planned.done?.words}"
    aria-label="{planned.check.title}: {look.word}"
    onclick={() => onopen(planned.id)}><Icon size={18} aria-hidden="true" /></button
  >
{:else}
  <button
    data-check={planned.id}
    data-result={result}
    class="flex min-h-11 w-full min-w-0 items-center gap-2 rounded-lg border px-2.5 py-1 text-left leading-tight {look
      ? look.wash
      : next
        ? 'border-act bg-card border-2'
        : planned.suggested
          ? 'border-line-strong bg-card hover:bg-well'
          : 'border-line hover:bg-well border-dashed'}"
    title={planned.done ? planned.done.words : planned.why}
    onclick={() => onopen(planned.id)}
  >
    <span class="shrink-0 {look?.text ?? (next ? '' : 'text-ink-2')}"
      ><Icon size={18} aria-hidden="true" /></span
    >
    <span class="min-w-0 flex-1">
      <span class="block text-sm {planned.suggested || look ? 'font-semibold' : ''}"
        >{planned.check.title}</span
      >
      {#if look}<span class="block text-xs {look.text}"
          >{look.word}{#if planned.done?.outcome.result === 'void'}: {planned.done.outcome
              .voidShort}{#if planned.done.outcome.countsFrom && planned.done.outcome.countsFrom > now},
              counts from {hour(planned.done.outcome.countsFrom, zone, now)}{/if}{/if}</span
        >{:else if next}<span class="block text-xs">Next</span>{/if}
    </span>
    {#if !look}<span class="text-ink-2 reading shrink-0 text-xs">{planned.minutes}′</span>{/if}
  </button>
{/if}
