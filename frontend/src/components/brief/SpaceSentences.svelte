<script lang="ts">
  import type { BuildReply } from '../../api/client'
  import { DRILLING_WORDS, LOOKS_WORDS, NOISE_WORDS, USES } from '../../lib/brief'
  import { useBuild } from '../../lib/build.svelte'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'
  import Steers from './Steers.svelte'
  import Ticks from './Ticks.svelte'

  /** The home, what else the space must do, and what the house puts up with. */
  let { brief }: { brief: BuildReply['build']['brief'] } = $props()
  const build = $derived(useBuild()())
  const HOME = { owned: 'own', rented: 'rent' } as const
  const MOVING = { no: 'stay', yes: 'may move house' } as const
  const PACKED = { no: 'stays up', yes: 'is packed away after play' } as const
  const drilling = $derived(brief.may_drill === null ? 'unsaid' : brief.may_drill ? 'yes' : 'no')
</script>

<div class="grid gap-2 leading-9">
  <p>
    We
    <Choice
      label="Home"
      value={brief.rented ? 'rented' : 'owned'}
      options={HOME}
      choose={(home) => void build.changeBrief(`home: ${HOME[home]}`, { rented: home === 'rented' })}
    /> the home and
    <Choice
      label="Moving house"
      value={brief.may_move ? 'yes' : 'no'}
      options={MOVING}
      choose={(answer) => void build.changeBrief(MOVING[answer], { may_move: answer === 'yes' })}
    />. Walls and ceiling
    <Choice
      label="Drilling"
      field="brief.may_drill"
      value={drilling}
      options={DRILLING_WORDS}
      choose={(answer) =>
        void build.changeBrief(`walls and ceiling ${DRILLING_WORDS[answer]}`, {
          may_drill: answer === 'unsaid' ? null : answer === 'yes',
        })}
    />.
    <Steers fields={['rented', 'may_move', 'may_drill']} />
  </p>
  <p>
    The bay
    <Choice
      label="After play"
      value={brief.packed_away ? 'yes' : 'no'}
      options={PACKED}
      choose={(answer) => void build.changeBrief(PACKED[answer], { packed_away: answer === 'yes' })}
    />{#if brief.packed_away}, and setting it up may take
      <QuantityField
        label="Set-up minutes accepted"
        field="brief.setup_minutes"
        text={build.texts['brief.setup_minutes'] ?? ''}
        hint="not said"
        width="5rem"
        commit={(typed) => build.changeBrief(`set-up ${typed}`, { setup_minutes: typed })}
      />; when we tried it took
      <QuantityField
        label="Set-up minutes as tried"
        text={build.texts['brief.measured_setup_minutes'] ?? ''}
        hint="not tried"
        width="5rem"
        commit={(typed) => build.changeBrief(`set-up tried ${typed}`, { measured_setup_minutes: typed })}
      />{/if}.
    <Steers fields={['packed_away', 'setup_minutes', 'measured_setup_minutes']} />
  </p>
  <div>
    <Ticks
      legend="The space must also hold"
      options={USES}
      chosen={brief.other_uses}
      choose={(other_uses) => void build.changeBrief('what else the space must hold', { other_uses })}
    />
    <Steers fields={['other_uses']} />
  </div>
  <p>
    Noise
    <Choice
      label="Noise"
      value={brief.noise}
      options={NOISE_WORDS}
      choose={(noise) => void build.changeBrief(`noise ${NOISE_WORDS[noise]}`, { noise })}
    />; it shall look
    <Choice
      label="Looks"
      value={brief.looks}
      options={LOOKS_WORDS}
      choose={(looks) => void build.changeBrief(`looks ${LOOKS_WORDS[looks]}`, { looks })}
    />.
    <Steers fields={['noise', 'looks']} />
  </p>
</div>
