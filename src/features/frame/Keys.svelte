<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { shortcuts } from '$lib/ui/page-state/shortcuts.svelte';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
    <Dialog.Content
      class="card fixed top-1/2 left-1/2 z-50 w-[min(30rem,92vw)] -translate-x-1/2 -translate-y-1/2 p-6"
    >
      <Dialog.Title class="text-xl font-bold">Keys of this view</Dialog.Title>
      <ul class="mt-4 space-y-2">
        {#each shortcuts() as { key, label } (key + label)}
          <li class="flex items-center gap-4">
            <kbd
              class="border-line-strong bg-well reading inline-block min-w-9 rounded border px-2 py-0.5 text-center"
              >{key === ' ' ? 'Space' : key}</kbd
            >{label}
          </li>
        {/each}
      </ul>
      <Dialog.Close class="btn mt-6 w-full">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
