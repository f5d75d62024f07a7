<script lang="ts">
  import { api, outcome, type WhyNot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import Does from '../Does.svelte'
  import Mark from '../Mark.svelte'
  import Panel from '../Panel.svelte'

  /** Which facts rule a part out here, and the smallest change that would admit it. */
  let { asked, close }: { asked: { part: string; name: string }; close: () => void } = $props()
  const build = $derived(useBuild()())
  const asking = new Resource<WhyNot, [string]>((signal, part_id) => {
    const params = { path: { build_id: build.id, part_id } }
    return outcome(api.GET('/api/builds/{build_id}/why-not/{part_id}', { params, signal }))
  })
  const found = $derived(asking.data)
  const problem = $derived(asking.message)
  $effect(() => {
    void asking.load(asked.part)
    return () => asking.stop()
  })
  const last = $derived(found?.together.at(-1))
  const ruledOut = $derived(found !== null && found.ruled_out_by.length + found.objections.length > 0)
  async function admit(words: string): Promise<void> {
    const problems = await build.admit(asked.part, asked.name, words)
    if (problems.length === 0) close()
  }

  const place = $derived(
    found?.slot
      ? `On the chain, as ${SLOT_WORDS[found.slot].toLowerCase()}.`
      : found?.item
        ? `Beside the chain, for the small item “${found.item}”.`
        : 'Beside the chain: no small item asks for it.',
  )
</script>

<Panel title={found && !ruledOut ? `${asked.name} works here` : `Why not ${asked.name}`} {close}>
  {#if problem}
    <p role="alert" class="text-error">{problem}</p>
    <button class="btn self-start btn-sm" onclick={() => void asking.load(asked.part)}>Try again</button>
  {:else if !found}
    <p role="status" class="text-faint">Trying what would admit it</p>
  {:else}
    <p class="text-sm text-faint">{place}</p>
    <section>
      {#if ruledOut}<h3 class="mb-1">Ruled out by</h3>{/if}
      {#each found.objections as objection, number (number)}
        <p class="flex items-start gap-2 py-1">
          <span class="mt-1"><Mark state="blocked" /></span>
          <span><span class="block text-xs text-faint">{found.item}</span>{objection}</span>
        </p>
      {/each}
      {#each found.ruled_out_by as reason (reason.id + reason.subject_id)}
        <p class="flex items-start gap-2 py-1">
          <span class="mt-1"><Mark state={reason.state} /></span>
          <span
            ><span class="block text-xs text-faint"
              >{reason.title}{reason.subject ? `: ${reason.subject}` : ''}</span
            >{reason.headline}</span
          >
        </p>
      {/each}
      {#if !ruledOut}
        <p>Nothing rules it out. {found.slot ? 'It may be hung.' : 'It may be chosen.'}</p>
      {/if}
    </section>
    {#if ruledOut}
      <section>
        <h3 class="mb-1">The smallest change that would admit it</h3>
        {#if found.admitted_by.length > 0}
          <ol class="list-decimal space-y-2 pl-5">
            {#each found.admitted_by as admission, number (number)}
              <li>
                <div class="flex items-start gap-3">
                  <span class="min-w-0 flex-1">{admission.change}<Does does={admission.does} /></span>
                  {#if admission.press}
                    <button
                      class="btn shrink-0 btn-primary btn-xs"
                      aria-label="Choose {asked.name}, and: {admission.change}"
                      onclick={() => void admit(admission.change)}>Do both</button
                    >
                  {/if}
                </div>
              </li>
            {/each}
          </ol>
        {:else if found.together.length > 0}
          <p class="mb-1">No single change that was tried admits it. These do together:</p>
          <ol class="list-decimal space-y-2 pl-5">
            {#each found.together as admission, number (number)}
              <li>{admission.change}</li>
            {/each}
          </ol>
          {#if last}
            <div class="mt-2 flex items-start gap-3">
              <span class="min-w-0 flex-1"><Does does={last.does} /></span>
              {#if found.together.every(({ press }) => press)}
                <button
                  class="btn shrink-0 btn-primary btn-sm"
                  aria-label="Choose {asked.name}, and do all of these"
                  onclick={() => void admit('')}>Do all of it</button
                >
              {/if}
            </div>
          {/if}
        {:else}
          <p>
            Nothing that was tried admits it: {found.tried.length > 0
              ? `neither ${found.tried.join(', nor ')}`
              : 'there was nothing to change'}. Other answers, or a part that is not in your catalogue, may.
          </p>
        {/if}
      </section>
    {/if}
  {/if}
</Panel>
