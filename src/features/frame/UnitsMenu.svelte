<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import { Popover } from 'bits-ui';
  import { CHOOSABLE, SYSTEMS } from '$core/units/say';
  import { UNITS, type Unit } from '$core/units/units';
  import { DATE_FORMS, type DateForm } from '$core/base/dates';
  import { chooseDates, chooseUnit, chooseUnits, unitOf } from '$lib/ui/page-state/units';
  import { dateForm } from '$lib/ui/page-state/when';

  interface Props {
    /** The button it hangs from. */
    anchor: HTMLElement;
    open: boolean;
  }
  let { anchor, open = $bindable() }: Props = $props();

  const symbols = (kind: (typeof CHOOSABLE)[number]) => UNITS[kind].map((u: Unit) => u.symbol);
</script>

<Popover.Root bind:open>
  <Popover.Portal>
    <Popover.Content
      class="card z-50 w-80 p-4 shadow-lg"
      sideOffset={6}
      align="end"
      customAnchor={anchor}
      onInteractOutside={(e) => anchor.contains(e.target as Node) && e.preventDefault()}
    >
      <p class="font-bold">Shown in</p>
      <p class="text-ink-2 text-sm">Anything may be typed with its own unit.</p>
      <div class="mt-2 flex gap-2">
        {#each Object.entries(SYSTEMS) as [name, choice] (name)}<button
            type="button"
            class="btn flex-1"
            onclick={() => chooseUnits(choice)}>{name}</button
          >{/each}
      </div>
      {#each CHOOSABLE as kind (kind)}
        <div class="mt-2 grid grid-cols-[1fr_130px] items-center gap-3">
          <span class="capitalize">{kind}</span>
          <Select
            label="Unit of {kind}"
            quiet
            choices={symbols(kind).map((symbol) => ({ value: symbol, label: symbol }))}
            value={unitOf(kind).symbol}
            onvalue={(symbol) => chooseUnit(kind, symbol!)}
          />
        </div>
      {/each}
      <div class="mt-2 grid grid-cols-[1fr_190px] items-center gap-3">
        <span>Dates</span>
        <Select
          label="Form of dates"
          quiet
          choices={Object.entries(DATE_FORMS).map(([value, label]) => ({ value, label }))}
          value={dateForm()}
          onvalue={(form) => chooseDates(form as DateForm)}
        />
      </div>
    </Popover.Content>
  </Popover.Portal>
</Popover.Root>
