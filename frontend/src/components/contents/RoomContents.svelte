<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import ContentList from './ContentList.svelte'
  import JoistFields from './JoistFields.svelte'
  import Modes from './Modes.svelte'
  import StaysUp from './StaysUp.svelte'

  const build = $derived(useBuild()())
</script>

<ContentList
  group="things"
  looked="things"
  empty="Nobody has looked yet. Beams, rails, lamps and openers decide more swings than ceilings do."
/>
<p class="mt-1 text-xs text-faint">
  Never cut or notch a beam or joist. Lamps and openers are moved by licensed trades; opener springs are under
  load.
</p>
<ContentList group="stored" empty="Nothing: the room is the bay's alone." />
{#if (build.reply?.build.room.stored.length ?? 0) > 0}<StaysUp />{/if}
<Modes />
<ContentList
  group="openings"
  looked="openings"
  empty="Nobody has looked yet. A door that opens into the room needs its swing."
/>
<ContentList group="sockets" looked="sockets" empty="Nobody has looked yet." />
<ContentList group="circuits" empty="None: all sockets hang on the breaker that is entered above." />
<JoistFields />
