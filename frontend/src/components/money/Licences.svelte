<script lang="ts">
  import { onDestroy } from 'svelte'
  import { api, type LicencesJob, outcome } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Work } from '../../lib/work.svelte'
  import { counted } from '../../lib/words'
  import PricedParts from './PricedParts.svelte'
  import WorkProgress from '../WorkProgress.svelte'

  type LicenceSet = NonNullable<LicencesJob['licences']>['sets'][number]

  /** Plans, packages, packs and connectors decided together; and what other monitors cost with theirs. */
  const build = $derived(useBuild()())
  const params = $derived({ path: { build_id: build.id } })
  const work = $derived.by(() => {
    const asked = { params }
    return new Work<LicencesJob>((signal) =>
      outcome(api.GET('/api/builds/{build_id}/money/licences', { ...asked, signal })),
    )
  })
  const found = $derived(work.told?.licences)
  const hangs = $derived(build.reply?.build.chain.monitor ?? build.reply?.build.chain.title)

  $effect(() => {
    const looked = work
    void looked.look()
    return () => looked.stop()
  })
  onDestroy(() => work.stop())

  function ask(): void {
    void work.begin(outcome(api.POST('/api/builds/{build_id}/money/licences', { params })))
  }

  function take({ names, monitor_plan, title_plan, add_ons, further }: LicenceSet): void {
    void build.takeLicences(names.join(', '), { monitor_plan, title_plan, add_ons, further })
  }
</script>

<section class="mt-8" aria-labelledby="licences">
  <div class="flex flex-wrap items-baseline justify-between gap-x-4">
    <h2 id="licences" class="text-xl">The least set of licences</h2>
    {#if hangs}
      <button class="btn btn-primary btn-sm" data-field="money.licences" disabled={work.isOpen} onclick={ask}
        >Weigh the licences</button
      >
    {/if}
  </div>
  {#if !hangs}
    <p class="text-sm text-faint">
      Choose a launch monitor or software first: their plans are weighed together.
    </p>
  {:else}
    <p class="max-w-prose text-sm text-faint">
      Every plan of all monitors and software that you hold, with packages, packs and connectors, made in this
      build and judged: what each leaves locked, and what it costs over the years.
    </p>
  {/if}
  <WorkProgress {work} />
  {#if found}
    <p class="mt-2 font-semibold">{found.headline}.</p>
    <div class="overflow-x-auto">
      <table class="mt-1 w-full text-sm">
        <thead class="text-left text-xs text-faint">
          <tr>
            <th class="py-1 pr-3 font-normal">Licences</th>
            <th class="py-1 pr-3 text-right font-normal">Once</th>
            <th class="py-1 pr-3 text-right font-normal">A year</th>
            <th class="py-1 pr-3 text-right font-normal">In {counted(found.years, 'year')}</th>
            <th class="py-1"><span class="sr-only">Take it</span></th>
          </tr>
        </thead>
        <tbody>
          {#each found.sets as each, number (number)}
            <tr class="border-t border-base-300 align-top">
              <td class="py-1.5 pr-3">
                {each.names.join(', ') || 'none'}
                {#each each.locked as words (words)}<span class="text-blocked block text-xs"
                    >Locked: {words}</span
                  >{/each}
                {#if each.adds.length > 0}<span class="block text-xs text-faint"
                    >Beyond what is wanted: {each.adds.join(', ')}</span
                  >{/if}
              </td>
              <td class="py-1.5 pr-3 text-right tabular-nums">{each.up_front?.text ?? 'not known'}</td>
              <td class="py-1.5 pr-3 text-right tabular-nums">{each.yearly?.text ?? 'not known'}</td>
              <td class="py-1.5 pr-3 text-right tabular-nums"
                >{each.horizon?.text ?? 'not known'}{#if each.more && !each.held}<span
                    class="block text-xs text-faint">{each.more.text}</span
                  >{/if}</td
              >
              <td class="py-1.5 text-right">
                {#if each.held}<span class="text-xs text-faint">held</span>{:else}
                  <button
                    class="btn min-h-8 btn-outline whitespace-nowrap btn-primary btn-xs"
                    aria-label="Take {each.names.join(', ')}"
                    onclick={() => take(each)}>Take it</button
                  >
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <p class="text-xs text-faint">
      {counted(found.tried, 'set')} tried{found.cut_short
        ? '; there are more, which were not looked at'
        : ''}.
    </p>
    <PricedParts
      parts={found.monitors}
      years={found.years}
      heading="Other monitors, each with its least set"
      what="Monitor and licences"
      itself="Device"
    />
    <PricedParts
      parts={found.titles}
      years={found.years}
      heading="Other software, each with its least set"
      what="Software and licences"
      itself="Itself"
    />
  {/if}
</section>
