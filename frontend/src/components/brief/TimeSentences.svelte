<script lang="ts">
  import type { BuildReply } from '../../api/client'
  import { SKILL_WORDS } from '../../lib/brief'
  import { useBuild } from '../../lib/build.svelte'
  import QuantityField from '../QuantityField.svelte'
  import Steers from './Steers.svelte'
  import Ticks from './Ticks.svelte'

  /** Hours of play and of work, the date, and who can do what. */
  let { brief }: { brief: BuildReply['build']['brief'] } = $props()
  const build = $derived(useBuild()())
  const works = $derived(build.report?.works ?? [])
</script>

<div class="grid gap-2 leading-9">
  <p>
    We play about
    <QuantityField
      label="Hours a week of play"
      field="brief.hours_a_week"
      text={build.texts['brief.hours_a_week'] ?? ''}
      hint="not said"
      width="4rem"
      commit={(typed) => build.changeBrief(`hours a week ${typed}`, { hours_a_week: typed })}
    />
    a week.
    <Steers fields={['hours_a_week']} />
  </p>
  <p>
    It must be playable by
    <input
      type="date"
      class="blank"
      aria-label="Playable by"
      value={brief.playable_by ?? ''}
      onchange={(event) =>
        void build.changeBrief(`playable by ${event.currentTarget.value}`, {
          playable_by: event.currentTarget.value || null,
        })}
    />, and we build about
    <QuantityField
      label="Hours a week for building"
      field="brief.build_hours_a_week"
      text={build.texts['brief.build_hours_a_week'] ?? ''}
      hint="not said"
      width="4rem"
      commit={(typed) =>
        build.changeBrief(`hours a week for building ${typed}`, { build_hours_a_week: typed })}
    />
    a week.
    <Steers fields={['playable_by', 'build_hours_a_week']} />
  </p>
  <div>
    <Ticks
      legend="Ourselves we do"
      options={SKILL_WORDS}
      chosen={brief.skills}
      choose={(skills) => void build.changeBrief('what we do ourselves', { skills })}
    />
    <Steers fields={['skills']} />
  </div>
  {#if works.length > 0}
    <details>
      <summary class="min-h-[24px] cursor-pointer leading-normal text-primary"
        >What has to be done, and by whom</summary
      >
      <ul class="mt-1 text-sm leading-snug">
        {#each works as work (work.id)}
          <li class="flex justify-between gap-3 border-b border-base-300 py-1">
            <span>{work.what}<span class="block text-faint">{work.who}</span></span>
            <span class="whitespace-nowrap">{work.hours}</span>
          </li>
        {/each}
      </ul>
      <p class="mt-1 text-xs leading-snug text-faint">
        Mains wiring and opener springs are a licensed trade's, whatever one can do oneself. Local codes come
        first.
      </p>
    </details>
  {/if}
</div>
