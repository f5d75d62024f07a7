<script lang="ts">
  import { api, outcome, type Verdict, type Workings } from '../api/client'
  import { useBuild } from '../lib/build.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { BASIS_WORDS, STATE_WORDS } from '../lib/words'
  import Mark from './Mark.svelte'
  import OfferList from './OfferList.svelte'
  import Panel from './Panel.svelte'

  let { verdict, close }: { verdict: Verdict; close: () => void } = $props()
  const build = $derived(useBuild()())
  const asking = new Resource<Workings, [string, string]>((signal, check_id, subject) => {
    const params = { path: { build_id: build.id, check_id }, query: { subject } }
    return outcome(api.GET('/api/builds/{build_id}/verdicts/{check_id}', { params, signal }))
  })
  const workings = $derived(asking.data)
  const problem = $derived(asking.message)
  // Worked out anew after every edit, while the panel is open.
  $effect(() => {
    if (build.reply) void asking.load(verdict.id, verdict.subject_id)
    return () => asking.stop()
  })
</script>

<Panel title={verdict.subject ? `${verdict.title}: ${verdict.subject}` : verdict.title} {close}>
  <p class="flex items-start gap-2">
    <span class="mt-1"><Mark state={verdict.state} /></span>
    <span
      ><strong class="text-{verdict.state}">{STATE_WORDS[verdict.state]}</strong> · {verdict.headline}</span
    >
  </p>
  {#if workings?.measured && workings.required}
    <dl class="grid grid-cols-3 border-y border-base-300 py-2">
      {#each [['Has', workings.measured.text], ['Needs', workings.required.text], ['Margin', workings.margin]] as const as [name, text] (name)}
        <div>
          <dt class="text-xs text-faint">{name}</dt>
          <dd class="text-lg">{text || '–'}</dd>
        </div>
      {/each}
    </dl>
  {/if}
  {#each verdict.doubts as doubt, number (number)}
    <p class="border-l-3 border-warning pl-2 text-sm">Leans on a doubtful fact. {doubt}</p>
  {/each}
  {#each workings?.others ?? [] as other, number (number)}
    <p class="flex items-start gap-2 text-sm">
      <span class="mt-0.5"><Mark state={other.state} size={12} /></span>
      <span
        >If {other.source} is right about {other.fact} ({other.value}):
        <span class="text-{other.state}">{STATE_WORDS[other.state]}</span>, {other.headline}{other.margin
          ? `, ${other.margin}`
          : ''}</span
      >
    </p>
  {/each}
  {#if verdict.changes.length > 0}
    <section>
      <h3 class="mb-1">What would change it</h3>
      <OfferList {verdict} />
    </section>
  {/if}
  {#if workings?.formula}
    <section>
      <h3 class="mb-1">How it is worked out</h3>
      <p class="bg-base-200 p-2">{workings.formula}</p>
      <p class="mt-1 text-sm text-faint">Basis: {BASIS_WORDS[workings.basis]}</p>
    </section>
  {/if}
  {#if workings && workings.inputs.length > 0}
    <section>
      <h3 class="mb-1">From these inputs</h3>
      <table class="w-full text-sm">
        <thead class="sr-only"><tr><th>Input</th><th>Value</th><th>Basis</th></tr></thead>
        <tbody>
          {#each workings.inputs as input, index (index)}
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
  {#if workings}
    <section>
      <h3 class="mb-1">The rule</h3>
      <p class="text-sm whitespace-pre-line">{workings.manual}</p>
    </section>
  {:else if problem}
    <p role="alert" class="text-error">{problem}</p>
  {:else}
    <p role="status" class="text-faint">Fetching the workings</p>
  {/if}
</Panel>
