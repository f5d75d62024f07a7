<script lang="ts">
  import { api, outcome, type Paths } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import { navigate, p } from '../../router'
  import Choice from '../Choice.svelte'

  /** Buy once, or start small and grow: builds that grow from one another, beside buying the last of them at once. */
  const build = $derived(useBuild()())
  const asking = new Resource<Paths, [number]>((signal, build_id) =>
    outcome(api.GET('/api/builds/{build_id}/paths', { params: { path: { build_id } }, signal })),
  )
  const told = $derived(asking.data)
  let problem = $state('')
  /** Of an option: numbers alone would be put first. */
  const key = (id: number): string => `b${id}`

  $effect(() => {
    if (build.reply) void asking.load(build.id)
    return () => asking.stop()
  })

  async function growsFrom(chosen: string): Promise<void> {
    const params = { path: { build_id: build.id } }
    const body = { build_id: chosen ? Number(chosen.slice(1)) : null }
    const said = await outcome(api.PUT('/api/builds/{build_id}/grows-from', { params, body }))
    problem = said.data ? '' : said.message
    await asking.load(build.id)
  }

  async function grow(): Promise<void> {
    const grown = await outcome(
      api.POST('/api/builds/{build_id}/grow', { params: { path: { build_id: build.id } } }),
    )
    problem = grown.data ? '' : grown.message
    if (grown.data) await navigate('/builds/:id/parts', { params: { id: String(grown.data.id) } })
  }
</script>

<section class="mt-8" aria-labelledby="paths">
  <h2 id="paths" class="text-xl">Buy once, or start small and grow</h2>
  <p class="max-w-prose text-sm text-faint">
    The next step is a copy that you change into what comes then. What both have is bought once; what the next
    one has no more is sold, by its category and age. A step is dated by the day on which it was called
    finished, else by when the brief says that it shall be playable.
  </p>
  <div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2 text-sm">
    {#if told}
      <Choice
        label="This build grows from"
        showLabel
        value={told.grows_from ? key(told.grows_from.id) : ''}
        options={{
          '': 'no other: it is the first step',
          ...Object.fromEntries(told.may_grow_from.map(({ id, name }) => [key(id), name])),
        }}
        choose={(chosen) => void growsFrom(chosen)}
      />
    {/if}
    <button class="btn btn-outline btn-primary btn-sm" onclick={() => void grow()}>Plan the next step</button>
  </div>
  {#if problem || asking.message}<p role="alert" class="mt-2 text-sm">{problem || asking.message}</p>{/if}
  {#each told?.paths ?? [] as way, index (index)}
    {#if way.problem}
      <p class="mt-3 text-sm">{way.problem}</p>
    {:else if way.path && way.builds.length > 1}
      <h3 class="mt-4 font-semibold">{way.path.headline}</h3>
      <ol class="mt-1 divide-y divide-base-300 border-y border-base-300 text-sm">
        {#each way.path.steps as step, number (number)}
          {@const of = way.builds[number]}
          <li class="py-1.5">
            <p class="flex flex-wrap items-baseline justify-between gap-x-4">
              <span
                >{step.assumed ? `about ${step.day}` : step.day}:
                {#if of && of.id !== build.id}<a
                    class="inline-flex min-h-8 items-center"
                    href={p('/builds/:id/money', { params: { id: String(of.id) } })}>{step.name}</a
                  >{:else}<strong>{step.name}</strong>{/if}</span
              >
              <span class="tabular-nums">{step.bought.text} bought, {step.fees.text} of fees</span>
            </p>
            {#if step.new.length > 0 && number > 0}<p class="text-faint">New: {step.new.join(', ')}</p>{/if}
            {#if step.given_up.length > 0}
              <p class="text-faint">
                Given up: {step.given_up
                  .map(
                    ({ label, cost, sells_for }) =>
                      `${label} (${cost.text}, ${sells_for ? `sells for ${sells_for.text}` : 'what it sells for is not known'})`,
                  )
                  .join(', ')}
              </p>
            {/if}
            {#if step.unpriced.length > 0}<p>Without a price, in no sum: {step.unpriced.join(', ')}</p>{/if}
          </li>
        {/each}
      </ol>
      <dl class="mt-1 flex flex-wrap gap-x-8 text-sm">
        <div class="flex gap-2">
          <dt class="text-faint">Step by step</dt>
          <dd>{way.path.total.text}</dd>
        </div>
        <div class="flex gap-2">
          <dt class="text-faint">The last one at once</dt>
          <dd>{way.path.at_once.text}</dd>
        </div>
        <div class="flex gap-2">
          <dt class="text-faint">Thrown away on the way</dt>
          <dd>{way.path.thrown_away.text}</dd>
        </div>
      </dl>
    {/if}
  {/each}
  {#if told?.cut_short}<p class="mt-2 text-sm text-faint">There are more paths than are told here.</p>{/if}
</section>
