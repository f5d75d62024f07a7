<script lang="ts">
  import type { BasketsJob } from '../../api/client'

  /** Kits of shops, broken up into what they hold, beside the same lines bought singly. */
  let { kits }: { kits: NonNullable<BasketsJob['baskets']>['kits'] } = $props()
</script>

{#if kits && kits.length > 0}
  <h3 class="mt-4 font-semibold">Kit or own</h3>
  <ul class="divide-y divide-base-300 border-y border-base-300 text-sm">
    {#each kits as kit (`${kit.shop} ${kit.name}`)}
      <li>
        <details>
          <summary
            class="grid min-h-8 cursor-pointer grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 py-1"
          >
            <span>{kit.headline}</span>
            <span class="text-right whitespace-nowrap tabular-nums">{kit.kit.text} or {kit.own.text}</span>
          </summary>
          <div class="border-l-3 border-base-300 pb-2 pl-3">
            <p>
              It holds {kit.held
                .map(
                  ({ name, quantity, single, wanted }) =>
                    `${quantity > 1 ? `${quantity} × ` : ''}${name} (${single.text} by itself${wanted ? '' : ', not needed here'})`,
                )
                .join(', ')}.
            </p>
            {#if kit.left_out.length > 0}
              <p>In both sums, since the kit leaves it out: {kit.left_out.join(', ')}.</p>
            {/if}
            {#if kit.without.length > 0}
              <p>In neither, since nobody offers it: {kit.without.join(', ')}.</p>
            {/if}
            <p class="text-faint">
              {kit.kit.text} with the kit, {kit.own.text} without it: both delivered, each thing where it comes
              to least.
            </p>
          </div>
        </details>
      </li>
    {/each}
  </ul>
{/if}
