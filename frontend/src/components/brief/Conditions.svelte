<script lang="ts">
  import type { BuildReply } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import Steers from './Steers.svelte'

  /** What the household asks for before money is spent, ticked off one by one. */
  let { brief }: { brief: BuildReply['build']['brief'] } = $props()
  const build = $derived(useBuild()())
  let fresh = $state('')

  /** One that is new gets its id where it is kept. */
  interface Condition {
    id?: string
    text: string
    met: boolean
  }

  function keep(conditions: Condition[], what: string): void {
    void build.changeBrief(what, { conditions })
  }

  function add(event: SubmitEvent): void {
    event.preventDefault()
    const text = fresh.trim()
    keep([...brief.conditions, { text, met: false }], `condition: ${text}`)
    fresh = ''
  }
</script>

{#each brief.conditions as condition (condition.id)}
  <div class="flex items-center gap-2 border-b border-base-300 py-1">
    <label class="flex min-h-[28px] min-w-0 flex-1 items-center gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-sm checkbox-primary"
        checked={condition.met}
        onchange={(event) =>
          keep(
            brief.conditions.map((other) =>
              other.id === condition.id ? { ...other, met: event.currentTarget.checked } : other,
            ),
            `${condition.text}: ${event.currentTarget.checked ? 'met' : 'open'}`,
          )}
      />
      <span class={condition.met ? 'text-faint line-through' : ''}>{condition.text}</span>
    </label>
    <button
      class="btn btn-ghost text-primary btn-xs"
      aria-label="Take out: {condition.text}"
      onclick={() =>
        keep(
          brief.conditions.filter((other) => other.id !== condition.id),
          `taking out: ${condition.text}`,
        )}>Take out</button
    >
  </div>
{:else}
  <p class="text-sm text-faint">
    None yet: the dinghy fits in winter, no noise after nine, the door still opens.
  </p>
{/each}
<form class="mt-2 flex items-end gap-2" onsubmit={add}>
  <label class="min-w-0 flex-1"
    ><span class="sr-only">Another condition of the household</span><input
      class="blank w-full"
      placeholder="Another condition"
      maxlength="120"
      bind:value={fresh}
    /></label
  >
  <button class="btn btn-primary btn-xs" disabled={fresh.trim() === ''}>Add it</button>
</form>
<Steers fields={['conditions']} />
