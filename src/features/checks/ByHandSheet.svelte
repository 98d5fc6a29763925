<script lang="ts">
  import type { ByHandReadings } from '$core/checks/by-hand';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), problems }: SheetProps<Draft<ByHandReadings>> = $props();
  const CHOICES = [
    { value: 'pass', label: 'Pass', tone: 'good' },
    { value: 'fail', label: 'Finding', tone: 'bad' },
    { value: 'unclear', label: 'Unclear' }
  ] as const;
</script>

<label class="block"
  ><span class="mb-1 block text-sm font-semibold">Measured, and the limit it was held against</span><textarea
    class="field min-h-28"
    maxlength="1000"
    bind:value={readings.found}
    aria-invalid={problems.found ? 'true' : undefined}></textarea>
  {#if problems.found}<span class="text-off text-xs font-semibold">{problems.found}</span>{/if}</label
>
<Choose
  label="You judge it"
  choices={CHOICES}
  bind:value={readings.judged as string | null}
  problem={problems.judged}
/>
<p class="text-ink-2 text-sm">This check is judged by you; Pyrethos keeps it with the limit you wrote.</p>
