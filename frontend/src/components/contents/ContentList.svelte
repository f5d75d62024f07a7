<script lang="ts">
  import type { ContentGroup, Looked } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { GROUP_WORDS, KINDS } from '../../lib/contents'
  import { view } from '../../lib/view.svelte'
  import ContentRow from './ContentRow.svelte'
  import NoneOf from './NoneOf.svelte'

  interface Props {
    group: ContentGroup
    empty: string
    /** What the room is looked through for: nothing entered is not known, until somebody says that there is none. */
    looked?: Looked
  }

  let { group, empty, looked }: Props = $props()
  const build = $derived(useBuild()())
  const contents = $derived(build.reply?.build.room[group] ?? [])
  const id = $props.id()

  let kind = $state('')

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    if (kind === '') return
    const known = new Set(contents.map((content) => content.id))
    await build.addContent(group, kind, KINDS[group][kind] ?? kind)
    const fresh = build.reply?.build.room[group].find((content) => !known.has(content.id))
    if (fresh) view.chosen = `${group}/${fresh.id}`
    kind = ''
  }
</script>

<section class="mt-4" aria-labelledby={id}>
  <div class="mb-1 flex items-baseline justify-between gap-2">
    <h2 {id} class="text-lg">{GROUP_WORDS[group]}</h2>
    <form class="flex items-center gap-1" onsubmit={(event) => void add(event)}>
      <select class="blank max-w-32" aria-label="What to add: {GROUP_WORDS[group]}" bind:value={kind}>
        <option value="">add one</option>
        {#each Object.entries(KINDS[group]) as [name, words] (name)}<option value={name}>{words}</option
          >{/each}
      </select>
      <button class="btn btn-primary btn-xs" disabled={kind === ''} aria-label="Add to: {GROUP_WORDS[group]}"
        >Add</button
      >
    </form>
  </div>
  {#each contents as content, index (content.id)}
    <ContentRow {group} {content} {index} />
  {:else}
    {#if looked === undefined}
      <p class="text-sm text-faint">{empty}</p>
    {:else}
      <NoneOf {looked} words={empty} />
    {/if}
  {/each}
</section>
