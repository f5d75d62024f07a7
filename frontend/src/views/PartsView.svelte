<script lang="ts">
  import AttentionList from '../components/AttentionList.svelte'
  import Extras from '../components/beside/Extras.svelte'
  import SmallItems from '../components/beside/SmallItems.svelte'
  import ChainList from '../components/chain/ChainList.svelte'
  import BuildDrawing from '../components/drawing/BuildDrawing.svelte'
</script>

<div class="grid grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(0,1fr)_27rem]">
  <section
    aria-label="Drawing"
    class="relative h-[34rem] p-2 max-lg:order-2 max-sm:h-[31rem] lg:h-auto lg:min-h-0"
  >
    <BuildDrawing />
  </section>
  <section aria-label="Chain" class="min-w-0 border-base-300 p-3 lg:overflow-y-auto lg:border-l">
    <ChainList />
    <SmallItems />
    <Extras />
    <AttentionList />
  </section>
</div>
