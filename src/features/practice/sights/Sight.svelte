<script lang="ts">
  import CoolantSight from './CoolantSight.svelte';
  import FeltSight from './FeltSight.svelte';
  import FrontSight from './FrontSight.svelte';
  import HeardSight from './HeardSight.svelte';
  import PartSight from './PartSight.svelte';

  interface Props {
    look: string;
    is: string;
  }
  let { look, is }: Props = $props();
  const DRAWN = {
    coolant: { of: ['level', 'leaks', 'colour', 'hoses', 'pump'], by: CoolantSight },
    front: { of: ['face', 'between', 'belt', 'connector', 'added'], by: FrontSight },
    felt: { of: ['felt', 'firstTurn', 'moves', 'feels'], by: FeltSight },
    part: { of: ['seen', 'seal', 'turns', 'then', 'fan', 'powered', 'unpowered'], by: PartSight }
  };
  const Drawn = $derived(Object.values(DRAWN).find((d) => d.of.includes(look))?.by);
</script>

<!-- What there is to see, hear or feel, without a word for it: that is for whoever looks. -->
{#if Drawn}
  <svg
    viewBox="0 0 240 200"
    class="w-full max-w-44"
    role="img"
    aria-label="What there is to see or feel"
    data-sight="{look} {is}"
  >
    <Drawn {look} {is} />
  </svg>
{:else}<HeardSight {look} {is} />{/if}
