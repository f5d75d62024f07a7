<script lang="ts">
  import { api, outcome, type SourcesNow } from '../api/client'
  import Choice from '../components/Choice.svelte'
  import AddSource from '../components/sources/AddSource.svelte'
  import HistoryFile from '../components/sources/HistoryFile.svelte'
  import Mailbox from '../components/sources/Mailbox.svelte'
  import RoundLog from '../components/sources/RoundLog.svelte'
  import SavedPage from '../components/sources/SavedPage.svelte'
  import SourceList from '../components/sources/SourceList.svelte'
  import WorkProgress from '../components/WorkProgress.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { shops } from '../lib/shops.svelte'
  import { Work } from '../lib/work.svelte'
  import { counted } from '../lib/words'
  import { p } from '../router'

  /** Where prices come from: sources, rounds that read them, one's own files, and the mail that goes out. */
  const build = $derived(useBuild()())
  const work = new Work<SourcesNow>((signal) => outcome(api.GET('/api/prices/sources', { signal })))
  const told = $derived(work.told)
  let refused = $state('')
  const EVERY: Record<string, string> = {
    '': 'only when I ask',
    '6': 'every 6 hours',
    '24': 'once a day',
    '168': 'once a week',
  }

  void shops.load()
  void shops.loadForms()
  $effect(() => {
    void work.look()
    return () => work.stop()
  })

  async function schedule(every: string): Promise<void> {
    const body = { read_every_hours: every === '' ? null : Number(every) }
    const made = await outcome(api.POST('/api/prices/sources/schedule', { body }))
    refused = made.data ? '' : made.message
    await work.look()
  }
</script>

<article class="max-w-3xl p-4 lg:px-6" aria-busy={work.isOpen}>
  <a class="text-sm" href={p('/builds/:id/prices', { params: { id: String(build.id) } })}>Back to prices</a>
  <h1 class="text-2xl">Sources and rounds</h1>
  {#if refused || work.message}<p role="alert" class="my-2 text-error">{refused || work.message}</p>{/if}
  {#if !told}
    <p role="status" class="my-6 text-faint">Asking where prices come from</p>
  {:else}
    <section class="mt-3" aria-labelledby="rounds">
      <h2 id="rounds" class="text-xl">Rounds</h2>
      <div class="mt-1 flex flex-wrap items-end gap-x-4 gap-y-2">
        <button
          class="btn btn-primary btn-sm"
          disabled={work.isOpen || told.sources.every(({ paused }) => paused)}
          onclick={() => void work.begin(outcome(api.POST('/api/prices/sources/rounds')))}
          >Read all prices now</button
        >
        <Choice
          label="Read them by itself"
          showLabel
          value={told.read_every_hours === null ? '' : String(told.read_every_hours)}
          options={told.read_every_hours !== null && !(String(told.read_every_hours) in EVERY)
            ? { ...EVERY, [String(told.read_every_hours)]: `every ${told.read_every_hours} hours` }
            : EVERY}
          choose={(every) => void schedule(every)}
        />
      </div>
      <WorkProgress {work} ofBuild={false} />
      <div class="mt-3"><RoundLog rounds={told.rounds} /></div>
      {#if told.rounds.length === 0}<p class="text-sm text-faint">No round was begun yet.</p>{/if}
    </section>
    <section class="mt-8" aria-labelledby="sources">
      <h2 id="sources" class="text-xl">{counted(told.sources.length, 'source')}</h2>
      <SourceList sources={told.sources} changed={() => work.look()} />
      <h3 class="mt-4 mb-1 text-lg">Add a source</h3>
      <AddSource added={() => void work.look()} />
    </section>
  {/if}
  <section class="mt-8" aria-labelledby="own-history">
    <h2 id="own-history" class="text-xl">Your own history</h2>
    <p class="mb-2 text-sm">
      <a class="link" href="/api/prices/history/table" download>All that was ever seen (CSV)</a>
    </p>
    <HistoryFile />
    <h3 class="mt-4 mb-1 text-lg">A page that you saved</h3>
    <SavedPage />
  </section>
  <section class="mt-8" aria-labelledby="mailbox">
    <h2 id="mailbox" class="text-xl">Mail</h2>
    <Mailbox />
  </section>
</article>
