<script lang="ts">
  import OctagonX from '~icons/lucide/octagon-x';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { Moment } from '$core/runs/live';
  import { focusNow } from '$lib/ui/inputs/focus';
  import { shown, shownDifference } from '$lib/ui/page-state/units';

  interface Props {
    moment: Moment;
    sheet: SpecSheet | null;
    onoff: () => void;
    onsilence: () => void;
  }
  let { moment, sheet, onoff, onsilence }: Props = $props();
  let sounding = $state(false);

  // Two tones, as no phone or radio in a workshop sounds. A browser that forbids sound still shows the page.
  $effect(() => {
    let audio: AudioContext | undefined;
    try {
      audio = new AudioContext();
      const gain = new GainNode(audio, { gain: 0.35 });
      gain.connect(audio.destination);
      const tone = new OscillatorNode(audio, { type: 'square', frequency: 880 });
      tone.connect(gain);
      for (let i = 0; i < 600; i++)
        tone.frequency.setValueAtTime(i % 2 ? 620 : 930, audio.currentTime + i * 0.35);
      tone.start();
      sounding = true;
    } catch {
      sounding = false;
    }
    // What lies in a pocket or beside a loud engine is felt.
    const shake = () => navigator.vibrate?.([400, 150, 400, 150, 400]);
    shake();
    const shaking = setInterval(shake, 2500);
    return () => {
      clearInterval(shaking);
      navigator.vibrate?.(0);
      void audio?.close();
    };
  });
  const fan = $derived(sheet?.fan?.stages?.[0]?.onC ?? null);
</script>

<div
  class="fixed inset-0 z-50 flex flex-col items-center justify-center gap-5 overflow-y-auto bg-[#7a1f0a] p-6 text-white"
  role="alertdialog"
  aria-modal="true"
  aria-labelledby="alarm-title"
  aria-describedby="alarm-do"
  data-alarm
  data-sounding={sounding}
>
  <OctagonX size={72} aria-hidden="true" />
  <h1 id="alarm-title" class="text-center text-5xl sm:text-6xl">
    Stop: {shown(moment.coolantC, 'temperature', 0)}
  </h1>
  <ol id="alarm-do" class="max-w-4xl list-decimal space-y-2 pl-8 text-2xl">
    <li>Load off, air conditioning off, heater full on.</li>
    <li>Engine off as soon as the vehicle stands safely.</li>
    <li>Leave the cap shut. Hot coolant under pressure scalds.</li>
    {#if fan !== null}
      <li>
        The fan should have run since {shown(fan, 'temperature', 0)}. If it stands still, keep hands away: it
        can start at any time.
      </li>
    {/if}
  </ol>
  <p class="text-xl">
    {moment.boilingMarginC === null
      ? 'How far from boiling is not known: the sheet gives no cap.'
      : moment.boilingMarginC > 0
        ? `${shownDifference(moment.boilingMarginC, 0)} below boiling, if the mixture is half and half and the cap holds.`
        : 'At or above boiling, even with a good cap.'}
  </p>
  <div class="flex flex-wrap justify-center gap-4">
    <button
      class="min-h-16 rounded-lg bg-white px-8 text-2xl font-bold text-[#7a1f0a]"
      use:focusNow
      onclick={onoff}>The engine is off</button
    >
    <button class="min-h-16 rounded-lg border-2 border-white px-8 text-2xl font-semibold" onclick={onsilence}
      >Mute, I am watching the engine</button
    >
  </div>
  <p class="text-base">The maker’s service information and local rules come first.</p>
</div>
