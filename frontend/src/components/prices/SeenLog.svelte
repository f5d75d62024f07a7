<script lang="ts">
  import { api, outcome, type Outcome, type PriceLog } from '../../api/client'
  import { Resource } from '../../lib/resource.svelte'

  /** What was seen of one part: what is doubted can be confirmed, what is wrong struck out with a reason. */
  let {
    buildId,
    part,
    label,
    changed,
  }: { buildId: number; part: string; label: string; changed: () => void } = $props()
  const WHERE_FROM: Record<string, string> = {
    reading: 'read',
    typed: 'typed',
    file: 'from a file',
    receipt: 'from a receipt',
  }
  const log = new Resource<PriceLog>((signal) =>
    outcome(
      api.GET('/api/builds/{build_id}/prices/{part}', {
        params: { path: { build_id: buildId, part } },
        signal,
      }),
    ),
  )
  let striking = $state(0)
  let reason = $state('')
  let refused = $state('')

  $effect(() => {
    void log.load()
    return () => log.stop()
  })

  async function send(asked: Promise<Outcome<PriceLog>>): Promise<void> {
    const made = await asked
    refused = made.data ? '' : (made.problems[0]?.accepted ?? made.message)
    if (!made.data) return
    striking = 0
    reason = ''
    await log.load()
    changed()
  }

  function strike(observation_id: number): void {
    void send(
      outcome(
        api.POST('/api/prices/seen/{observation_id}/strike', {
          params: { path: { observation_id } },
          body: { reason },
        }),
      ),
    )
  }

  function believe(observation_id: number, change: 'bring-back' | 'confirm'): void {
    void send(
      outcome(
        api.POST('/api/prices/seen/{observation_id}/{change}', {
          params: { path: { observation_id, change } },
        }),
      ),
    )
  }
</script>

{#if refused || log.message}<p role="alert" class="text-sm text-error">{refused || log.message}</p>{/if}
{#if log.loading && !log.data}
  <p role="status" class="text-sm text-faint">Looking at what was seen</p>
{:else if log.data?.seen.length === 0}
  <p class="text-sm text-faint">Nothing was seen of it yet.</p>
{:else if log.data}
  <div class="max-h-80 overflow-auto">
    <table class="w-full text-sm">
      <thead class="text-left text-xs text-faint">
        <tr>
          <th class="py-1 pr-3 font-normal">Seen</th>
          <th class="py-1 pr-3 font-normal">Shop</th>
          <th class="py-1 pr-3 text-right font-normal">Price</th>
          <th class="py-1"><span class="sr-only">Believe it or not</span></th>
        </tr>
      </thead>
      <tbody>
        {#each log.data.seen as one (one.id)}
          <tr class="border-t border-base-300 align-top">
            <td class="py-1 pr-3 whitespace-nowrap tabular-nums"
              >{one.first_seen}{#if one.last_seen !== one.first_seen}<span class="block text-xs text-faint"
                  >to {one.last_seen}</span
                >{/if}</td
            >
            <td class="py-1 pr-3"
              >{one.shop}<span class="block text-xs text-faint"
                >{one.sold_as}{one.in_stock ? '' : ', sold out'}, {WHERE_FROM[one.source] ?? one.source}</span
              >{#if one.held_back}<span class="block text-xs">Held back. {one.held_back}</span
                >{/if}{#if one.struck}<span class="block text-xs">Struck out: {one.struck}</span>{/if}</td
            >
            <td class="py-1 pr-3 text-right tabular-nums {one.struck ? 'line-through' : ''}">{one.price}</td>
            <td class="py-1 text-right whitespace-nowrap">
              {#if one.struck}
                <button
                  class="btn min-h-8 btn-outline btn-xs"
                  aria-label="Bring back {one.price} of {one.shop}, {one.first_seen}"
                  onclick={() => believe(one.id, 'bring-back')}>Bring back</button
                >
              {:else if striking === one.id}
                <form
                  class="flex gap-1"
                  onsubmit={(event) => {
                    event.preventDefault()
                    strike(one.id)
                  }}
                >
                  <input
                    class="blank w-32"
                    aria-label="Why it is wrong"
                    maxlength="200"
                    bind:value={reason}
                  />
                  <button class="btn min-h-8 btn-primary btn-xs" disabled={reason.trim() === ''}
                    >Strike</button
                  >
                </form>
              {:else}
                {#if one.held_back}
                  <button
                    class="btn min-h-8 btn-outline btn-primary btn-xs"
                    aria-label="Confirm {one.price} of {one.shop}, {one.first_seen}"
                    onclick={() => believe(one.id, 'confirm')}>Confirm</button
                  >
                {/if}
                <button
                  class="btn min-h-8 btn-ghost btn-xs"
                  aria-label="Wrong: {one.price} of {one.shop}, {one.first_seen}"
                  onclick={() => {
                    striking = one.id
                    reason = ''
                  }}>Wrong</button
                >
              {/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#if log.data.seen.length === log.data.most}
    <p class="text-xs text-faint">The newest {log.data.most} of {label}; older ones count as well.</p>
  {/if}
{/if}
