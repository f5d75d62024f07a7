<script lang="ts">
  import type { ContentGroup } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { GROUP_WORDS, KINDS } from '../../lib/contents'

  interface Props {
    group: ContentGroup
    /** Told the id of what has been added. */
    added: (id: string) => void
  }

  /** One more of a group of the room, by its kind. */
  let { group, added }: Props = $props()
  const build = $derived(useBuild()())
  const contents = $derived(build.reply?.build.room[group] ?? [])

  let kind = $state('')

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    if (kind === '') return
    const known = new Set(contents.map((content) => content.id))
    await build.addContent(group, kind, KINDS[group][kind] ?? kind)
    const fresh = build.reply?.build.room[group].find((content) => !known.has(content.id))
    if (fresh) added(fresh.id)
    kind = ''
  }
</script>

<form class="flex items-center gap-1" onsubmit={(event) => void add(event)}>
  <select class="blank max-w-32" aria-label="What to add: {GROUP_WORDS[group]}" bind:value={kind}>
    <option value="">add one</option>
    {#each Object.entries(KINDS[group]) as [name, words] (name)}<option value={name}>{words}</option>{/each}
  </select>
  <button class="btn btn-primary btn-xs" disabled={kind === ''} aria-label="Add to: {GROUP_WORDS[group]}"
    >Add</button
  >
</form>
