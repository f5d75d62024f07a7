<script lang="ts">
  import { api, outcome, type Rooms } from '../api/client'
  import Allows from '../components/rooms/Allows.svelte'
  import ShortOf from '../components/rooms/ShortOf.svelte'
  import SideBySide from '../components/rooms/SideBySide.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { p } from '../router'

  const build = $derived(useBuild()())
  const asking = new Resource<Rooms, [number]>((signal, build_id) =>
    outcome(api.GET('/api/builds/{build_id}/rooms', { params: { path: { build_id } }, signal })),
  )
  const rooms = $derived(asking.data)
  let refused = $state('')
  const problem = $derived(refused || asking.message)
  let fresh = $state('')
  const chosen = $derived(rooms?.options.find((option) => option.chosen))

  $effect(() => {
    // Worked out anew after every edit, and for another reader of other units.
    if (build.reply) void asking.load(build.id)
    return () => asking.stop()
  })

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    const [wrong] = await build.addRoom(fresh.trim())
    refused = wrong ? `${wrong.value} is not accepted: ${wrong.accepted}` : ''
    if (!wrong) fresh = ''
  }
</script>

<article class="p-4 lg:px-6" aria-busy={asking.loading}>
  <a class="text-sm" href={p('/builds/:id/room', { params: { id: String(build.id) } })}>Back to the drawing</a
  >
  {#if problem}
    <p role="alert" class="my-2 flex items-center gap-3">
      {problem}<button class="btn btn-primary btn-xs" onclick={() => void asking.load(build.id)}
        >Try again</button
      >
    </p>
  {/if}
  {#if !rooms}
    <p role="status" class="my-6 text-faint">{asking.loading ? 'Working out what the rooms allow' : ''}</p>
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
