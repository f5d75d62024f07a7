<script lang="ts" generics="T extends string">
  interface Props {
    label: string
    value: T
    options: Readonly<Record<T, string>>
    choose: (value: T) => void
    /** Record and field that it answers, for who is sent here. */
    field?: string | undefined
    showLabel?: boolean
    narrow?: boolean
  }

  let { label, value, options, choose, field, showLabel = false, narrow = false }: Props = $props()
  const id = $props.id()

  function chosen(key: string): void {
    const known = (Object.keys(options) as T[]).find((option) => option === key)
    if (known !== undefined) choose(known)
  }
</script>

<span class="inline-flex flex-col align-baseline leading-normal">
  <label for={id} class={showLabel ? 'text-xs text-faint' : 'sr-only'}>{label}</label>
  <select
    {id}
    data-field={field}
    class="blank {narrow ? 'max-w-40' : 'max-w-56'}"
    {value}
    onchange={(event) => chosen(event.currentTarget.value)}
  >
    {#each Object.entries<string>(options) as [key, words] (key)}
      <option value={key}>{words}</option>
    {/each}
  </select>
</span>
