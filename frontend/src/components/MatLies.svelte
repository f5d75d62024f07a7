<script lang="ts">
  import { useBuild } from '../lib/build.svelte'
  import Choice from './Choice.svelte'

  /** Whether the mat is let into the floor: asked, never assumed. */
  let { showLabel = false }: { showLabel?: boolean } = $props()
  const build = $derived(useBuild()())
  const WORDS = {
    '': 'not said',
    let_in: 'let into the floor',
    on_top: 'on top of it',
  } as const
</script>

<Choice
  label="The mat lies"
  field="layout.mat_lies"
  {showLabel}
  narrow={!showLabel}
  value={build.reply?.build.layout.mat_lies ?? ''}
  options={WORDS}
  choose={(lies) => void build.move(`mat ${WORDS[lies]}`, { mat_lies: lies === '' ? null : lies })}
/>
