<script lang="ts">
  import type { Shape } from '../../api/client'
  import { type Frame, path, pointsOf } from '../../lib/drawing'

  /** The room's outline with hatched walls around it. */
  let { frame, room }: { frame: Frame; room: Shape } = $props()

  const THICK = 14
  const d = $derived(path(frame, pointsOf(room), true))
</script>

<path {d} fill="none" stroke="url(#hatch)" stroke-width={THICK} stroke-linejoin="miter" />
<path {d} class="fill-base-100 stroke-base-content" stroke-width="1.6" />
