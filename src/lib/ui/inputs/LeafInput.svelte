<script lang="ts">
  import { valueAt, type Field } from '$core/units/field';
  import { findUnit, fromBase, toBase } from '$core/units/units';
  import { inReaderUnits, unitOf } from '../page-state/units';
  import BenchRead from './BenchRead.svelte';
  import Choose from './Choose.svelte';
  import ListInput from './ListInput.svelte';
  import QuantityInput from './QuantityInput.svelte';
  import ReadingInput from './ReadingInput.svelte';
  import Select from './Select.svelte';
  import SliderInput from './SliderInput.svelte';
  import Stopwatch from './Stopwatch.svelte';
  import TableInput from './TableInput.svelte';
  import Tick from './Tick.svelte';

  interface Props {
    field: Field;
    value: unknown;
    /** What is wrong, by the path of the field within the sheet. */
    wrong: (path: string) => string | undefined;
    onvalue: (value: unknown) => void;
    /** Where the field stands, of a row of a list. */
    at?: string;
    /** Choices are tapped: for a hand that is at an engine. */
    tap?: boolean;
    /** Whether the simulated instrument is read beside it. */
    bench?: boolean;
  }
  let { field, value, wrong, onvalue, at = field.path, tap = false, bench = true }: Props = $props();

  // Ohms of a data sheet are written in full: 2300 Ω, and not 2.30 kΩ.
  const OHM = findUnit('resistance', 'ohm')!;
  const kept = $derived(field.keptIn ? findUnit(field.quantity ?? 'number', field.keptIn) : undefined);
  const unit = $derived(
    kept ?? (field.quantity === 'resistance' && !tap ? OHM : unitOf(field.quantity ?? 'number'))
  );
  const inBase = (v: unknown) => (v == null ? null : kept ? toBase(v as number, kept) : (v as number));
  const asKept = (v: number | null) => (v === null || !kept ? v : Number(fromBase(v, kept).toPrecision(9)));
  const YES_NO = [
    { value: 'yes', label: 'yes' },
    { value: 'no', label: 'no' }
  ];
  const choices = (words: Field['choices']) =>
    Object.entries(words ?? {}).map(([v, label]) => ({
      value: v,
      label,
      ...(field.bad?.includes(v) ? { tone: 'bad' as const } : {})
    }));
  const rows = $derived((value ?? []) as Record<string, unknown>[]);
  /** The first row of a table that is wrong, or is not complete. */
  const rowProblem = $derived(
    rows
      .flatMap((_, i) => [
        wrong(`${at}.${i}`),
        ...(field.columns ?? []).map(
          (c, k) => wrong(`${at}.${i}.${k}`) && `Row ${i + 1}: type ${c.label.toLowerCase()}`
        )
      ])
      .find(Boolean)
  );
  const amounts = $derived((value ?? {}) as Record<string, number | null>);
  const named = $derived([...new Set([...Object.keys(field.keys ?? {}), ...Object.keys(amounts)])]);
</script>

{#if field.kind === 'quantity' && field.taps}
  <Choose
    label={field.label}
    choices={field.taps.map((n) => ({
      value: String(n),
      label: `${n}${unit.symbol ? ` ${unit.symbol}` : ''}`
    }))}
    value={value == null ? null : String(value as number)}
    optional={!field.needed}
    problem={wrong(at)}
    onvalue={(v) => onvalue(v === null ? null : Number(v))}
  />
{:else if field.kind === 'quantity' && field.slider}
  <SliderInput
    {...field.slider}
    label={field.label}
    min={field.min}
    max={field.max}
    value={value as number | null}
    problem={wrong(at)}
    {onvalue}
  />
{:else if field.kind === 'quantity'}
  <div>
    {#if field.presets}
      <div class="mb-2 flex flex-wrap gap-2" role="group" aria-label={field.label}>
        {#each Object.entries(field.presets) as [label, preset] (label)}
          <button
            type="button"
            class="min-h-11 rounded-lg border px-3.5 {value === preset
              ? 'border-act bg-well border-2 font-semibold'
              : 'border-line-strong bg-card hover:bg-well'}"
            aria-pressed={value === preset}
            onclick={() => onvalue(preset)}>{label}</button
          >
        {/each}
      </div>
    {/if}
    <QuantityInput
      label={field.label}
      kind={field.quantity ?? 'number'}
      {unit}
      value={inBase(value)}
      hint={field.hint && inReaderUnits(field.hint)}
      required={field.needed}
      problem={wrong(at)}
      onvalue={(v) => onvalue(asKept(v))}
    />
    {#if field.watch}<Stopwatch
        {...field.watch}
        onread={(seconds) => onvalue(kept ? Math.round(10 * fromBase(seconds, kept)) / 10 : seconds)}
      />{/if}
    {#if bench && field.bench}<BenchRead
        {...field.bench}
        label="Read the simulated instrument"
        onread={(v) => onvalue(asKept(v))}
      />{/if}
  </div>
{:else if field.kind === 'choice' && tap}
  <Choose
    label={field.label}
    choices={choices(field.choices)}
    value={value as string | null}
    optional={!field.needed}
    wide={Object.values(field.choices ?? {}).some((c) => c.length > 32)}
    problem={wrong(at)}
    {onvalue}
  />
{:else if field.kind === 'choice'}
  <Select
    label={field.label}
    choices={choices(field.choices)}
    value={value as string | null}
    blank={field.blank ?? 'not known'}
    problem={wrong(at)}
    {onvalue}
  />
{:else if field.kind === 'flag' && field.needed}
  <Tick label={field.label} value={value === true} problem={wrong(at)} {onvalue} />
{:else if field.kind === 'flag'}
  <Select
    label={field.label}
    choices={YES_NO}
    value={value == null ? null : value ? 'yes' : 'no'}
    blank="not known"
    problem={wrong(at)}
    onvalue={(v) => onvalue(v === null ? null : v === 'yes')}
  />
{:else if field.kind === 'text' && field.lines}
  <label class="block"
    ><span class="mb-1 block text-sm font-semibold">{field.label}</span><textarea
      class="field min-h-28"
      value={(value as string | null) ?? ''}
      oninput={(e) => onvalue(e.currentTarget.value)}
      maxlength="1000"
      aria-invalid={wrong(at) ? 'true' : undefined}></textarea><span
      class="mt-1 block text-xs {wrong(at) ? 'text-off font-semibold' : 'text-ink-2'}"
      >{wrong(at) ?? field.hint ?? ''}</span
    ></label
  >
{:else if field.kind === 'text'}
  <label class="block"
    ><span class="mb-1 block text-sm font-semibold">{field.label}</span><input
      class="field"
      value={(value as string | null) ?? ''}
      oninput={(e) => onvalue(e.currentTarget.value)}
      maxlength="200"
      autocomplete="off"
      aria-invalid={wrong(at) ? 'true' : undefined}
    /><span class="mt-1 block min-h-5 text-xs {wrong(at) ? 'text-off font-semibold' : 'text-ink-2'}"
      >{wrong(at) ?? field.hint ?? ''}</span
    ></label
  >
{:else if field.kind === 'reading'}
  <ReadingInput {field} value={value as never} problem={wrong(at) ?? wrong(`${at}.celsius`)} {onvalue} />
{:else if field.kind === 'list'}
  <ListInput {field} value={(value ?? []) as number[]} problem={wrong(at)} {onvalue} />
{:else if field.kind === 'table'}
  <div class="col-span-full">
    <TableInput
      label={field.label}
      columns={field.columns ?? []}
      value={value as (number | null)[][] | null}
      problem={wrong(at) ?? rowProblem}
      {onvalue}
    />
  </div>
{:else if field.kind === 'amounts'}
  {#each named as key (key)}
    <QuantityInput
      label={field.keys?.[key] ?? key}
      kind={field.quantity ?? 'number'}
      value={amounts[key] ?? null}
      problem={wrong(`${at}.${key}`)}
      onvalue={(v) =>
        onvalue(
          Object.fromEntries(
            Object.entries({ ...amounts, [key]: v }).filter(([, n]) => n !== null && n !== undefined)
          )
        )}
    />
  {/each}
{:else if field.kind === 'one-of'}
  <Select
    label={field.label}
    choices={choices(field.choices)}
    value={valueAt(value, field.by) as string | null}
    blank={field.blank ?? 'not known'}
    problem={wrong(at)}
    onvalue={(v) => onvalue(v === null ? null : { ...(value as object | null), [field.by]: v })}
  />
{/if}
