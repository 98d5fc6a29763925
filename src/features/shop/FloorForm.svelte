<script lang="ts">
  import Plus from '~icons/lucide/plus';
  import X from '~icons/lucide/x';
  import { untrack } from 'svelte';
  import type { Problem } from '$core/base/result';
  import { BOUGHT_TOOLS } from '$core/measure/tools';
  import {
    floorSchema,
    PLACE_KINDS,
    SKILLS,
    WEEKDAYS,
    type Floor,
    type PlaceKind,
    type Skill
  } from '$core/record/floor';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import { keep } from './keep';

  let { floor }: { floor: Floor } = $props();

  /** The week as people write it, Monday first. */
  const ORDER = [1, 2, 3, 4, 5, 6, 0] as const;
  const USUAL = ['', '07:30-17:00', '07:30-17:00', '07:30-17:00', '07:30-17:00', '07:30-17:00', ''];
  const written = (hours: Floor['people'][number]['hours']) =>
    hours.map((h) => (h ? `${h.from}-${h.to}` : ''));
  const read = (text: string) => {
    if (text.trim() === '') return null;
    const [from = '', to = ''] = text.split(/\s*[-–]\s*/).map((t) => t.trim().padStart(5, '0'));
    return { from, to };
  };

  let people = $state(
    untrack(() =>
      floor.people.map((p) => ({
        name: p.name,
        skills: [...p.skills] as Skill[],
        hours: written(p.hours),
        away: p.away.map((a) => `${a.from} ${a.to}`).join(', ')
      }))
    )
  );
  let places = $state(untrack(() => floor.places.map((p) => ({ ...p, room: String(p.room) }))));
  let tools = $state(
    untrack(() =>
      BOUGHT_TOOLS.map((tool) => ({ tool, n: floor.tools[tool] ? String(floor.tools[tool]) : '' }))
    )
  );
  let partDays = $state(untrack(() => [...floor.partDays]));
  let problems = $state.raw<readonly (Problem & { readonly path?: string })[]>([]);
  let busy = $state(false);
  const of = (path: string) =>
    problems.find((p) => p.path === path || p.path?.startsWith(`${path}.`))?.message;

  const FIELDS: Readonly<Record<string, string>> = {
    name: 'name',
    room: 'vehicles',
    kind: 'kind',
    away: 'away'
  };
  /** A field as the form calls it: “Pell Harrow, Monday”. */
  function wordsOf(path: string): string {
    const [list, index, field, day] = path.split('.');
    if (list === 'tools') return `How many of ${index}`;
    const i = Number(index);
    const row = (list === 'people' ? people : places)[i];
    if (!row) return list === 'people' ? 'People' : 'Places';
    const whose = row.name.trim() || `${list === 'people' ? 'Person' : 'Place'} ${i + 1}`;
    const what = field === 'hours' ? WEEKDAYS[Number(day)] : FIELDS[field];
    return what ? `${whose}, ${what}` : whose;
  }

  const skillIds = Object.keys(SKILLS) as Skill[];
  const kinds = Object.entries(PLACE_KINDS).map(([value, label]) => ({ value, label }));
  const toggled = <T,>(list: readonly T[], one: T): T[] =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];

  async function save(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const said = {
      people: $state.snapshot(people).map((p) => ({
        name: p.name,
        skills: p.skills,
        hours: p.hours.map(read),
        away: p.away
          .split(',')
          .map((t) => t.trim())
          .filter(Boolean)
          .map((t) => {
            const [from, to = from] = t.split(/\s+/);
            return { from, to };
          })
      })),
      places: $state.snapshot(places).map((p) => ({ ...p, room: Number(p.room) })),
      tools: Object.fromEntries(tools.flatMap(({ tool, n }) => (n.trim() ? [[tool, Number(n)]] : []))),
      partDays: $state.snapshot(partDays)
    };
    problems = (await keep('shop.staffed', floorSchema, said, 'People and places kept')).map((p) => ({
      ...p,
      path: p.field,
      field: p.field && wordsOf(p.field)
    }));
    busy = false;
  }
</script>

<form class="card p-4" id="floor" onsubmit={save} aria-label="People and places" novalidate>
  <h2>People and places</h2>
  <p class="text-ink-2 mt-1 max-w-3xl">
    The board plans with them: who works when, what each may do, where, and on which days parts come.
  </p>
  <h3 class="mt-3">People</h3>
  {#each people as person, i (i)}
    <fieldset class="border-line border-t py-3">
      <legend class="sr-only">{person.name || `Person ${i + 1}`}</legend>
      <div class="flex flex-wrap items-end gap-3">
        <label class="w-52"
          ><span class="mb-1 block text-sm font-semibold">Name</span><input
            class="field"
            bind:value={person.name}
            aria-invalid={of(`people.${i}.name`) ? true : undefined}
          /></label
        >
        {#each skillIds as skill (skill)}
          <Tick
            label={SKILLS[skill]}
            value={person.skills.includes(skill)}
            onvalue={() => (person.skills = toggled(person.skills, skill))}>{SKILLS[skill]}</Tick
          >
        {/each}
        <button
          class="btn ml-auto px-3"
          type="button"
          aria-label="Remove {person.name || 'this person'}"
          onclick={() => (people = people.filter((_, k) => k !== i))}
          ><X size={18} aria-hidden="true" /></button
        >
      </div>
      <div class="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4 lg:grid-cols-8">
        {#each ORDER as d (d)}
          <label
            ><span class="text-ink-2 block text-sm">{WEEKDAYS[d]}</span><input
              class="field reading px-2 text-sm"
              placeholder="off"
              bind:value={person.hours[d]}
              aria-invalid={of(`people.${i}.hours.${d}`) ? true : undefined}
            /></label
          >
        {/each}
        <label
          ><span class="text-ink-2 block text-sm">Away</span><input
            class="field reading px-2 text-sm"
            placeholder="2026-12-24 2026-12-31"
            bind:value={person.away}
            aria-invalid={of(`people.${i}.away`) ? true : undefined}
          /></label
        >
      </div>
    </fieldset>
  {/each}
  <button
    class="btn"
    type="button"
    onclick={() => (people = [...people, { name: '', skills: [...skillIds], hours: [...USUAL], away: '' }])}
    ><Plus size={18} aria-hidden="true" />A person</button
  >

  <h3 class="mt-4">Places</h3>
  {#each places as place, i (i)}
    <div class="border-line flex flex-wrap items-end gap-3 border-t py-2">
      <label class="w-52"
        ><span class="mb-1 block text-sm font-semibold">Place</span><input
          class="field"
          bind:value={place.name}
          aria-invalid={of(`places.${i}.name`) ? true : undefined}
        /></label
      >
      <div class="w-56">
        <p class="mb-1 text-sm font-semibold">Kind</p>
        <Select
          label="Kind of {place.name || 'this place'}"
          quiet
          choices={kinds}
          value={place.kind}
          onvalue={(v) => v && (place.kind = v as PlaceKind)}
        />
      </div>
      <label class="w-28"
        ><span class="mb-1 block text-sm font-semibold">Vehicles</span><input
          class="field reading"
          inputmode="numeric"
          bind:value={place.room}
          aria-invalid={of(`places.${i}.room`) ? true : undefined}
        /></label
      >
      <button
        class="btn px-3"
        type="button"
        aria-label="Remove {place.name || 'this place'}"
        onclick={() => (places = places.filter((_, k) => k !== i))}><X size={18} aria-hidden="true" /></button
      >
    </div>
  {/each}
  <button
    class="btn"
    type="button"
    onclick={() => (places = [...places, { name: '', kind: 'bay' as PlaceKind, room: '1' }])}
    ><Plus size={18} aria-hidden="true" />A place</button
  >

  <fieldset class="mt-4">
    <legend class="font-bold">Parts come on</legend>
    <div class="flex flex-wrap gap-x-4">
      {#each ORDER as d (d)}<Tick
          label={WEEKDAYS[d]}
          value={partDays.includes(d)}
          onvalue={() => (partDays = toggled(partDays, d).sort((a, b) => a - b))}>{WEEKDAYS[d]}</Tick
        >{/each}
    </div>
  </fieldset>
  <details class="mt-2">
    <summary class="quiet-link flex min-h-11 w-fit cursor-pointer items-center">How many of each tool</summary
    >
    <div class="grid gap-x-8 lg:grid-cols-2">
      {#each tools as row (row.tool)}
        <label class="border-line flex items-center gap-3 border-t py-1"
          ><span class="flex-1">{row.tool}</span><input
            class="field reading w-24"
            inputmode="numeric"
            placeholder="enough"
            bind:value={row.n}
          /></label
        >
      {/each}
    </div>
  </details>
  <div class="mt-3 space-y-3">
    <Problems {problems} title="Not kept" />
    <button class="btn btn-main" type="submit" disabled={busy}
      >{busy ? 'Keeping…' : 'Keep people and places'}</button
    >
  </div>
</form>
