<script lang="ts">
  import { formatQuantity, parseQuantity } from '$core/units/quantity';
  import { fromBase, UNITS, type QuantityKind, type Unit } from '$core/units/units';
  import { unitOf } from '../page-state/units';

  interface Props {
    label: string;
    kind: QuantityKind;
    /** In the core's unit; null where nothing is given. */
    value: number | null | undefined;
    unit?: Unit;
    hint?: string;
    /** What is wrong with it in its context; what cannot be read at all is said by itself. */
    problem?: string;
    required?: boolean;
    /** The label is for those who cannot see the field among its words. */
    quiet?: boolean;
    /** Tells its value when the field is left, not at every key. */
    lazy?: boolean;
    onvalue?: (value: number | null) => void;
  }
  let {
    label,
    kind,
    value = $bindable(),
    unit = unitOf(kind),
    hint,
    problem,
    required = false,
    quiet = false,
    lazy = false,
    onvalue
  }: Props = $props();

  const id = $props.id();
  const written = (v: number | null | undefined) =>
    v == null ? '' : String(Number(fromBase(v, unit).toPrecision(7)));
  let text = $state(written(value));
  let ours = $state<string | null>(null);
  const units = $derived(UNITS[kind].map((u: Unit) => u.symbol).filter(Boolean));

  /** Shows what was understood whenever it is not letter for letter what was typed. */
  const echo = $derived.by(() => {
    const parsed = text.trim() === '' ? null : parseQuantity(text, kind, unit);
    return parsed?.ok && !/^[-−]?[\d.]+$/.test(text.trim())
      ? `= ${formatQuantity(parsed.value.value, kind, unit)}`
      : '';
  });
  const wrong = $derived(ours ?? problem);

  function read() {
    if (text.trim() === '') {
      ours = required ? `Type a value in ${unit.symbol}` : null;
      value = null;
      onvalue?.(null);
      return;
    }
    const parsed = parseQuantity(text, kind, unit);
    ours = parsed.ok ? null : parsed.problems[0].message;
    if (!parsed.ok) return;
    value = parsed.value.value;
    onvalue?.(parsed.value.value);
  }
</script>

<div>
  <label for={id} class={quiet ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>{label}</label>
  <div class="relative">
    <input
      {id}
      class="field reading pr-14"
      inputmode="text"
      autocomplete="off"
      bind:value={text}
      oninput={lazy ? undefined : read}
      onchange={lazy ? read : undefined}
      aria-invalid={wrong ? 'true' : undefined}
      aria-describedby="{id}-help"
      title={units.length > 1 ? `Any of ${units.join(', ')} may be typed` : undefined}
    />
    <span
      class="text-ink-2 pointer-events-none absolute inset-y-0 right-3 flex items-center text-sm"
      aria-hidden="true">{unit.symbol}</span
    >
  </div>
  <p id="{id}-help" class="mt-1 min-h-5 text-xs {wrong ? 'text-off font-semibold' : 'text-ink-2'}">
    {wrong ?? (echo || hint || '')}
  </p>
</div>
