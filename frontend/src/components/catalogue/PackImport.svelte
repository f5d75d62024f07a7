<script lang="ts">
  import { SvelteMap } from 'svelte/reactivity'
  import { api, outcome, type PackPreview } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import { type Refused, Resource } from '../../lib/resource.svelte'
  import Choice from '../Choice.svelte'
  import FilePicker from '../FilePicker.svelte'
  import Refusal from './Refusal.svelte'

  /** A parts pack: what is new, changed and in conflict is shown before anything is stored. */
  let { done }: { done: () => void } = $props()
  const build = $derived(useBuild()())
  let file = $state.raw<File | null>(null)
  const looking = new Resource<PackPreview, [FormData]>((signal, body) =>
    outcome(
      api.POST('/api/catalogue/pack/preview', { body: { file: '' }, bodySerializer: () => body, signal }),
    ),
  )
  const preview = $derived(looking.data)
  let refused = $state.raw<Refused | null>(null)
  const refusal = $derived(refused ?? looking.refusal)
  const choices = new SvelteMap<string, string>()
  const STANDING_WORDS = {
    new: 'new',
    same: 'the same',
    changed: 'changed',
    conflict: 'in conflict',
  } as const
  /** What the types ask for; the form itself is sent. */
  const EMPTY = { file: '', choices: '', bring_along: false }
  const CHOICE_WORDS = { take: 'take the pack’s', keep: 'keep what is here', both: 'have both' }

  function form(chosen: File): FormData {
    const body = new FormData()
    body.set('file', chosen)
    body.set('choices', JSON.stringify(Object.fromEntries(choices)))
    return body
  }

  async function look(chosen: File): Promise<void> {
    file = chosen
    choices.clear()
    refused = null
    looking.clear()
    await looking.load(form(chosen))
  }

  async function take(): Promise<void> {
    if (!file) return
    const chosen = file
    await catalogue.take(
      async (bring_along) => {
        const body = form(chosen)
        body.set('revision', String(preview?.revision ?? 0))
        body.set('bring_along', String(bring_along))
        const taken = await outcome(
          api.POST('/api/catalogue/pack', { body: EMPTY, bodySerializer: () => body }),
        )
        refused = taken.data || taken.losses ? null : taken
        return taken
      },
      () => void build.refresh().then(done),
    )
  }

  const count = $derived(
    (standing: string) => preview?.rows.filter((row) => row.standing === standing).length ?? 0,
  )
</script>

<section class="mt-3 border border-primary p-4" aria-labelledby="pack-import">
  <h3 id="pack-import" class="mb-2 text-lg">Take in a parts pack</h3>
  <FilePicker
    id="pack-file"
    label="A JSON file; nothing is stored before you say so"
    accept=".json,application/json"
    pick={(chosen) => void look(chosen)}
  />
  {#if refusal}<Refusal {refusal} />{/if}
  {#if preview}
    <p class="mt-3" role="status">
      <strong>{preview.name}</strong>: {count('new')} new, {count('changed')} changed, {count('conflict')} in conflict,
      {count('same')} the same.
    </p>
    <ul class="mt-1 divide-y divide-base-300">
      {#each preview.rows.filter((row) => row.standing !== 'same') as row (row.part)}
        <li class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 py-1.5 text-sm">
          <div class="min-w-0">
            <strong>{row.name}</strong>
            <span class="text-faint">{row.maker} · {KIND_WORDS[row.kind] ?? row.kind}</span>
            <span class={row.standing === 'conflict' ? 'text-warning' : 'text-faint'}
              >· {STANDING_WORDS[row.standing]}</span
            >
            {#each row.differences as [fact, here, there] (fact)}
              <p class="text-[13px]">{fact}: {here} here, {there} in the pack</p>
            {/each}
          </div>
          {#if row.standing === 'new'}
            <Choice
              label="What to do with {row.name}"
              narrow
              value={choices.get(row.part) ?? row.usual}
              options={{ take: 'take it', keep: 'leave it out' }}
              choose={(choice) => choices.set(row.part, choice)}
            />
          {:else}
            <Choice
              label="What to do with {row.name}"
              narrow
              value={choices.get(row.part) ?? row.usual}
              options={CHOICE_WORDS}
              choose={(choice) => choices.set(row.part, choice)}
            />
          {/if}
        </li>
      {/each}
    </ul>
    <button class="btn mt-3 btn-primary btn-sm" onclick={() => void take()}>Take it in like this</button>
  {/if}
</section>
