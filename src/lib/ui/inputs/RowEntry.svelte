<script lang="ts">
  import { tick, type Snippet } from 'svelte';

  interface Props {
    /** What stands in the fields makes a row. */
    complete: boolean;
    label: string;
    /** Takes the row out of the fields, which are then drawn empty. */
    onadd: () => void;
    /** The fields. */
    children: Snippet;
  }
  let { complete, label, onadd, children }: Props = $props();

  let round = $state(0);
  let box: HTMLElement;

  /** The row that was typed joins the others, and the next one begins. */
  async function add(goOn = true) {
    if (!complete) return;
    onadd();
    round++;
    await tick();
    if (goOn) box.querySelector('input')?.focus();
  }

  /** Heard on the way down: the form writes the sheet as the event comes up. */
  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
    // With Ctrl the sheet is written: the row that stands here goes with it.
    if (event.ctrlKey) return void add(false);
    event.preventDefault();
    void add();
  }

  /** A row that is complete is not left behind when the hand goes on to write the sheet. */
  function onfocusout({ relatedTarget }: FocusEvent) {
    if (relatedTarget instanceof Node && !box.contains(relatedTarget)) void add(false);
  }
</script>

<!-- One row of readings as it is typed: Enter adds it, and no complete row is lost. -->
<div bind:this={box} onkeydowncapture={onkeydown} {onfocusout} class="space-y-1">
  {#key round}{@render children()}{/key}
  <button type="button" class="btn min-h-11 w-full" disabled={!complete} onclick={() => add()}
    >{label} <kbd class="reading text-ink-2 text-sm">Enter</kbd></button
  >
</div>
