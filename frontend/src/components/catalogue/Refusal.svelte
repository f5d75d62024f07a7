<script lang="ts">
  import type { Problem } from '../../api/client'

  /** Why a file was not taken: each place, what stands there, what is accepted. */
  let { refusal }: { refusal: { message: string; problems: Problem[] } } = $props()
</script>

<div role="alert" class="mt-2 border-l-3 border-error pl-3 text-sm">
  <p>{refusal.message}</p>
  <ul>
    {#each refusal.problems.slice(0, 20) as problem, index (index)}
      <li>
        <strong>{problem.field}</strong>: {problem.accepted}{problem.value ? ` (found ${problem.value})` : ''}
      </li>
    {/each}
  </ul>
  {#if refusal.problems.length > 20}<p>and {refusal.problems.length - 20} more.</p>{/if}
</div>
