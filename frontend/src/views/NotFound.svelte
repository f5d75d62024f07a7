<script lang="ts">
  import { p } from '../router'
</script>

<svelte:head><title>Not here · Jungle</title></svelte:head>
<main class="mx-auto grid min-h-dvh max-w-md place-content-center gap-3 px-4">
  <h1 class="text-2xl">There is nothing at this address</h1>
  <p>The build may have been deleted, or it belongs to somebody else.</p>
  <a href={p('/')}>All builds</a>
</main>
