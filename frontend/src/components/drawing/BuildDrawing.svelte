<script lang="ts">
  import type { Dimension, Problem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import Drawing from './Drawing.svelte'

  /** The drawing of the build on screen: what is dragged or typed on it becomes an edit. */
  const build = $derived(useBuild()())

  function type(dimension: Dimension, typed: string): Promise<Problem[]> {
    const [record, field] = dimension.field.split('.')
    const what = `${dimension.label.toLowerCase()} ${typed}`
    if (record === 'room') return build.measureRoom(what, { [field ?? '']: typed })
    return build.move(what, { [field ?? '']: typed })
  }
</script>

{#if build.report}
  <Drawing
    scene={build.report.scene}
    drag={(change) => void build.dragTo(change)}
    drop={(what, change) => void build.move(`moving the ${what}`, change)}
    cancel={() => build.stopDrag()}
    {type}
  />
{/if}
