<script lang="ts">
  import { api, type BuildReply, outcome, type Outcome } from '../../api/client'
  import { navigate } from '../../router'

  let { failed }: { failed: (found: Outcome<BuildReply>) => void } = $props()

  async function read(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0]
    if (!file) return
    const body = new FormData()
    body.set('file', file)
    const found = await outcome(
      api.POST('/api/builds/import', { body: { file: '' }, bodySerializer: () => body }),
    )
    input.value = ''
    if (found.data) await navigate('/builds/:id/parts', { params: { id: String(found.data.id) } })
    else failed(found)
  }
</script>

<div>
  <h2 class="mb-2 text-xl">Read a build file</h2>
  <label for="build-file" class="block text-sm text-faint">Yours or somebody else's, as a new build</label>
  <input
    id="build-file"
    type="file"
    accept=".json,application/json"
    class="mt-2 w-full file:mr-3 file:cursor-pointer file:rounded file:border file:border-primary file:px-3 file:py-1.5 file:text-primary"
    onchange={(event) => void read(event.currentTarget)}
  />
</div>
