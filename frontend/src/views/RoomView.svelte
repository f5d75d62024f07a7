<script lang="ts">
  import BuildDrawing from '../components/drawing/BuildDrawing.svelte'
  import RoomAnswers from '../components/room/RoomAnswers.svelte'
  import RoomFields from '../components/room/RoomFields.svelte'
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-x-5 lg:h-full lg:grid-cols-[minmax(0,1fr)_23rem]">
  <section aria-label="Drawing" class="h-[34rem] p-2 max-lg:order-2 max-sm:h-[31rem] lg:h-auto lg:min-h-0">
    <BuildDrawing />
  </section>
  <section
    aria-label="Room"
    class="flex min-w-0 flex-col gap-4 border-base-300 p-3 max-lg:contents lg:overflow-y-auto lg:border-l"
  >
    <div class="max-lg:order-3 max-lg:p-3"><RoomAnswers /></div>
    <div class="max-lg:order-1 max-lg:p-3"><RoomFields /></div>
  </section>
</div>
