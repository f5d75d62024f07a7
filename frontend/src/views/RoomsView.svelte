<script lang="ts">
  import { api, outcome, type RoomsJob } from '../api/client'
  import WorkProgress from '../components/WorkProgress.svelte'
  import Allows from '../components/rooms/Allows.svelte'
  import ShortOf from '../components/rooms/ShortOf.svelte'
  import SideBySide from '../components/rooms/SideBySide.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { Work } from '../lib/work.svelte'
  import { p } from '../router'

  const build = $derived(useBuild()())
  const params = $derived({ path: { build_id: build.id } })
  const work = $derived.by(() => {
    const asked = { params }
    return new Work<RoomsJob>((signal) =>
      outcome(api.GET('/api/builds/{build_id}/rooms/compared', { ...asked, signal })),
    )
  })
  const rooms = $derived(work.told?.rooms)
  let refused = $state('')
  let fresh = $state('')
  const chosen = $derived(rooms?.options.find((option) => option.chosen))

  $effect(() => {
    const looked = work
    // Worked out anew after every edit, and for another reader of other units.
    if (build.reply) void asked(looked)
    return () => looked.stop()
  })

  async function asked(looked: Work<RoomsJob>): Promise<void> {
    await looked.look()
    if (looked.told && !looked.told.of_now) again(looked)
  }

  function again(looked: Work<RoomsJob>): void {
    void looked.begin(outcome(api.POST('/api/builds/{build_id}/rooms/compared', { params })))
  }

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    const [wrong] = await build.addRoom(fresh.trim())
    refused = wrong ? `${wrong.value} is not accepted: ${wrong.accepted}` : ''
    if (!wrong) fresh = ''
  }
</script>

<article class="p-4 lg:px-6" aria-busy={work.isOpen}>
  <a class="text-sm" href={p('/builds/:id/room', { params: { id: String(build.id) } })}>Back to the drawing</a
  >
  {#if refused}<p role="alert" class="my-2">{refused}</p>{/if}
  <WorkProgress {work} />
  {#if work.job && !work.isOpen && (work.job.state === 'failed' || work.job.state === 'cancelled')}
    <button class="btn mt-2 btn-primary btn-xs" onclick={() => again(work)}>Work it out again</button>
  {/if}
  {#if !rooms}
    {#if !work.job}<p role="status" class="my-6 text-faint">Asking what the rooms allow</p>{/if}
  {:else}
    <div class="mt-2 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section>
        <h2 class="mb-2 text-xl">{build.reply?.build.room.name ?? 'The room'}: what it allows</h2>
        {#if chosen?.allowance}<Allows allowance={chosen.allowance} />{:else}<p>{chosen?.unknown}</p>{/if}
        <p class="mt-3 max-w-prose text-xs text-faint">
          {rooms.rules.join(' ')}
        </p>
      </section>
      <section>
        <h2 class="mb-2 text-xl">What it is short of</h2>
        {#if rooms.bottleneck}<ShortOf bottleneck={rooms.bottleneck} />{:else}<p>
            Not known before the room is measured and the players are in the brief.
          </p>{/if}
      </section>
    </div>
    <section class="mt-8">
      <div class="mb-2 flex flex-wrap items-end justify-between gap-3">
        <h2 class="text-xl">Rooms side by side</h2>
        <form class="flex items-end gap-2" onsubmit={(event) => void add(event)}>
          <label class="text-sm"
            ><span class="mr-2 text-faint">Consider another room</span><input
              class="blank w-44"
              bind:value={fresh}
              placeholder="Garage"
              maxlength="120"
            /></label
          >
          <button class="btn btn-primary btn-sm" disabled={fresh.trim() === ''}>Add it</button>
        </form>
      </div>
      <SideBySide options={rooms.options} />
    </section>
  {/if}
</article>
