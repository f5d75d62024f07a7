<script lang="ts">
  import MoneySentences from '../components/brief/MoneySentences.svelte'
  import PlayerRows from '../components/brief/PlayerRows.svelte'
  import PurposeWeights from '../components/brief/PurposeWeights.svelte'
  import Choice from '../components/Choice.svelte'
  import VerdictRow from '../components/VerdictRow.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { STAGE_WORDS } from '../lib/words'

  const DRILLING = { yes: 'may be drilled', no: 'may not be drilled' } as const
  const SUBSCRIPTIONS = { yes: 'fine', no: 'better avoided' } as const
  const build = $derived(useBuild()())
  const brief = $derived(build.reply?.build.brief)
  const budget = $derived((build.report?.verdicts ?? []).filter((verdict) => verdict.step === 'brief'))
</script>

{#if brief}
  <article class="grid gap-x-10 gap-y-6 p-4 lg:grid-cols-[minmax(0,1fr)_22rem] lg:px-6">
    <div class="flex flex-col gap-6">
      <section class="leading-9">
        <h2 class="text-xl">What we build</h2>
        <p>
          We go as far as
          <Choice
            label="How far the build goes"
            value={brief.stage}
            options={STAGE_WORDS}
            choose={(stage) => void build.changeBrief(`stage: ${STAGE_WORDS[stage]}`, { stage })}
          />
        </p>
        <p>
          Walls and ceiling
          <Choice
            label="Drilling"
            value={brief.may_drill ? 'yes' : 'no'}
            options={DRILLING}
            choose={(answer) =>
              void build.changeBrief(`drilling: ${answer}`, { may_drill: answer === 'yes' })}
          />; subscriptions are
          <Choice
            label="Subscriptions"
            value={brief.no_subscriptions ? 'no' : 'yes'}
            options={SUBSCRIPTIONS}
            choose={(answer) =>
              void build.changeBrief(`subscriptions: ${answer}`, { no_subscriptions: answer === 'no' })}
          />.
          <span class="block text-sm leading-snug text-faint">
            The stage decides which parts are needed, drilling what may hang, the wish which plans are clear.
          </span>
        </p>
      </section>
      <section>
        <h2 class="text-xl">Who plays</h2>
        <PlayerRows players={brief.players} />
      </section>
      <section>
        <h2 class="mb-1 text-xl">What it may cost</h2>
        <MoneySentences {brief} />
        <div class="mt-2 max-w-xl">
          {#each budget as verdict (verdict.id)}<VerdictRow {verdict} />{/each}
        </div>
      </section>
    </div>
    <section>
      <h2 class="text-xl">What it is for</h2>
      <PurposeWeights purposes={brief.purposes} />
    </section>
  </article>
{/if}
