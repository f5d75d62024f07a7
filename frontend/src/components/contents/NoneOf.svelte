<script lang="ts">
  import type { Looked } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'

  interface Props {
    looked: Looked
    words: string
  }

  /** Nothing was entered: either nobody has looked yet, or there is none. */
  let { looked, words }: Props = $props()
  const build = $derived(useBuild()())
  const none = $derived(build.reply?.build.room.none_of ?? [])
  const said = $derived(none.includes(looked))

  function answer(there_is_none: boolean): void {
    const others = none.filter((other) => other !== looked)
    void build.measureRoom(there_is_none ? 'there is none' : 'not looked yet', {
      none_of: there_is_none ? [...others, looked] : others,
    })
  }
</script>

<p class="flex flex-wrap items-baseline justify-between gap-x-3 text-sm text-faint">
  <span>{said ? 'There is none.' : words}</span>
  <button
    class="btn ml-auto min-h-[26px] btn-ghost text-primary btn-xs"
    data-field="room.{looked}"
    onclick={() => answer(!said)}
    >{said ? 'Not looked yet' : 'There is none'}<span class="sr-only">: {looked}</span></button
  >
</p>
