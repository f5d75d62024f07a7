<script lang="ts">
  import { api, outcome, type Offers, type Verdict } from '../api/client'
  import { useBuild } from '../lib/build.svelte'
  import { enter, placeWords } from '../lib/missing'
  import { Resource } from '../lib/resource.svelte'
  import Does from './Does.svelte'

  /** What would change an answer: each way with what it does, and a press that does it. */
  let { verdict }: { verdict: Verdict } = $props()
  const build = $derived(useBuild()())
  const asking = new Resource<Offers, [string, string]>((signal, check_id, subject) => {
    const params = { path: { build_id: build.id, check_id }, query: { subject } }
    return outcome(api.GET('/api/builds/{build_id}/verdicts/{check_id}/offers', { params, signal }))
  })
  let pressed = $state('')
  // Carried out and judged anew after every edit, while somebody looks.
  $effect(() => {
    if (build.reply) void asking.load(verdict.id, verdict.subject_id)
    return () => asking.stop()
  })
  const offers = $derived(
    asking.data?.offers ??
      verdict.changes.map((words) => ({ words, state: null, does: null, at: verdict.missing })),
  )

  async function press(words: string): Promise<void> {
    pressed = words
    await build.pressOffer(verdict.id, verdict.subject_id, words)
    pressed = ''
  }
</script>

<ul class="divide-y divide-base-300">
  {#each offers as { words, state, does, at } (words)}
    <li class="flex items-start gap-3 py-1.5">
      <span class="min-w-0 flex-1 leading-snug">
        {words}
        {#if does}<Does {does} {state} />{/if}
      </span>
      {#if does}
        <button
          class="btn shrink-0 btn-primary btn-xs"
          aria-label="Do it: {words}"
          disabled={pressed !== ''}
          onclick={() => void press(words)}>Do it</button
        >
      {:else if at}
        <button
          class="btn shrink-0 btn-outline btn-primary btn-xs"
          aria-label="{placeWords(at)}: {words}"
          onclick={() => void enter(at, build.id)}>{placeWords(at)}</button
        >
      {/if}
    </li>
  {/each}
</ul>
{#if asking.loading && !asking.data}
  <p role="status" class="text-sm text-faint">Trying what helps</p>
{:else if asking.message}
  <p role="alert" class="text-sm text-error">{asking.message}</p>
{/if}
