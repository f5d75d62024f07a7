<script lang="ts">
  import { api, outcome, type AroundBuying } from '../../api/client'
  import { Resource } from '../../lib/resource.svelte'

  /** Before buying, whom to ask; after it, whether it was well bought. */
  let { buildId }: { buildId: number } = $props()
  const asking = new Resource<AroundBuying>((signal) =>
    outcome(
      api.GET('/api/builds/{build_id}/around-buying', { params: { path: { build_id: buildId } }, signal }),
    ),
  )
  let refused = $state('')
  const around = $derived(asking.data)

  $effect(() => {
    void asking.load()
    return () => asking.stop()
  })

  async function answer(question: string, words: string): Promise<void> {
    const params = { path: { build_id: buildId } }
    const made = await outcome(
      api.POST('/api/builds/{build_id}/around-buying/answers', { params, body: { question, answer: words } }),
    )
    refused = made.data ? '' : made.message
    if (made.data) await asking.load()
  }
</script>

{#if asking.message || refused}<p role="alert" class="mt-6 text-error">{asking.message || refused}</p>{/if}
{#if around && around.questions.length > 0}
  <section class="mt-8" aria-labelledby="ask-first">
    <h2 id="ask-first" class="text-xl">Ask first</h2>
    <p class="max-w-prose text-sm text-faint">Often cheap, and advertised nowhere.</p>
    <ul class="mt-1 divide-y divide-base-300 border-y border-base-300">
      {#each around.questions as question (question.id)}
        <li class="grid gap-x-6 gap-y-1 py-2 sm:grid-cols-[minmax(0,1fr)_16rem]">
          <p class="text-sm"><strong>{question.whom}.</strong> {question.what}</p>
          <label class="text-sm"
            ><span class="block text-xs text-faint"
              >What they said{question.answered_on ? `, ${question.answered_on}` : ''}</span
            ><input
              class="blank w-full"
              maxlength="500"
              value={question.answer}
              aria-label="What they said{question.answered_on
                ? `, ${question.answered_on}`
                : ''}: {question.whom}"
              onchange={(event) => void answer(question.id, event.currentTarget.value)}
            /></label
          >
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if around && around.bought.length > 0}
  <section class="mt-8" aria-labelledby="after-buying">
    <h2 id="after-buying" class="text-xl">After buying</h2>
    <ul class="mt-1 divide-y divide-base-300 border-y border-base-300">
      {#each around.bought as one (one.line)}
        <li class="grid gap-x-6 py-2 sm:grid-cols-[minmax(0,1fr)_16rem]">
          <div>
            <p class="font-semibold">{one.label}</p>
            <p class={one.is_worth_sending_back ? 'text-primary' : 'text-sm text-faint'}>{one.headline}.</p>
          </div>
          <p class="text-sm text-faint tabular-nums sm:text-right">
            {one.paid} on {one.paid_on}{#if one.now}, {one.now} now, delivered{/if}{#if one.return_by}<span
                class="block">taken back until {one.return_by}</span
              >{/if}
          </p>
        </li>
      {/each}
    </ul>
  </section>
{/if}
