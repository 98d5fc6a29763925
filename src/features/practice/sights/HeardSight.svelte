<script lang="ts">
  import Volume from '~icons/lucide/volume-2';
  import { soundOf } from './sound';

  interface Props {
    look: string;
    is: string;
  }
  let { look, is }: Props = $props();
  /** Loudness of 0 to 1 at each half second, beside the engine that runs. */
  const LOUD: Readonly<Record<string, Readonly<Record<string, readonly number[]>>>> = {
    cold: {
      fades: [0.9, 0.9, 0.86, 0.8, 0.7, 0.56, 0.4, 0.28, 0.2, 0.16, 0.15, 0.15],
      quiet: [0.15, 0.16, 0.15, 0.14, 0.15, 0.16, 0.15, 0.15, 0.14, 0.15, 0.16, 0.15],
      roars: [0.9, 0.92, 0.9, 0.91, 0.9, 0.92, 0.9, 0.9, 0.91, 0.9, 0.92, 0.9]
    },
    hot: {
      roars: [0.15, 0.15, 0.16, 0.15, 0.2, 0.4, 0.66, 0.84, 0.9, 0.92, 0.9, 0.91],
      quiet: [0.15, 0.16, 0.15, 0.14, 0.15, 0.16, 0.15, 0.15, 0.14, 0.15, 0.16, 0.15]
    },
    click: {
      yes: [0.05, 0.05, 0.05, 1, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05],
      no: [0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05],
      unknown: [0.7, 0.74, 0.7, 0.72, 0.7, 0.75, 0.7, 0.72, 0.74, 0.7, 0.72, 0.7]
    }
  };
  /** A hum that goes on, or nothing. */
  const HUM = { yes: [0.5, 0.52, 0.5, 0.51, 0.5, 0.52, 0.5, 0.51, 0.5, 0.52, 0.5, 0.51], no: LOUD.click.no };
  const clicks = $derived(look === 'click' || look === 'clicks');
  const loud = $derived(
    clicks ? LOUD.click[is] : look === 'runs' ? HUM[is as keyof typeof HUM] : LOUD[look][is]
  );
</script>

<!-- Heard by whoever can, and drawn for whoever cannot: loud is high, the time goes to the right. -->
<svg
  viewBox="0 0 240 200"
  class="w-full max-w-44"
  role="img"
  aria-label="How loud it is, along the time"
  data-sight="{look} {is}"
>
  {#each loud as l, i (i)}<rect
      x={6 + 19 * i}
      y={180 - 160 * l}
      width="15"
      height={160 * l}
      fill="var(--act)"
    />{/each}
  <path d="M6 182 H234" stroke="var(--ink)" stroke-width="3" />
</svg>
<button type="button" class="btn mt-1" onclick={() => soundOf(loud, clicks)}
  ><Volume size={18} aria-hidden="true" />Listen</button
>
