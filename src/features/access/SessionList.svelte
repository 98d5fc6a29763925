<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import { atLeast, type Role } from '$core/record/roles';
  import { send } from './send';

  interface Props {
    name: string;
    role: Role;
    /** The button it hangs from. */
    anchor: HTMLElement;
    open: boolean;
    lock: () => void;
  }
  let { name, role, anchor, open = $bindable(), lock }: Props = $props();

  const line =
    'data-highlighted:bg-well flex min-h-11 w-full cursor-pointer items-center rounded-lg px-3 text-left';
</script>

<DropdownMenu.Root bind:open>
  <DropdownMenu.Portal>
    <DropdownMenu.Content
      class="card z-50 min-w-56 p-2 shadow-lg"
      align="end"
      sideOffset={6}
      customAnchor={anchor}
      onInteractOutside={(e) => anchor.contains(e.target as Node) && e.preventDefault()}
    >
      <p class="text-ink-2 px-3 py-1 text-sm">{name} · {role}</p>
      <DropdownMenu.Item class={line} onSelect={lock}>Lock, or change person</DropdownMenu.Item>
      {#if atLeast(role, 'owner')}
        <DropdownMenu.Item>
          {#snippet child({ props })}<a {...props} class={line} href="/people">People and devices</a
            >{/snippet}
        </DropdownMenu.Item>
      {/if}
      <DropdownMenu.Item
        class={line}
        onSelect={async () => {
          await send('sign-out', {});
          location.assign('/sign-in');
        }}>Sign out</DropdownMenu.Item
      >
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>
