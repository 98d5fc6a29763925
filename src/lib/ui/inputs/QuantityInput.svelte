<script lang="ts">
  import { formatQuantity, parseQuantity } from '$core/units/quantity';
  import { fromBase, UNITS, type QuantityKind, type Unit } from '$core/units/units';
  import { hasPad } from '../page-state/hands.svelte';
  import { inReaderUnits, unitOf } from '../page-state/units';

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

  /** What stands in the field by hand, and the value and unit it stood for: shown until either is changed from outside. */
  let typed = $state.raw<{ text: string; value: number | null; unit: Unit } | null>(null);
  /** A value may come back through another unit, and lose its last bit on the way. */
  const same = (a: number | null, b: number | null) =>
    a === b || (a !== null && b !== null && Math.abs(a - b) <= 1e-9 * Math.max(Math.abs(a), Math.abs(b)));
  const ours = $derived(typed && same(typed.value, value ?? null) && typed.unit === unit ? typed.text : null);
  const text = $derived(ours ?? written(value));
  const parsed = $derived(text.trim() === '' ? null : parseQuantity(text, kind, unit));
  const units = $derived(UNITS[kind].map((u: Unit) => u.symbol).filter(Boolean));

  /** Shows what was understood whenever it is not letter for letter what was typed. */
  const echo = $derived(
    parsed?.ok && !/^[-−]?[\d.]+$/.test(text.trim())
      ? `= ${formatQuantity(parsed.value.value, kind, unit)}`
      : ''
  );
  let left = $state(false);
  const unreadable = $derived(
    parsed && !parsed.ok
      ? parsed.problems[0].message
      : left && required && text.trim() === ''
        ? `Type a value in ${unit.symbol}`
        : undefined
  );
  const wrong = $derived(unreadable ?? (problem && inReaderUnits(problem)));

  function read(now: string, tell: boolean) {
    left = true;
    const understood = now.trim() === '' ? null : parseQuantity(now, kind, unit);
    const means = understood === null ? null : understood.ok ? understood.value.value : undefined;
    // What cannot be read stands where it is, and the value with it, until it can.
    const told = tell && means !== undefined ? means : (value ?? null);
    typed = { text: now, value: told, unit };
    if (told === (value ?? null)) return;
    value = told;
    onvalue?.(told);
  }
</script>

<div>
  <label for={id} class={quiet ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>{label}</label>
  <div class="relative">
    <input
      {id}
      class="field reading pr-14"
      inputmode={hasPad() ? 'none' : 'text'}
      data-quantity={kind}
      data-unit={unit.symbol}
      autocomplete="off"
      value={text}
      oninput={(e) => read(e.currentTarget.value, !lazy)}
      onchange={lazy ? (e) => read(e.currentTarget.value, true) : undefined}
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
