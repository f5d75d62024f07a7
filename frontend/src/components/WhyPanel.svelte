<script lang="ts">
  import { api, outcome, type Verdict } from '../api/client'
  import { BASIS_WORDS, STATE_WORDS } from '../lib/words'
  import Mark from './Mark.svelte'
  import Panel from './Panel.svelte'

  let { verdict, close }: { verdict: Verdict; close: () => void } = $props()

  async function manualOf(id: string): Promise<string> {
    const { data } = await outcome(api.GET('/api/session/checks'))
    return data?.find((check) => check.id === id)?.manual ?? ''
  }
</script>

<Panel title={verdict.subject ? `${verdict.title}: ${verdict.subject}` : verdict.title} {close}>
  <p class="flex items-start gap-2">
    <span class="mt-1"><Mark state={verdict.state} /></span>
    <span
      ><strong class="text-{verdict.state}">{STATE_WORDS[verdict.state]}</strong> · {verdict.headline}</span
    >
  </p>
  {#if verdict.measured && verdict.required}
    <dl class="grid grid-cols-3 border-y border-base-300 py-2">
      {#each [['Has', verdict.measured], ['Needs', verdict.required], ['Margin', verdict.margin]] as const as [name, figure] (name)}
        <div>
          <dt class="text-xs text-faint">{name}</dt>
          <dd class="text-lg">{figure?.text ?? '–'}</dd>
        </div>
      {/each}
    </dl>
  {/if}
  {#if verdict.changes.length > 0}
    <section>
      <h3 class="mb-1">What would change it</h3>
      <ul class="list-disc space-y-1 pl-5">
        {#each verdict.changes as change (change)}<li>{change}</li>{/each}
      </ul>
    </section>
  {/if}
  {#if verdict.formula}
    <section>
      <h3 class="mb-1">How it is worked out</h3>
      <p class="bg-base-200 p-2">{verdict.formula}</p>
      <p class="mt-1 text-sm text-faint">Basis: {BASIS_WORDS[verdict.basis]}</p>
    </section>
  {/if}
  {#if verdict.inputs.length > 0}
    <section>
      <h3 class="mb-1">From these inputs</h3>
      <table class="w-full text-sm">
        <thead class="sr-only"><tr><th>Input</th><th>Value</th><th>Basis</th></tr></thead>
        <tbody>
          {#each verdict.inputs as input, index (index)}
            <tr class="border-b border-base-300">
              <td class="py-1 pr-2">{input.name}</td>
              <td class="py-1 pr-2 text-right whitespace-nowrap">{input.value.text}</td>
              <td class="py-1 text-right whitespace-nowrap text-faint">{BASIS_WORDS[input.basis]}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
  {/if}
  {#await manualOf(verdict.id) then manual}
    <section>
      <h3 class="mb-1">The rule</h3>
      <p class="text-sm whitespace-pre-line">{manual}</p>
    </section>
  {/await}
</Panel>
