<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { STAYS_UP_WORDS } from '../../lib/contents'

  /** What of the bay stays where it is while the room serves for something else. */
  const build = $derived(useBuild()())
  const standing = $derived(build.reply?.build.layout.stays_up ?? [])
  const forGood = $derived(build.report?.up_for_good ?? [])
  const parts = Object.entries(STAYS_UP_WORDS) as [keyof typeof STAYS_UP_WORDS, string][]

  function toggle(part: keyof typeof STAYS_UP_WORDS, up: boolean): void {
    const stays_up = up ? [...standing, part] : standing.filter((other) => other !== part)
    void build.move(`${STAYS_UP_WORDS[part]} ${up ? 'stays up' : 'comes down'}`, { stays_up })
  }
</script>

<fieldset class="mt-2">
  <legend class="text-sm text-faint">Of the bay stays up meanwhile:</legend>
  <div class="flex flex-wrap gap-x-4">
    {#each parts as [part, words] (part)}
      <label class="flex min-h-[28px] items-center gap-2">
        <input
          type="checkbox"
          class="checkbox checkbox-sm checkbox-primary"
          checked={standing.includes(part) || forGood.includes(part)}
          disabled={forGood.includes(part)}
          onchange={(event) => toggle(part, event.currentTarget.checked)}
        />
        {words}
      </label>
    {/each}
  </div>
</fieldset>
{#if forGood.length > 0}
  <p class="text-xs text-faint">In the brief the bay is not packed away after play: what is built stays.</p>
{/if}
