<script lang="ts">
  import type { ContentGroup, Looked } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { GROUP_WORDS } from '../../lib/contents'
  import { view } from '../../lib/view.svelte'
  import AddContent from './AddContent.svelte'
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
</script>

<section class="mt-4" aria-labelledby={id}>
  <div class="mb-1 flex items-baseline justify-between gap-2">
    <h2 {id} class="text-lg">{GROUP_WORDS[group]}</h2>
    <AddContent
      {group}
      added={(fresh) => {
        view.chosen = `${group}/${fresh}`
      }}
    />
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
