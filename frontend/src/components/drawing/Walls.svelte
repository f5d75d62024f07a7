<script lang="ts">
  import { type Frame, toPage } from '../../lib/drawing'

  /** Hatched walls around a rectangle of `length` × `height` metres. */
  let { frame, length, height }: { frame: Frame; length: number; height: number } = $props()

  const THICK = 7
  const low = $derived(toPage(frame, { u: 0, v: 0 }))
  const high = $derived(toPage(frame, { u: length, v: height }))
  const inner = $derived(`M${low.x} ${low.y}V${high.y}H${high.x}V${low.y}Z`)
  const outer = $derived(
    `M${low.x - THICK} ${low.y + THICK}V${high.y - THICK}H${high.x + THICK}V${low.y + THICK}Z`,
  )
</script>

<path d={outer + inner} fill="url(#hatch)" fill-rule="evenodd" />
<path d={inner} class="stroke-base-content" fill="none" stroke-width="1.6" />
