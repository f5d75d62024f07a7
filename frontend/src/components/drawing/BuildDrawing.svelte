<script lang="ts">
  import {
    api,
    outcome,
    type Dimension,
    type Handle,
    type Point,
    type Problem,
    type Scene,
  } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { view } from '../../lib/view.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import Drawing from './Drawing.svelte'

  /** The drawing of the build on screen: what is dragged or typed on it becomes an edit. */
  const build = $derived(useBuild()())
  const stowed = $derived(view.layout === 'stowed' ? build.report?.stowed : null)
  const facing = new Resource<Scene>((signal) => {
    const params = { path: { build_id: build.id } }
    return outcome(api.GET('/api/builds/{build_id}/drawing/front', { params, signal }))
  })
  // It is drawn anew after every edit, for as long as somebody looks at it.
  $effect(() => {
    if (build.reply && view.facing === 'front') void facing.load()
    return () => facing.stop()
  })
  const mode = new Resource<Scene, [string]>((signal, id) => {
    const params = { path: { build_id: build.id, mode: id } }
    return outcome(api.GET('/api/builds/{build_id}/drawing/modes/{mode}', { params, signal }))
  })
  const modes = $derived((build.reply?.build.room.modes ?? []).map(({ id }) => id))
  $effect(() => {
    if (modes.includes(view.layout)) void mode.load(view.layout)
    return () => mode.stop()
  })
  const used = $derived(modes.includes(view.layout) ? mode.data : null)
  const front = $derived(view.facing === 'front' ? facing.data : null)
  const scene = $derived(build.considered?.scene ?? front ?? used ?? stowed ?? build.report?.scene)

  function type(dimension: Dimension, typed: string): Promise<Problem[]> {
    const [record = '', field = ''] = dimension.field.split('.')
    const what = `${dimension.label.toLowerCase()} ${typed}`
    if (record.includes('/')) return build.changeContent(record, what, { [field]: typed })
    if (record === 'room') return build.measureRoom(what, { [field]: typed })
    return build.move(what, { [field]: typed })
  }

  const position = ({ view: of, target }: Handle, at: Point) => ({
    view: of,
    target,
    at,
    stowed: view.layout === 'stowed',
  })
</script>

{#if scene}
  {#if build.considered}
    <p
      class="pointer-events-none absolute right-3 bottom-3 z-10 border border-primary bg-base-100 px-2 py-0.5 text-sm"
      role="status"
    >
      Drawn with {build.considered.name}, which is not chosen yet
    </p>
  {/if}
  <Drawing
    {scene}
    drag={(handle, at) => build.dragTo(position(handle, at))}
    drop={(handle, at) => void build.drop(handle.label.toLowerCase(), position(handle, at))}
    cancel={() => build.stopDrag()}
    {type}
  />
{/if}
