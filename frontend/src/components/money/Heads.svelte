<script lang="ts">
  import type { Money } from '../../api/client'

  /** What each category takes of the money: a bar for each, labelled directly. */
  let { heads, starving }: { heads: Money['heads']; starving: string } = $props()
</script>

<section aria-labelledby="heads">
  <h2 id="heads" class="mb-1 text-base">Where it goes</h2>
  {#if heads.length === 0}
    <p class="text-sm text-faint">Nothing costs anything yet.</p>
  {:else}
    <ul class="text-sm">
      {#each heads as head (head.category)}
        <li class="py-1">
          <span class="flex justify-between gap-2"
            ><span>{head.category}</span><span class="tabular-nums"
              >{head.up_front.text}
              <span class="inline-block w-14 text-right text-faint">{head.share_text}</span></span
            ></span
          >
          <span class="mt-0.5 block h-2 border-b border-l border-base-content/40" aria-hidden="true">
            <span class="block h-full bg-base-content/60" style:width="{head.share * 100}%"></span>
          </span>
        </li>
      {/each}
    </ul>
    {#if starving}<p class="mt-1 text-sm">{starving}.</p>{/if}
  {/if}
</section>
