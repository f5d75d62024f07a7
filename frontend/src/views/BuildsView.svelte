<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy'
  import Trash from '@lucide/svelte/icons/trash'
  import { api, type BuildSummary, csrfToken, outcome, type Outcome, type Problem } from '../api/client'
  import ImportBuild from '../components/builds/ImportBuild.svelte'
  import Mark from '../components/Mark.svelte'
  import { session } from '../lib/session.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { counted, STAGE_WORDS } from '../lib/words'
  import { navigate, p } from '../router'

  const listing = new Resource<BuildSummary[]>((signal) => outcome(api.GET('/api/builds', { signal })))
  const builds = $derived(listing.data)
  let failure = $state.raw<{ message: string; problems: Problem[] }>({ message: '', problems: [] })
  const message = $derived(failure.message || listing.message)
  const problems = $derived(failure.problems)
  let name = $state('')
  /** What was deleted last, until something else is done. */
  let deleted = $state.raw<{ id: number; name: string } | null>(null)
  void listing.load()

  async function start(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    const begun = await outcome(api.POST('/api/builds', { body: { name: name.trim() || 'New build' } }))
    failed(begun)
    if (begun.data) await navigate('/builds/:id/brief', { params: { id: String(begun.data.id) } })
  }

  function failed({ message, problems }: Outcome<unknown>): void {
    failure = { message, problems }
  }

  async function copy(id: number): Promise<void> {
    const copied = await outcome(
      api.POST('/api/builds/{build_id}/copy', { params: { path: { build_id: id } } }),
    )
    await listing.load()
    failed(copied)
  }

  async function remove({ id, name }: BuildSummary): Promise<void> {
    const gone = await outcome(api.DELETE('/api/builds/{build_id}', { params: { path: { build_id: id } } }))
    await listing.load()
    if (gone.status === 204 || gone.status === 404) deleted = { id, name }
    else failed(gone)
  }

  async function restore(id: number): Promise<void> {
    const back = await outcome(
      api.POST('/api/builds/{build_id}/restore', { params: { path: { build_id: id } } }),
    )
    deleted = null
    await listing.load()
    if (back.status !== 204) failed(back)
  }

  /** A build that cannot be shown goes back to its newest state that can. */
  async function undo({ id, revision }: BuildSummary): Promise<void> {
    const params = { path: { build_id: id } }
    const undone = await outcome(api.POST('/api/builds/{build_id}/undo', { params, body: { revision } }))
    await listing.load()
    if (!undone.data) failed(undone)
  }

  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' })
  const date = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<svelte:head><title>Builds · Jungle</title></svelte:head>
<main class="mx-auto max-w-4xl px-4 py-8">
  <h1 class="text-4xl">Jungle</h1>
  <p class="mt-1 mb-8 max-w-prose text-faint">
    From a tape measure to a golf simulator that fits the room, works together and stays within the budget.
  </p>
  {#if message}
    <div role="alert" class="mb-4 border-l-3 border-error pl-3">
      <p>{message}</p>
      <ul class="text-sm">
        {#each problems as problem, index (index)}<li>
            <strong>{problem.field}</strong>: {problem.accepted}{problem.value
              ? ` (found ${problem.value})`
              : ''}
          </li>{/each}
      </ul>
    </div>
  {/if}
  <div class="mb-8 grid gap-8 sm:grid-cols-2">
    <form onsubmit={(event) => void start(event)}>
      <h2 class="mb-2 text-xl">Begin a build</h2>
      <label for="new-name" class="block text-sm text-faint">What do you call it</label>
      <div class="mt-1 flex gap-2">
        <input
          id="new-name"
          class="input flex-1 border-base-content"
          maxlength="120"
          placeholder="Garage, spare room, shed"
          bind:value={name}
        />
        <button class="btn btn-primary">Begin</button>
      </div>
    </form>
    <ImportBuild {failed} />
  </div>
  {#if builds === null && !message}
    <p role="status" class="text-faint">Opening your builds</p>
  {:else if builds?.length === 0}
    <p class="mb-6">
      You have no build yet. Begin one above: sensible first values are there to be typed over.
    </p>
  {/if}
  <div aria-live="polite">
    {#if deleted}
      {@const { id, name } = deleted}
      <p class="mb-3 flex flex-wrap items-center gap-3 border-l-3 border-primary pl-3">
        <span class="min-w-0 flex-1">{name} is deleted. It can be brought back for thirty days.</span>
        <button
          class="btn btn-primary btn-sm"
          aria-label="Undo: bring {name} back"
          onclick={() => void restore(id)}>Undo</button
        >
      </p>
    {/if}
  </div>
  <ul class="mb-8 divide-y divide-base-300 border-y border-base-content">
    {#each builds ?? [] as build (build.id)}
      <li class="flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
        <Mark state={build.state} size={16} />
        <div class="min-w-52 flex-1 max-sm:basis-4/5">
          <a
            class="font-display text-lg font-semibold break-words"
            href={p('/builds/:id/parts', { params: { id: String(build.id) } })}>{build.name}</a
          >
          {#if build.unreadable}
            <p class="text-sm text-error">This build cannot be shown. {build.unreadable}</p>
          {/if}
          <p class="text-sm text-faint">
            {#if build.unreadable && build.as_of}As it was on {day.format(new Date(build.as_of))}:{/if}
            {STAGE_WORDS[build.stage]} · {build.blocked
              ? counted(build.blocked, 'thing') + ' in the way'
              : 'nothing in the way'} · {counted(build.questions, 'open question')}
          </p>
          {#if build.unreadable}
            <button class="btn mt-1 btn-outline btn-primary btn-sm" onclick={() => void undo(build)}
              >Undo its last edit</button
            >
          {/if}
        </div>
        <div class="max-sm:flex-1 max-sm:pl-8 sm:text-right">
          <p>{build.up_front}</p>
          <p class="text-sm text-faint">{date.format(new Date(build.changed_at))}</p>
        </div>
        <span class="whitespace-nowrap">
          {#if !build.unreadable}
            <button
              class="btn btn-square btn-ghost btn-sm"
              aria-label="Copy {build.name}"
              onclick={() => void copy(build.id)}><Copy size={17} /></button
            >
          {/if}
          <button
            class="btn btn-square btn-ghost btn-sm"
            aria-label="Delete {build.name}"
            onclick={() => void remove(build)}><Trash size={17} /></button
          >
        </span>
      </li>
    {/each}
  </ul>
  {#if session.session && !session.session.local}
    <form method="post" action="/sign-out" class="mt-10">
      <input type="hidden" name="csrfmiddlewaretoken" value={csrfToken()} />
      <button class="btn btn-sm">Sign {session.session.user} out</button>
      <a class="btn btn-ghost text-primary btn-sm" href="/password" target="_self">Change your password</a>
    </form>
  {/if}
</main>
