<script lang="ts">
  import RoomContents from '../components/contents/RoomContents.svelte'
  import BuildDrawing from '../components/drawing/BuildDrawing.svelte'
  import DrawingBar from '../components/drawing/DrawingBar.svelte'
  import MeasureFields from '../components/room/MeasureFields.svelte'
  import RoomAnswers from '../components/room/RoomAnswers.svelte'
  import RoomFields from '../components/room/RoomFields.svelte'

  let width = $state(0)
  let height = $state(0)

  function centre(): { x: number; y: number } {
    return { x: width / 2, y: height / 2 }
  }
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-x-5 lg:h-full lg:grid-cols-[minmax(0,1fr)_23rem]">
  <section
    aria-label="Drawing"
    class="flex h-[34rem] flex-col p-2 max-lg:order-3 max-sm:h-[31rem] lg:h-auto lg:min-h-0"
  >
    <DrawingBar {centre} />
    <div class="min-h-0 flex-1" bind:clientWidth={width} bind:clientHeight={height}><BuildDrawing /></div>
  </section>
  <section
    aria-label="Room"
    class="flex min-w-0 flex-col gap-4 border-base-300 p-3 max-lg:contents lg:overflow-y-auto lg:border-l"
  >
    <div class="max-lg:order-2 max-lg:p-3"><RoomAnswers /></div>
    <div class="max-lg:order-1 max-lg:p-3"><MeasureFields /></div>
    <div class="max-lg:order-4 max-lg:p-3"><RoomFields /></div>
    <div class="max-lg:order-5 max-lg:p-3"><RoomContents /></div>
  </section>
</div>
