<script lang="ts">
  import { parseDate, type DateValue } from '@internationalized/date';
  import { DatePicker } from 'bits-ui';
  import CalendarDays from '~icons/lucide/calendar-days';
  import ChevronLeft from '~icons/lucide/chevron-left';
  import ChevronRight from '~icons/lucide/chevron-right';
  import { dateForm } from '../page-state/when';

  interface Props {
    label: string;
    /** ISO 8601, a day; empty where none is given. */
    value: string;
    /** The last day that can be, ISO 8601. */
    max?: string;
    /** What a plain form sends it as. */
    name?: string;
    quiet?: boolean;
    problem?: string;
    onvalue?: (value: string) => void;
  }
  let { label, value = $bindable(), max, name, quiet = false, problem, onvalue }: Props = $props();
  const day = (text: string | undefined): DateValue | undefined => {
    try {
      return text ? parseDate(text) : undefined;
    } catch {
      return undefined;
    }
  };
  const chosen = $derived(day(value));

  function choose(next: DateValue | undefined) {
    value = next?.toString() ?? '';
    onvalue?.(value);
  }
  const ARROW = 'hover:bg-well inline-flex size-11 items-center justify-center rounded-md';
</script>

<!-- A day, typed or picked from a calendar; written as this person writes dates. -->
<div data-date={label}>
  <DatePicker.Root
    value={chosen}
    onValueChange={choose}
    maxValue={day(max)}
    locale={dateForm()}
    weekStartsOn={1}
    calendarLabel={label}
    weekdayFormat="short"
    fixedWeeks
  >
    <DatePicker.Label class={quiet ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>{label}</DatePicker.Label
    >
    <div class="relative">
      <DatePicker.Input
        class="field reading flex items-center pr-12"
        aria-invalid={problem ? 'true' : undefined}
      >
        {#snippet children({ segments })}
          {#each segments as { part, value: text }, i (`${part}${i}`)}
            {#if part === 'literal'}<span class="text-ink-2" aria-hidden="true">{text}</span>
            {:else}<DatePicker.Segment
                {part}
                class="focus:bg-act focus:text-card aria-[valuetext=Empty]:text-ink-2 rounded px-0.5 outline-none"
                >{text}</DatePicker.Segment
              >{/if}
          {/each}
        {/snippet}
      </DatePicker.Input>
      <DatePicker.Trigger
        class="absolute inset-y-0 right-0 inline-flex w-11 items-center justify-center"
        aria-label="{label}: calendar"><CalendarDays size={18} aria-hidden="true" /></DatePicker.Trigger
      >
    </div>
    <DatePicker.Portal>
      <DatePicker.Content
        class="bg-card border-line-strong z-60 rounded-lg border p-2 shadow-lg"
        sideOffset={4}
      >
        <DatePicker.Calendar>
          {#snippet children({ months, weekdays })}
            <DatePicker.Header class="flex items-center justify-between">
              <DatePicker.PrevButton class={ARROW} aria-label="Month before"
                ><ChevronLeft size={18} aria-hidden="true" /></DatePicker.PrevButton
              >
              <DatePicker.Heading class="font-semibold" />
              <DatePicker.NextButton class={ARROW} aria-label="Next month"
                ><ChevronRight size={18} aria-hidden="true" /></DatePicker.NextButton
              >
            </DatePicker.Header>
            {#each months as month (month.value.toString())}
              <DatePicker.Grid>
                <DatePicker.GridHead>
                  <DatePicker.GridRow class="flex">
                    {#each weekdays as w, i (i)}<DatePicker.HeadCell
                        class="text-ink-2 w-11 text-center text-sm font-normal">{w}</DatePicker.HeadCell
                      >{/each}
                  </DatePicker.GridRow>
                </DatePicker.GridHead>
                <DatePicker.GridBody>
                  {#each month.weeks as week, i (i)}
                    <DatePicker.GridRow class="flex">
                      {#each week as date (date.toString())}
                        <DatePicker.Cell {date} month={month.value} class="p-0"
                          ><DatePicker.Day
                            class="reading hover:bg-well data-selected:bg-act data-selected:text-card data-outside-month:text-ink-2 inline-flex size-11 items-center justify-center rounded-md data-disabled:opacity-45"
                          /></DatePicker.Cell
                        >
                      {/each}
                    </DatePicker.GridRow>
                  {/each}
                </DatePicker.GridBody>
              </DatePicker.Grid>
            {/each}
          {/snippet}
        </DatePicker.Calendar>
      </DatePicker.Content>
    </DatePicker.Portal>
  </DatePicker.Root>
  {#if name}<input type="hidden" {name} {value} />{/if}
  {#if problem}<p class="text-off mt-1 text-xs font-semibold">{problem}</p>{/if}
</div>
