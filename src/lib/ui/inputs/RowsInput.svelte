<script lang="ts">
  import X from '~icons/lucide/x';
  import { untrack } from 'svelte';
  import { fieldText } from '$core/vehicle/sheet-fields';
  import { emptyOf, valueAt, withValue, type Field } from '$core/units/field';
  import type { Instrument, InstrumentId } from '$core/measure/instruments';
  import { shown } from '../page-state/units';
  import BenchRead from './BenchRead.svelte';
  import LeafInput from './LeafInput.svelte';
  import { lastInstrument, rememberInstrument } from './instrument-memory';
  import InstrumentPick from './InstrumentPick.svelte';
  import RowEntry from './RowEntry.svelte';

  type Row = Record<string, unknown>;
  interface Props {
    field: Extract<Field, { kind: 'rows' }>;
    rows: readonly Row[];
    /** What the first row begins with. */
    firstRow?: Row;
    /** What is wrong, by the path within the record. */
    wrong: (path: string) => string | undefined;
    onvalue: (rows: readonly Row[]) => void;
  }
  let { field, rows, firstRow, wrong, onvalue }: Props = $props();

  const stamp = $derived(field.fields.find((f) => f.kind === 'quantity' && f.stamped));
  const typed = $derived(field.fields.filter((f) => f.kind !== 'instrument' && f.kind !== 'choice'));
  /** What stays as it is from row to row: which way it goes, what it is taken with. */
  const kept = $derived(field.fields.filter((f) => f.kind === 'instrument' || f.kind === 'choice'));

  function first(): Row {
    const last = rows.at(-1);
    return Object.fromEntries(
      field.fields.map((f) => [
        f.path,
        f.kind === 'instrument'
          ? (last?.[f.path] ?? lastInstrument(f.takenWith!.place, f.takenWith!.choices[0] as InstrumentId))
          : f.kind === 'choice'
            ? (last?.[f.path] ?? Object.keys(f.choices ?? {})[0])
            : emptyOf([f])[f.path]
      ])
    );
  }
  let draft = $state.raw<Row>(untrack(() => (rows.length === 0 ? { ...first(), ...firstRow } : first())));

  /** When the first row was typed: the watch of the others runs by itself. */
  let began = $state<number | null>(null);
  function stamped(row: Row): Row {
    if (!stamp || row[stamp.path] !== null) return row;
    const last = Number(rows.at(-1)?.[stamp.path] ?? 0);
    const from = (began ??= Date.now() - last * 60_000);
    return { ...row, [stamp.path]: Math.round((Date.now() - from) / 600) / 100 };
  }
  /** A time that is not typed is no gap. */
  const complete = $derived(
    field.row.safeParse(stamp ? { ...draft, [stamp.path]: draft[stamp.path] ?? 0 } : draft).success
  );

  function add(row: Row) {
    onvalue([...rows, field.row.parse(stamped(row)) as Row]);
    draft = { ...draft, ...Object.fromEntries(typed.map((f) => [f.path, null])) };
  }
  interface Asked {
    readonly ask: NonNullable<Field['bench']>;
    readonly min?: number;
    readonly label: string;
    readonly onread: (value: number) => void;
  }
  /** The simulated instruments of a row; one that is looked at every few minutes makes a row of each look. */
  const instruments = $derived(
    typed.flatMap((f): Asked[] => {
      if (!f.bench) return [];
      const what = f.label.toLowerCase();
      if (!stamp || !('part' in f.bench) || !f.bench.everyMin)
        return [
          {
            ask: f.bench,
            label: `Simulated ${what}`,
            onread: (v: number) => (draft = withValue(draft, f.path, v))
          }
        ];
      const min = Number(rows.at(-1)?.[stamp.path] ?? -f.bench.everyMin) + f.bench.everyMin;
      return [
        {
          ask: { part: f.bench.part },
          min,
          label: `Simulated ${what}, at ${min} min`,
          onread: (v: number) => add({ ...draft, [f.path]: v, [stamp.path]: min })
        }
      ];
    })
  );

  function take(at: string, place: string, next: Instrument) {
    draft = { ...draft, [at]: next };
    rememberInstrument(place, next);
  }
  const problems = $derived(
    rows.flatMap((_, i) =>
      [`${field.path}.${i}`, ...field.fields.map((f) => `${field.path}.${i}.${f.path}`)].flatMap((path) => {
        const problem = wrong(path);
        return problem ? [{ row: i, problem }] : [];
      })
    )
  );
  const shownOf = (f: Field, row: Row) =>
    fieldText(f, valueAt(row, f.path), (v, kind) => shown(v, kind)) ?? '–';
  /** A column that nothing stands in is left out. */
  const columns = $derived(
    field.fields.filter((f) => f.kind !== 'instrument' && rows.some((r) => r[f.path] != null))
  );
</script>

<!-- Rows of readings as they are taken: one is typed, the others stand below. -->
<div role="group" aria-label={field.label} class="space-y-2">
  {#each kept as f (f.path)}
    {#if f.kind === 'choice'}
      <LeafInput
        field={f}
        at=""
        value={draft[f.path]}
        wrong={() => undefined}
        onvalue={(v) => (draft = { ...draft, [f.path]: v ?? draft[f.path] })}
        tap
      />
    {/if}
  {/each}
  <RowEntry label={field.add ?? 'Add'} {complete} onadd={() => add(draft)}>
    <div class="grid grid-cols-2 gap-x-2">
      {#each typed as f, i (f.path)}
        <LeafInput
          field={f}
          at=""
          value={draft[f.path]}
          wrong={() => (i === 0 ? wrong(field.path) : undefined)}
          onvalue={(v) => (draft = withValue(draft, f.path, v))}
          bench={false}
          tap
        />
      {/each}
    </div>
    <div class="flex flex-wrap gap-x-4">
      {#each instruments as { ask, min, label, onread } (label)}<BenchRead
          {...ask}
          {min}
          {label}
          {onread}
        />{/each}
    </div>
  </RowEntry>
  {#each kept as f (f.path)}
    {#if f.kind === 'instrument'}
      <InstrumentPick
        of={f.label}
        instrument={draft[f.path] as Instrument}
        choices={f.takenWith!.choices as readonly InstrumentId[]}
        onchange={(next) => take(f.path, f.takenWith!.place, next)}
      />
    {/if}
  {/each}
  {#if rows.length > 0}
    <div class="overflow-x-auto">
      <table class="reading w-full text-right text-sm" data-rows={rows.length}>
        <thead class="text-ink-2"
          ><tr
            >{#each columns as f (f.path)}<th class="py-1 pl-2 font-normal">{f.label}</th>{/each}<th
              class="w-9"><span class="sr-only">Remove</span></th
            ></tr
          ></thead
        >
        <tbody>
          {#each rows as row, i (i)}
            <tr class="border-line border-t {problems.some((p) => p.row === i) ? 'text-off' : ''}">
              {#each columns as f (f.path)}<td class="py-1 pl-2 whitespace-nowrap">{shownOf(f, row)}</td
                >{/each}
              <td
                ><button
                  type="button"
                  class="inline-flex size-11 items-center justify-center"
                  aria-label="Remove row {i + 1} of {field.label.toLowerCase()}"
                  onclick={() => onvalue(rows.filter((_, k) => k !== i))}
                  ><X size={16} aria-hidden="true" /></button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#each problems as { row, problem } (row)}<p class="text-off text-xs font-semibold">
        Row {row + 1}: {problem}
      </p>{/each}
  {/if}
</div>
