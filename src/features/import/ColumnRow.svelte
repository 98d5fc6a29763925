<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import { CHANNELS, channel, type ChannelKey } from '$core/logs/channels';
  import { timeUseOf } from '$core/logs/csv-import';
  import { TIME_FORMATS, type TimeFormat } from '$core/logs/csv-time';
  import type { Column } from '$core/logs/csv-columns';
  import { baseUnit, UNITS, type Unit } from '$core/units/units';

  interface Props {
    column: Column;
    samples: readonly string[];
    onchange: (column: Column) => void;
  }
  let { column, samples, onchange }: Props = $props();

  const use = $derived(column.use);
  const chosen = $derived(use.kind === 'channel' ? use.channel : use.kind);
  const units = $derived(
    use.kind === 'channel'
      ? (UNITS[channel(use.channel).kind] as readonly Unit[]).filter((u) => u.symbol)
      : []
  );

  function pick(value: string) {
    const change = (next: Column['use']) =>
      onchange({ ...column, use: next, why: 'chosen by hand', doubtful: false });
    if (value === 'time') change(timeUseOf(column.header, samples.find((s) => s !== '') ?? ''));
    else if (value === 'event' || value === 'ignore' || value === 'started') change({ kind: value });
    else
      change({
        kind: 'channel',
        channel: value as ChannelKey,
        unit: baseUnit(channel(value as ChannelKey).kind).symbol
      });
  }

  const setUnit = (unit: string) =>
    use.kind === 'channel' &&
    onchange({ ...column, use: { ...use, unit }, why: 'unit chosen by hand', doubtful: false });
  const setFormat = (format: string) =>
    use.kind === 'time' &&
    onchange({
      ...column,
      use: { kind: 'time', format: format as TimeFormat },
      why: 'format chosen by hand',
      doubtful: false
    });
</script>

<tr class="border-line border-t align-middle {use.kind === 'ignore' ? 'text-ink-2' : ''}">
  <th scope="row" class="max-w-56 truncate py-1.5 pr-4 text-left font-semibold" title={column.header}
    >{column.header}</th
  >
  <td class="reading max-w-64 truncate py-1.5 pr-4 text-sm"
    >{samples
      .slice(0, 4)
      .map((s) => s || '·')
      .join('   ')}</td
  >
  <td class="w-52 py-1.5 pr-3">
    <Select
      label="What {column.header} is"
      quiet
      choices={[
        { value: 'ignore', label: 'Leave out' },
        { value: 'time', label: 'Time' },
        ...CHANNELS.map((c) => ({ value: c.key, label: c.title })),
        { value: 'started', label: 'Date or clock of the start' },
        { value: 'event', label: 'Marks' }
      ]}
      value={chosen}
      onvalue={(use) => pick(use!)}
    />
  </td>
  <td class="w-44 py-1.5 pr-3">
    {#if use.kind === 'channel' && units.length > 0}
      <Select
        label="Unit of {column.header}"
        quiet
        choices={units.map((u) => ({ value: u.symbol, label: u.symbol }))}
        value={use.unit}
        onvalue={(unit) => setUnit(unit!)}
      />
    {:else if use.kind === 'time'}
      <Select
        label="How {column.header} is written"
        quiet
        choices={Object.entries(TIME_FORMATS).map(([value, label]) => ({ value, label }))}
        value={use.format}
        onvalue={(format) => setFormat(format!)}
      />
    {/if}
  </td>
  <td class="py-1.5 text-sm {column.doubtful ? 'text-off font-semibold' : 'text-ink-2'}"
    >{column.doubtful ? 'Check: ' : ''}{column.why}</td
  >
</tr>
