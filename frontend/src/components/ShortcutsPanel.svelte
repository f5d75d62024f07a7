<script lang="ts">
  import { SHORTCUTS } from '../lib/keys'
  import { preferences } from '../lib/preferences.svelte'
  import Panel from './Panel.svelte'

  let { close }: { close: () => void } = $props()
</script>

<Panel title="Keys" {close}>
  <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
    {#each SHORTCUTS as { keys, does } (does)}
      <dt><kbd class="border border-base-content px-1.5 font-sans">{keys}</kbd></dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  <label class="flex items-center gap-3">
    <input
      type="checkbox"
      class="toggle toggle-primary"
      checked={preferences.singleKeys}
      onchange={(event) => preferences.setSingleKeys(event.currentTarget.checked)}
    />
    Single keys are shortcuts
  </label>
</Panel>
