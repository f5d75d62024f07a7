<script lang="ts">
  import Download from '@lucide/svelte/icons/download'
  import Keyboard from '@lucide/svelte/icons/keyboard'
  import Moon from '@lucide/svelte/icons/moon'
  import Redo2 from '@lucide/svelte/icons/redo-2'
  import Ruler from '@lucide/svelte/icons/ruler'
  import Sun from '@lucide/svelte/icons/sun'
  import Undo2 from '@lucide/svelte/icons/undo-2'
  import { useBuild } from '../../lib/build.svelte'
  import { panels } from '../../lib/panels.svelte'
  import { preferences } from '../../lib/preferences.svelte'
  import { session } from '../../lib/session.svelte'
  import { p } from '../../router'
  import QuantityField from '../QuantityField.svelte'

  let { toggleUnits }: { toggleUnits: () => void } = $props()
  const build = $derived(useBuild()())
  const units = $derived(session.session?.units ?? 'metric')
</script>

<header class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-content px-3 py-1.5">
  <a
    href={p('/')}
    class="font-display text-lg font-bold text-base-content no-underline"
    aria-label="Jungle: all builds">Jungle</a
  >
  <h1 class="max-w-96 min-w-0 flex-1 text-base font-normal *:w-full">
    <QuantityField
      label="Name of the build"
      text={build.reply?.build.name ?? ''}
      commit={(name) => build.rename(name)}
      width="100%"
    />
  </h1>
  <div class="ml-auto flex items-center gap-0.5">
    {#if build.pending > 0 && build.waiting.length === 0}<span
        class="loading loading-xs loading-spinner"
        role="status"
        aria-label="Saving"
      ></span>{/if}
    <button
      class="btn btn-square btn-ghost btn-sm"
      disabled={!build.reply?.undo}
      title={build.reply?.undo ? `Undo: ${build.reply.undo}` : 'Nothing to undo'}
      aria-label={build.reply?.undo ? `Undo: ${build.reply.undo}` : 'Nothing to undo'}
      onclick={() => void build.undo()}><Undo2 size={18} /></button
    >
    <button
      class="btn btn-square btn-ghost btn-sm"
      disabled={!build.reply?.redo}
      title={build.reply?.redo ? `Redo: ${build.reply.redo}` : 'Nothing to redo'}
      aria-label={build.reply?.redo ? `Redo: ${build.reply.redo}` : 'Nothing to redo'}
      onclick={() => void build.redo()}><Redo2 size={18} /></button
    >
    <button
      class="btn btn-ghost btn-sm"
      onclick={toggleUnits}
      aria-label="Units: {units}. Switch to {units === 'metric' ? 'imperial' : 'metric'}"
    >
      <Ruler size={16} /><span>{units === 'metric' ? 'm' : 'ft'}</span>
    </button>
    <a
      class="btn btn-square btn-ghost btn-sm"
      href="/api/builds/{build.id}/file"
      download
      title="Write the build file"
      aria-label="Write the build file"
    >
      <Download size={18} />
    </a>
    <button
      class="btn btn-square btn-ghost btn-sm"
      title="Day or night"
      aria-label="Switch to the {preferences.theme === 'paper' ? 'night' : 'day'} theme"
      onclick={() => preferences.toggleTheme()}
    >
      {#if preferences.theme === 'paper'}<Moon size={18} />{:else}<Sun size={18} />{/if}
    </button>
    <button
      class="btn btn-square btn-ghost btn-sm max-sm:hidden"
      title="Keys"
      aria-label="Keyboard shortcuts"
      onclick={() => (panels.shortcuts = true)}
    >
      <Keyboard size={18} />
    </button>
  </div>
</header>
