<script lang="ts">
  import '../app.css';
  import Frame from '$features/frame/Frame.svelte';
  import Doorway from '$features/access/Doorway.svelte';

  let { data, children } = $props();
</script>

{#if data.openHouse || data.session}
  <Frame who={data.who} session={data.session} theme={data.theme}>{@render children()}</Frame>
{:else}
  <Doorway theme={data.theme}>{@render children()}</Doorway>
{/if}
