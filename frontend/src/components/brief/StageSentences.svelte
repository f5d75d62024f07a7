<script lang="ts">
  import type { BuildReply } from '../../api/client'
  import { APPROACH_WORDS, SUBSCRIPTION_WORDS } from '../../lib/brief'
  import { useBuild } from '../../lib/build.svelte'
  import { SLOT_WORDS, STAGE_WORDS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import Steers from './Steers.svelte'
  import Ticks from './Ticks.svelte'

  /** How far the build goes, through which stages, and what each costs. */
  let { brief }: { brief: BuildReply['build']['brief'] } = $props()
  const build = $derived(useBuild()())
  type Stage = keyof typeof STAGE_WORDS
  const order = Object.keys(STAGE_WORDS) as Stage[]
  const earlier = $derived(order.slice(0, order.indexOf(brief.stage)))
  const options = $derived(
    Object.fromEntries(earlier.map((stage) => [stage, STAGE_WORDS[stage]])) as Record<Stage, string>,
  )
  const stages = $derived(build.report?.stages ?? [])
  const MEASURED = { yes: 'measuring every shot', no: 'without measuring shots' } as const
  const LINES = {
    '': 'in any resolution',
    '1080': 'in full HD, 1080 lines',
    '2160': 'in 4K, 2160 lines',
  } as const
  const USED = { yes: 'fine', no: 'not wanted' } as const
</script>

<div class="grid gap-2 leading-9">
  <p>
    We go as far as
    <Choice
      label="How far the build goes"
      value={brief.stage}
      options={STAGE_WORDS}
      choose={(stage) => void build.changeBrief(`stage: ${STAGE_WORDS[stage]}`, { stage })}
    />,
    <Choice
      label="Whether shots are measured"
      value={brief.measures_shots ? 'yes' : 'no'}
      options={MEASURED}
      choose={(answer) => void build.changeBrief(MEASURED[answer], { measures_shots: answer === 'yes' })}
    />, the picture
    <Choice
      label="Lines of the picture"
      value={brief.lines_wanted ? String(brief.lines_wanted) : ''}
      options={LINES}
      choose={(lines) =>
        void build.changeBrief(`picture ${LINES[lines as keyof typeof LINES]}`, {
          lines_wanted: lines === '' ? null : lines === '2160' ? 2160 : 1080,
        })}
    />, and would rather
    <Choice
      label="Approach"
      value={brief.approach}
      options={APPROACH_WORDS}
      choose={(approach) => void build.changeBrief(APPROACH_WORDS[approach], { approach })}
    />.
    <Steers fields={['stage', 'measures_shots', 'approach']} />
  </p>
  {#if earlier.length > 0}
    <div>
      <Ticks
        legend="On the way there,"
        {options}
        chosen={brief.earlier_stages}
        choose={(earlier_stages) => void build.changeBrief('stages on the way', { earlier_stages })}
      />
      <Steers fields={['earlier_stages']} />
    </div>
  {/if}
  {#if stages.length > 1}
    <ol class="max-w-xl text-sm leading-snug">
      {#each stages as { stage, up_front, yearly, of, unpriced, empty }, index (stage)}
        <li class="border-b border-base-300 py-1">
          <div class="flex justify-between gap-3">
            <span>{index + 1}. {STAGE_WORDS[stage]}</span>
            <span class="whitespace-nowrap">{up_front} up front, {yearly} each year</span>
          </div>
          <p class="text-[13px] leading-snug opacity-80">
            {of.length > 0 ? `For ${of.join(', ')}.` : 'Nothing chosen for it yet.'}
            {#if unpriced.length > 0}<span class="text-warning"
                >Without a price, and left out: {unpriced.join(', ')}.</span
              >{/if}
            {#if empty.length > 0}Still to choose: {empty
                .map((slot) => SLOT_WORDS[slot].toLowerCase())
                .join(', ')}.{/if}
          </p>
        </li>
      {/each}
    </ol>
  {/if}
  <p>
    Subscriptions are
    <Choice
      label="Subscriptions"
      field="brief.subscriptions"
      value={brief.subscriptions ?? 'unsaid'}
      options={SUBSCRIPTION_WORDS}
      choose={(answer) =>
        void build.changeBrief(`subscriptions ${SUBSCRIPTION_WORDS[answer]}`, {
          subscriptions: answer === 'unsaid' ? null : answer,
        })}
    />, used parts
    <Choice
      label="Used parts"
      value={brief.used_is_fine ? 'yes' : 'no'}
      options={USED}
      choose={(answer) =>
        void build.changeBrief(`used parts ${USED[answer]}`, { used_is_fine: answer === 'yes' })}
    />.
    <Steers fields={['subscriptions', 'used_is_fine']} />
  </p>
</div>
