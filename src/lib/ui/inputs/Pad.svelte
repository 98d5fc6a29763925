<script lang="ts">
  import Delete from '~icons/lucide/delete';
  import { formatQuantity, parseQuantity } from '$core/units/quantity';
  import { UNITS, type QuantityKind, type Unit } from '$core/units/units';
  import { pressed, unitKeys } from './pad-keys';

  /** The field that is typed into; null while none is. */
  let field = $state.raw<HTMLInputElement | null>(null);
  let text = $state('');
  let wrote = false;

  const kind = $derived((field?.dataset.quantity ?? 'temperature') as QuantityKind);
  const own = $derived(field?.dataset.unit ?? '');
  const unit = $derived<Unit>(UNITS[kind].find((u: Unit) => u.symbol === own) ?? UNITS[kind][0]);
  const units = $derived(unitKeys(kind, own));
  const label = $derived(field?.labels?.[0]?.textContent ?? '');
  const read = $derived(text.trim() === '' ? null : parseQuantity(text, kind, unit));
  const NUMBERS = ['7', '8', '9', '4', '5', '6', '1', '2', '3'] as const;

  const isQuantity = (e: EventTarget | null): e is HTMLInputElement =>
    e instanceof HTMLInputElement && e.dataset.quantity !== undefined;

  $effect(() => {
    const enter = ({ target }: FocusEvent) => {
      if (!isQuantity(target) || target.readOnly || target.disabled) return void (field = null);
      field = target;
      text = target.value;
      // The field stays in sight above the keys.
      requestAnimationFrame(() => target.scrollIntoView({ block: 'center' }));
    };
    const leave = ({ relatedTarget }: FocusEvent) => {
      // What the keys wrote, no browser tells as changed: a field that tells its value when it is left would lose it.
      if (wrote) field?.dispatchEvent(new Event('change', { bubbles: true }));
      wrote = false;
      if (!isQuantity(relatedTarget)) field = null;
    };
    const typed = ({ target }: Event) => {
      if (target === field) text = field!.value;
    };
    if (isQuantity(document.activeElement)) {
      field = document.activeElement;
      text = field.value;
    }
    document.addEventListener('focusin', enter);
    document.addEventListener('focusout', leave);
    document.addEventListener('input', typed);
    return () => {
      document.removeEventListener('focusin', enter);
      document.removeEventListener('focusout', leave);
      document.removeEventListener('input', typed);
    };
  });

  function press(key: string) {
    if (!field) return;
    field.value = pressed(field.value, key);
    wrote = true;
    field.dispatchEvent(new InputEvent('input', { bubbles: true }));
  }

  function next() {
    const all = [...document.querySelectorAll<HTMLInputElement>('input[data-quantity]')].filter(
      (i) => !i.disabled && i.offsetParent !== null
    );
    const after = field && all[all.indexOf(field) + 1];
    if (after && after.form === field?.form) after.focus();
    else field?.blur();
  }
  /** A key takes no focus: the field keeps it. */
  const stay = (e: PointerEvent) => e.preventDefault();
</script>

{#if field}
  <div
    class="pad bg-card border-line-strong no-print fixed inset-x-0 bottom-0 z-40 border-t-2 p-2 shadow-lg"
    role="group"
    aria-label="Keys for {label}"
    onpointerdown={stay}
  >
    <p class="flex items-baseline gap-3 px-1">
      <span class="text-ink-2 min-w-0 flex-1 truncate text-sm">{label}</span>
      <span class="reading text-3xl font-bold whitespace-nowrap" aria-live="polite">
        {#if read?.ok}{formatQuantity(read.value.value, kind, unit)}{:else}{text || '–'}
          <span class="text-ink-2 text-xl">{own}</span>{/if}
      </span>
    </p>
    {#if read && !read.ok}<p class="text-off px-1 text-right text-sm font-semibold">
        {read.problems[0].message}
      </p>{/if}
    <div class="mt-1 grid grid-cols-4 gap-1.5">
      {#each NUMBERS as key, i (key)}
        <button type="button" class="btn reading min-h-14 text-2xl" onclick={() => press(key)}>{key}</button>
        {#if i === 2}<button
            type="button"
            class="btn min-h-14"
            aria-label="Delete the last figure"
            onclick={() => press('back')}><Delete size={24} aria-hidden="true" /></button
          >{:else if i === 5}<button
            type="button"
            class="btn reading min-h-14 text-xl"
            aria-label="Minus"
            onclick={() => press('minus')}>+/−</button
          >{:else if i === 8}<button type="button" class="btn min-h-14" onclick={() => press('clear')}
            >Clear</button
          >{/if}
      {/each}
      <button type="button" class="btn reading min-h-14 text-2xl" onclick={() => press('.')}>.</button>
      <button type="button" class="btn reading min-h-14 text-2xl" onclick={() => press('0')}>0</button>
      <button type="button" class="btn btn-main col-span-2 min-h-14 text-lg" onclick={next}>Next</button>
      {#each units as symbol (symbol)}
        <button
          type="button"
          class="btn reading min-h-14 text-lg"
          disabled={text.trim() === ''}
          onclick={() => press(symbol)}>{symbol}</button
        >
      {/each}
    </div>
  </div>
{/if}

<style>
  /* Held sideways the keys stand beside what is typed into. */
  @media (orientation: landscape) and (max-height: 500px) {
    .pad {
      left: auto;
      width: 20rem;
      top: 0;
      overflow-y: auto;
    }
  }
</style>
