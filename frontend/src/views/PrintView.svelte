<script lang="ts">
  import type { State } from '../api/client'
  import Mark from '../components/Mark.svelte'
  import Choice from '../components/Choice.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { STATE_WORDS } from '../lib/words'

  /** The drawing on one page, to scale, and after it what the core says of the build: to take along and read aloud. */
  const build = $derived(useBuild()())
  const report = $derived(build.report)
  const layouts = $derived<Record<string, string>>({
    playing: 'playing',
    ...(report?.stowed ? { stowed: 'stowed' } : {}),
    ...Object.fromEntries((build.reply?.build.room.modes ?? []).map(({ id, name }) => [id, name])),
  })
  const STATES: readonly State[] = ['blocked', 'unknown', 'tight', 'clear']
  let layout = $state('playing')
  let standing = $state(false)

  function show(name: string): void {
    layout = name
  }

  function told(state: State) {
    return (report?.verdicts ?? []).filter((verdict) => verdict.state === state)
  }
</script>

<div class="print-page mx-auto max-w-4xl p-4 print:max-w-none print:p-0">
  <div class="no-print mb-4 flex flex-wrap items-end gap-4">
    <h1 class="text-2xl">Print</h1>
    <Choice label="Layout" showLabel value={layout} options={layouts} choose={show} />
    <button class="btn btn-primary btn-sm" onclick={() => window.print()}>Print drawing and verdicts</button>
  </div>
  <img
    class={['drawing-page', standing && 'standing']}
    src="/api/builds/{build.id}/drawing.svg?layout={layout}&revision={build.reply?.revision ?? 0}"
    alt="The drawing, {layout}, to scale"
    onload={(event) => {
      const page = event.currentTarget as HTMLImageElement
      standing = page.naturalHeight > page.naturalWidth
    }}
  />
  {#if report}
    <section class="verdict-pages text-sm" aria-label="Verdicts">
      <h2 class="text-xl">{build.reply?.build.name}</h2>
      {#each STATES as state (state)}
        {@const verdicts = told(state)}
        {#if verdicts.length > 0}
          <h3 class="mt-3 border-b border-base-content text-base">{STATE_WORDS[state]}: {verdicts.length}</h3>
          <ul class={state === 'clear' ? 'columns-2 gap-6' : ''}>
            {#each verdicts as verdict (`${verdict.id} ${verdict.subject_id}`)}
              <li class="flex break-inside-avoid gap-2 py-0.5">
                <Mark {state} />
                <span>
                  <strong>{verdict.title}.</strong>
                  {verdict.headline}{verdict.margin && !verdict.headline.includes(verdict.margin)
                    ? `, ${verdict.margin}`
                    : ''}
                  {#if state !== 'clear' && verdict.changes[0]}<span class="block text-faint"
                      >{verdict.changes[0]}</span
                    >{/if}
                </span>
              </li>
            {/each}
          </ul>
        {/if}
      {/each}
      <h3 class="mt-3 border-b border-base-content text-base">Money</h3>
      <p>
        Up front {report.costs.up_front.total.text}{report.costs.up_front.cap
          ? ` of ${report.costs.up_front.cap.text}`
          : ''}; each year {report.costs.yearly.total.text}. {report.costs.scope}
      </p>
      <p class="mt-3 font-semibold">{report.caution}</p>
    </section>
  {/if}
</div>
