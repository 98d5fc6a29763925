<p class="bg-well rounded-card mb-3 px-4 py-2 text-sm font-semibold" data-practice>
  Practice. Nothing of this is the workshop’s: no job, no vehicle, no number of it.
</p>
