<script lang="ts">
  import { fieldName, fieldText, SHEET_PARTS } from '$core/vehicle/sheet-fields';
  import { readPasted, withPasted } from '$core/vehicle/pasted-sheet';
  import { shown } from '$lib/ui/page-state/units';

  interface Props {
    typed: Record<string, unknown>;
    onuse: (typed: Record<string, unknown>) => void;
  }
  let { typed, onuse }: Props = $props();
  const EXAMPLE =
    'Thermostat starts to open: 187 °F\nFully open: 210 °F\nCoolant capacity: 6.2 L\nFan low on 101 °C, off 96 °C';
  let page = $state('');
  const read = $derived(readPasted(page));
  const FIELDS = SHEET_PARTS.flatMap((p) => p.fields);
  function said(path: string, value: unknown): string {
    if (path.startsWith('torqueNm.')) return shown(value as number, 'torque');
    if (/^fan\.stages\..*C$/.test(path)) return shown(value as number, 'temperature');
    const field = FIELDS.find((f) => f.path === path);
    if (path === 'ect.curve') return 'a table of the sensor';
    return (
      (field && fieldText(field, value, shown)) ??
      (typeof value === 'number' ? shown(value, 'temperature') : String(value))
    );
  }
  /** A file that was dropped is read as text. */
  async function drop(event: DragEvent) {
    const file = event.dataTransfer?.files[0];
    if (!file) return;
    event.preventDefault();
    page = (await file.text()).slice(0, 100_000);
  }
</script>

<div class="grid items-start gap-4 lg:grid-cols-2">
  <label class="block"
    ><span class="mb-1 block text-sm font-semibold">A page of values</span><textarea
      class="field reading min-h-[50vh] text-sm"
      maxlength="100000"
      spellcheck="false"
      placeholder={EXAMPLE}
      ondrop={drop}
      bind:value={page}></textarea></label
  >
  <section class="card p-4" aria-label="What was understood" aria-live="polite">
    <h2>Understood</h2>
    {#if read.understood.length === 0}
      <p class="text-ink-2 mt-1">
        {page.trim() === ''
          ? 'Paste or drop a page: a line or a row for each value, with its unit.'
          : 'Nothing on this page is a value of the sheet. Each line needs what it is about, a figure and its unit.'}
      </p>
    {:else}
      <table class="mt-2 w-full text-sm">
        <tbody>
          {#each read.understood as u (u.path)}
            <tr class="border-line border-t align-top" data-understood={u.path}>
              <th class="py-1.5 pr-3 text-left font-semibold">{fieldName(u.path)}</th>
              <td class="reading py-1.5 pr-3 text-right">{said(u.path, u.value)}</td>
              <td class="text-ink-2 py-1.5 text-xs">line {u.line}: {u.text.slice(0, 60)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <button type="button" class="btn btn-main mt-3" onclick={() => onuse(withPasted(typed, read))}
        >Put {read.understood.length} value{read.understood.length === 1 ? '' : 's'} into the sheet</button
      >
    {/if}
    {#if read.left.length > 0}
      <h3 class="mt-4 font-bold">Not understood</h3>
      <ul class="text-ink-2 mt-1 text-sm">
        {#each read.left.slice(0, 20) as l (l.line)}<li>
            Line {l.line}, {l.text.slice(0, 60)}: {l.why}
          </li>{/each}
      </ul>
    {/if}
  </section>
</div>
