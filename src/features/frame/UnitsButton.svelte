<script lang="ts">
  import Ruler from '~icons/lucide/ruler';
  import MenuButton from '$lib/ui/inputs/MenuButton.svelte';
  import { unitOf } from '$lib/ui/page-state/units';
</script>

<MenuButton
  label="Units: {unitOf('temperature').symbol} and others"
  title="Units and dates"
  popup="dialog"
  load={() => import('./UnitsMenu.svelte')}
  given={{}}
>
  <Ruler size={20} aria-hidden="true" /><span class="reading hidden lg:inline"
    >{unitOf('temperature').symbol}</span
  >
</MenuButton>
