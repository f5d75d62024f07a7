<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** What pays for it: a ledger of its own, never a discount. */
  let { funded }: { funded: string } = $props()
  const build = $derived(useBuild()())
  const funding = $derived(build.reply?.build.ledger.funding ?? [])
  let name = $state('')
  let amount = $state('')
  let sold = $state(true)
  let refused = $state('')

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    const [wrong] = await build.addFunding(name.trim(), amount.trim(), sold)
    refused = wrong ? `${wrong.value || 'An empty amount'} is not accepted: ${wrong.accepted}` : ''
    if (!wrong) name = amount = ''
  }
</script>

<section aria-labelledby="funding">
  <h2 id="funding" class="mb-1 text-base">What pays for it</h2>
  {#if funding.length > 0}
    <ul class="text-sm">
      {#each funding as each, index (each.id)}
        <li class="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-x-2 border-b border-base-300 py-1">
          <span
            >{each.name} <span class="text-faint">{each.sold ? 'sold' : 'put aside'}</span>
            <label class="flex min-h-8 items-center gap-2"
              ><input
                type="checkbox"
                class="checkbox checkbox-sm checkbox-primary"
                checked={each.received}
                onchange={(event) =>
                  void build.changeFunding(each.id, `${each.name}, there or not`, {
                    received: event.currentTarget.checked,
                  })}
              /> it is there</label
            ></span
          >
          <span class="flex items-end gap-1">
            <QuantityField
              label="Amount from {each.name}"
              text={build.texts[`ledger.funding.${index}.minor`] ?? ''}
              width="5rem"
              commit={(typed) => build.changeFunding(each.id, `${typed} from ${each.name}`, { minor: typed })}
            />
            <button
              class="btn min-h-8 btn-ghost text-primary btn-xs"
              aria-label="Take out {each.name}"
              onclick={() => void build.dropFunding(each.id, each.name)}>Take out</button
            ></span
          >
        </li>
      {/each}
    </ul>
    <p class="py-1 text-right text-sm font-semibold tabular-nums">{funded}</p>
  {:else}
    <p class="text-sm text-faint">Nothing entered: what is sold for it, or money put aside.</p>
  {/if}
  <form
    class="mt-1 grid grid-cols-[1fr_5rem] items-end gap-x-2 gap-y-1 text-sm"
    onsubmit={(event) => void add(event)}
  >
    <label
      ><span class="text-xs text-faint">From what</span><input
        class="blank w-full"
        bind:value={name}
        maxlength="120"
      /></label
    >
    <label
      ><span class="text-xs text-faint">Amount</span><input
        class="blank w-full"
        bind:value={amount}
        maxlength="40"
        inputmode="decimal"
      /></label
    >
    <label class="flex min-h-8 items-center gap-2"
      ><input type="checkbox" class="checkbox checkbox-sm checkbox-primary" bind:checked={sold} /> sold for it</label
    >
    <button class="btn btn-primary btn-sm" disabled={name.trim() === ''}>Add it</button>
  </form>
  {#if refused}<p role="alert" class="mt-1 text-xs text-error">{refused}</p>{/if}
</section>
