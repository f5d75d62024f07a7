<script lang="ts">
  import type { BuildReply, Problem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import AddOne from './AddOne.svelte'
  import Steers from './Steers.svelte'

  /** What the household asks for before money is spent, ticked off one by one. */
  let { brief }: { brief: BuildReply['build']['brief'] } = $props()
  const build = $derived(useBuild()())

  /** One that is new gets its id where it is kept. */
  interface Condition {
    id?: string
    text: string
    met: boolean
  }

  function keep(conditions: Condition[], what: string): Promise<Problem[]> {
    return build.changeBrief(what, { conditions })
  }

  const add = (text: string): Promise<Problem[]> =>
    keep([...brief.conditions, { text, met: false }], `condition: ${text}`)
</script>

{#each brief.conditions as condition (condition.id)}
  <div class="flex items-center gap-2 border-b border-base-300 py-1">
    <label class="flex min-h-[28px] min-w-0 flex-1 items-center gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-sm checkbox-primary"
        checked={condition.met}
        onchange={(event) =>
          void keep(
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
<AddOne label="Another condition of the household" placeholder="Another condition" {add} />
<Steers fields={['conditions']} />
