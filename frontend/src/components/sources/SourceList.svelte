<script lang="ts">
  import { api, outcome, type Outcome, type SourcesNow } from '../../api/client'
  import { counted } from '../../lib/words'

  /** Every source, when it was read last, and why it could not be. */
  let { sources, changed }: { sources: SourcesNow['sources']; changed: () => Promise<void> } = $props()
  let refused = $state('')

  async function sent(asked: Promise<Outcome<unknown>>): Promise<void> {
    const made = await asked
    refused = made.status >= 400 || made.status === 0 ? made.message : ''
    await changed()
  }

  function pause(source_id: number, paused: boolean): void {
    const params = { path: { source_id } }
    void sent(outcome(api.PATCH('/api/prices/sources/{source_id}', { params, body: { paused } })))
  }

  function drop(source_id: number): void {
    const params = { path: { source_id } }
    void sent(outcome(api.DELETE('/api/prices/sources/{source_id}', { params })))
  }
</script>

{#if refused}<p role="alert" class="text-error">{refused}</p>{/if}
<ul class="divide-y divide-base-300 border-y border-base-300">
  {#each sources as source (source.id)}
    <li class="grid gap-x-6 gap-y-1 py-2 sm:grid-cols-[minmax(0,1fr)_auto]">
      <div class="min-w-0">
        <p class="font-semibold">{source.shop}{source.paused ? ', paused' : ''}</p>
        <p class="text-sm break-all text-faint">{source.address}</p>
        <p class="text-sm">
          {source.parts > 0 ? `${counted(source.parts, 'part')} known there; ` : ''}{source.read_at
            ? `read ${source.read_at.slice(0, 10)}`
            : 'never read yet'}.
          {#if source.failed}<span class="text-error">{source.failed}</span>{/if}
          {#if source.is_silent}<span class="text-warning"
              >No price of this shop was seen for {source.silent_days} days: what is known of it is that old.</span
            >{/if}
        </p>
      </div>
      <div class="flex items-start gap-1">
        <button
          class="btn min-h-8 btn-outline btn-xs"
          aria-label="{source.paused ? 'Read again' : 'Pause'}: {source.shop}, {source.address}"
          onclick={() => pause(source.id, !source.paused)}>{source.paused ? 'Read again' : 'Pause'}</button
        >
        <button
          class="btn min-h-8 btn-ghost btn-xs"
          aria-label="Take out: {source.shop}, {source.address}"
          onclick={() => drop(source.id)}>Take out</button
        >
      </div>
    </li>
  {:else}
    <li class="py-3 text-faint">No source is read yet. Add one below by its address.</li>
  {/each}
</ul>
