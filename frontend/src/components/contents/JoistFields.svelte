<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'
  import NoneOf from './NoneOf.svelte'

  /** How the joists run: what hangs is fixed to them. */
  const build = $derived(useBuild()())
  const joists = $derived(build.reply?.build.room.joists)
  const RUN = { no: 'across the target line', yes: 'along the target line' } as const
</script>

<section class="mt-4" aria-label="Joists">
  <div class="flex items-baseline justify-between gap-2">
    <h2 class="text-lg">Joists</h2>
    {#if joists}
      <button class="btn min-h-[26px] btn-ghost text-primary btn-xs" onclick={() => void build.forgetJoists()}
        >Not known</button
      >
    {:else}
      <button
        class="btn min-h-[26px] btn-ghost text-primary btn-xs"
        onclick={() => void build.measureJoists('joists', { along: false })}>Say how they run</button
      >
    {/if}
  </div>
  {#if !joists}
    <NoneOf looked="joists" words="Nobody has looked yet. A ceiling of concrete has none." />
  {:else}
    <div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1">
      <span>They run</span>
      <Choice
        label="Joists run"
        narrow
        value={joists.along ? 'yes' : 'no'}
        options={RUN}
        choose={(answer) => void build.measureJoists(RUN[answer], { along: answer === 'yes' })}
      />
      <span>First from the {joists.along ? 'left' : 'screen'} wall</span>
      <QuantityField
        label="First joist"
        text={build.texts['room.joists.first_m'] ?? ''}
        commit={(typed) => build.measureJoists(`first joist ${typed}`, { first_m: typed })}
      />
      <span>Spacing</span>
      <QuantityField
        label="Joist spacing"
        text={build.texts['room.joists.spacing_m'] ?? ''}
        commit={(typed) => build.measureJoists(`spacing ${typed}`, { spacing_m: typed })}
      />
    </div>
  {/if}
</section>
