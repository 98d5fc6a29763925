<script lang="ts">
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import type { ShopChecks } from '$core/record/shop-checks';
  import { toast } from 'svelte-sonner';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import CodeList from '$features/checks/CodeList.svelte';
  import type { CodesReadings } from '$core/checks/engine/codes';
  import type { Symptom } from '$core/vehicle/symptoms';
  import type { Intake } from '$core/record/intake';
  import type { Problem } from '$core/base/result';
  import { opinionOf } from '$core/diagnosis/opinion';
  import { planOf } from '$core/diagnosis/plan';
  import { momentOf } from '$core/base/zone';
  import { mayHere } from '$lib/ui/page-state/who';
  import { thermalAt } from '$core/physics/heat/state';
  import { ctrlEnter } from '$lib/ui/inputs/ctrl-enter';
  import { dropDraft, keepDraft, readDraft } from '$lib/ui/inputs/draft';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record, waiting } from '$lib/ui/outbox/record.svelte';
  import { serverAway } from '$lib/ui/sync/live.svelte';
  import type { ChosenVehicle, IntakeView } from '$lib/views';
  import EarlierWork from './EarlierWork.svelte';
  import LastRan, { type Ran } from './LastRan.svelte';
  import PickVehicle from './PickVehicle.svelte';
  import Symptoms from './Symptoms.svelte';

  interface Props {
    vehicles: IntakeView['vehicles'];
    chosen: string | null;
    /** The vehicle that is chosen already, with its sheet and what was done on it before. */
    of: ChosenVehicle | null;
    shop: ShopChecks;
    /** The job whose intake is corrected; null for a new one. */
    amends: { id: string; number: number; vehicleId: string; intake: Intake } | null;
    zone: string;
  }
  let { vehicles, chosen, of, shop, amends, zone }: Props = $props();

  interface Form {
    vehicleId: string;
    symptoms: Symptom[];
    complaint: string;
    codes: CodesReadings['codes'] | undefined;
    changedBefore: string;
    coolantChanged: string;
    ran: Ran;
    /** When the vehicle is to be back: a day, and a time on the wall of the shop. */
    promisedDay: string;
    promisedTime: string;
  }
  const DRAFT = 'intake';
  const start = (): Form => ({
    vehicleId: amends?.vehicleId ?? (vehicles.some((v) => v.id === chosen) ? chosen! : ''),
    symptoms: amends?.intake.symptoms ?? [],
    complaint: amends?.intake.complaint ?? '',
    codes: undefined,
    changedBefore: amends?.intake.changedBefore ?? '',
    coolantChanged: amends?.intake.coolantChanged ?? '',
    ran: null,
    promisedDay: '',
    promisedTime: '16:00'
  });
  let form = $state<Form>(untrack(start));
  // A draft comes back after the page is alive: the server knows nothing of it.
  $effect(() => {
    const kept = amends ? null : readDraft<Form>(DRAFT);
    if (kept) untrack(() => (form = { ...start(), ...kept, vehicleId: form.vehicleId || kept.vehicleId }));
  });
  $effect(() => {
    const now = JSON.stringify(form);
    if (!amends && now !== untrack(() => JSON.stringify(start()))) keepDraft(DRAFT, JSON.parse(now));
  });

  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  let leaving = $state(false);
  let ids = { job: crypto.randomUUID(), opened: crypto.randomUUID() };

  /** Looked up when it is picked, and again when the server is back; until then the plan is that of any vehicle. */
  let picked = $state.raw(untrack(() => of));
  /** The vehicle that could not be looked up: the server is away. */
  let unreached = $state('');
  $effect(() => {
    const id = form.vehicleId;
    if (!id || picked?.id === id) return;
    if (serverAway()) {
      unreached = id;
      return;
    }
    unreached = '';
    void fetch(`/api/vehicles/${id}/chosen`)
      .then(async (r) => (r.ok ? ((await r.json()) as ChosenVehicle) : null))
      .catch(() => null)
      .then((found) => {
        if (form.vehicleId !== id) return;
        if (found) picked = found;
        else unreached = id;
      });
  });
  const vehicle = $derived(picked?.id === form.vehicleId ? picked : null);
  const plan = $derived.by(() => {
    const sheet = vehicle?.sheet ?? null;
    const state = thermalAt([], new Date(0).toISOString(), null);
    return planOf({
      sheet,
      done: [],
      state,
      shop,
      ...opinionOf({
        sheet,
        symptoms: form.symptoms,
        changedBefore: form.changedBefore,
        done: [],
        shop,
        phase: state.phase
      })
    });
  });
  const called = $derived([...plan.line, ...plan.any, ...plan.bench].filter((p) => p.suggested));

  const intake = (): Intake => ({
    complaint: form.complaint.trim(),
    symptoms: $state.snapshot(form.symptoms),
    changedBefore: form.changedBefore.trim(),
    coolantChanged: form.coolantChanged || null
  });

  function lacking(): Problem[] {
    return [
      ...(form.vehicleId ? [] : [{ field: 'Vehicle', message: 'pick one' }]),
      ...(form.symptoms.length > 0 || form.complaint.trim()
        ? []
        : [{ field: 'Complaint', message: 'tap what the driver noticed, or type it' }])
    ];
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    problems = lacking();
    if (problems.length > 0) return;
    busy = true;
    await (amends ? amend(amends) : open());
    busy = false;
  }

  async function amend({ id, number }: { id: string; number: number }) {
    const answer = await record(`job:${id}`, { kind: 'job.amended', payload: intake() });
    if (!answer.ok) problems = answer.problems;
    else await goto(`/jobs/${number}`);
  }

  /** The job, its codes and when the engine ran are entries of their own: each can be corrected by itself. */
  async function open() {
    const stream = `job:${ids.job}`;
    const answer = await record(
      stream,
      { kind: 'job.opened', payload: { vehicleId: form.vehicleId, ...intake() } },
      ids.opened
    );
    if (!answer.ok) {
      problems = answer.problems;
      return;
    }
    if (form.codes && form.codes.length > 0)
      await record(stream, {
        kind: 'check.recorded',
        payload: { check: 'codes', readings: { codes: $state.snapshot(form.codes) } }
      });
    await noteEngine(stream);
    if (form.promisedDay && /^\d\d:\d\d$/.test(form.promisedTime)) {
      const at = momentOf(zone, form.promisedDay, form.promisedTime).toISOString();
      await record(stream, { kind: 'job.promised', payload: { at } });
    }
    dropDraft(DRAFT);
    leaving = true;
  }

  async function noteEngine(stream: string) {
    const { ran } = form;
    if (!ran) return;
    const hours = ran.kind === 'stopped' ? ran.hours : 0;
    const at = new Date(Date.now() - hours * 3_600_000).toISOString();
    await record(stream, {
      kind: 'engine.noted',
      payload:
        ran.kind === 'running'
          ? { kind: 'started', at }
          : { kind: 'ran-until', at, coolantC: null, ambientC: null }
    });
  }

  // The job has a page once the server has it; until then it waits here, in plain sight.
  const stillWaits = $derived(waiting().some((w) => w.id === ids.opened && !w.refused));
  $effect(() => {
    if (!leaving || stillWaits) return;
    untrack(() => {
      leaving = false;
      void goto(`/jobs/by-id/${ids.job}`);
    });
  });
  $effect(() => {
    if (leaving && stillWaits)
      toast('The server is away. The job is kept in this browser and opens when it is back.');
  });
</script>

<h1 class="mb-4">{amends ? `Intake of job ${amends.number}` : 'Open a job'}</h1>
<div class="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_370px]">
  <form class="card space-y-5 p-5" onsubmit={save} use:ctrlEnter>
    {#if !amends}<PickVehicle {vehicles} bind:vehicleId={form.vehicleId} />{/if}
    <fieldset>
      <legend class="mb-1 font-semibold">What the driver noticed, and when</legend>
      <Symptoms bind:symptoms={form.symptoms} />
    </fieldset>
    <label class="block"
      ><span class="mb-1 block font-semibold">In the driver’s words</span><textarea
        class="field min-h-20"
        bind:value={form.complaint}
        maxlength="2000"></textarea></label
    >
    {#if !amends}
      <CodeList bind:codes={form.codes} />
      <LastRan bind:ran={form.ran} />
    {/if}
    <div class="grid gap-4 sm:grid-cols-[1fr_200px]">
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Replaced or tried before</span><input
          class="field"
          bind:value={form.changedBefore}
          maxlength="2000"
          placeholder="thermostat changed, no better"
        /></label
      >
      <DateInput label="Last coolant change" bind:value={form.coolantChanged} />
    </div>
    {#if !amends && mayHere('lead')}
      <div class="grid gap-4 sm:grid-cols-[200px_140px]">
        <DateInput label="Promised for" bind:value={form.promisedDay} />
        <label class="block"
          ><span class="mb-1 block text-sm font-semibold">At</span><input
            class="field reading"
            type="time"
            bind:value={form.promisedTime}
          /></label
        >
      </div>
    {/if}
    <Problems {problems} entry title={amends ? 'Not corrected yet' : 'Not opened yet'} />
    <div class="flex gap-3">
      <button class="btn btn-main min-h-14 px-6" disabled={busy || leaving}
        >{leaving ? 'Waits for the server' : amends ? 'Correct the intake' : 'Open the job'}</button
      ><a class="btn min-h-14" href={amends ? `/jobs/${amends.number}` : '/'}>Cancel</a>
    </div>
  </form>
  <div class="space-y-4">
    <EarlierWork
      jobs={vehicle?.jobs ?? (unreached === form.vehicleId ? 'unreached' : 'asked')}
      vehicleId={form.vehicleId}
      complaint={form.complaint}
      except={amends?.number ?? null}
      {zone}
    />
    <section class="card p-5">
      <h2>Planned checks</h2>
      <ul class="mt-2 space-y-1.5">
        {#each called as p (p.id)}<li>
            {p.check.title}<span class="text-ink-2 block text-sm">{p.why}</span>
          </li>{/each}
      </ul>
    </section>
  </div>
</div>
