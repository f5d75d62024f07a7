<script lang="ts">
  import CoursesWanted from '../components/brief/CoursesWanted.svelte'
  import Conditions from '../components/brief/Conditions.svelte'
  import MoneySentences from '../components/brief/MoneySentences.svelte'
  import PlayerRows from '../components/brief/PlayerRows.svelte'
  import PurposeWeights from '../components/brief/PurposeWeights.svelte'
  import SpaceSentences from '../components/brief/SpaceSentences.svelte'
  import StageSentences from '../components/brief/StageSentences.svelte'
  import Steers from '../components/brief/Steers.svelte'
  import TimeSentences from '../components/brief/TimeSentences.svelte'
  import VerdictRow from '../components/VerdictRow.svelte'
  import { useBuild } from '../lib/build.svelte'

  const build = $derived(useBuild()())
  const brief = $derived(build.reply?.build.brief)
  const answers = $derived((build.report?.verdicts ?? []).filter((verdict) => verdict.step === 'brief'))
  const questions = $derived((build.report?.questions ?? []).filter((question) => question.step === 'brief'))
</script>

{#if brief}
  <article class="grid gap-x-10 gap-y-6 p-4 lg:grid-cols-[minmax(0,1fr)_22rem] lg:px-6">
    <div class="flex flex-col gap-6">
      <section>
        <h2 class="text-xl">What we build</h2>
        <StageSentences {brief} />
      </section>
      <section>
        <h2 class="text-xl">Who plays</h2>
        <PlayerRows players={brief.players} visitors={brief.visitors} />
      </section>
      <section>
        <h2 class="mb-1 text-xl">What it may cost</h2>
        <MoneySentences {brief} />
      </section>
      <section>
        <h2 class="text-xl">Where it goes</h2>
        <SpaceSentences {brief} />
      </section>
      <section>
        <h2 class="text-xl">Time and hands</h2>
        <TimeSentences {brief} />
      </section>
    </div>
    <div class="flex flex-col gap-6">
      <section>
        <h2 class="mb-1 text-xl">What it comes to</h2>
        {#each answers as verdict (verdict.id)}<VerdictRow {verdict} titled />{/each}
        {#each questions as { question, how } (question)}
          <p class="border-b border-base-300 py-1.5 text-sm">
            {question}<span class="block text-faint">{how}</span>
          </p>
        {/each}
      </section>
      <section>
        <h2 class="text-xl">What it is for</h2>
        <PurposeWeights purposes={brief.purposes} />
        <Steers fields={['purposes']} />
        <CoursesWanted courses={brief.courses_wanted} />
      </section>
      <section>
        <h2 class="mb-1 text-xl">The household asks</h2>
        <Conditions {brief} />
      </section>
    </div>
  </article>
{/if}
