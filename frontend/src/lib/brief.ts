/** The answers of the brief in words. What each steers comes from the core. */
import type { BuildReply } from '../api/client'
import { KINDS } from './contents'

type Use = BuildReply['build']['brief']['other_uses'][number]

export const TAX_WORDS = { paid: 'is a cost to us', reclaimed: 'is reclaimed' } as const
export const VALUATION_WORDS = {
  cash: 'count for nothing',
  newcomer: 'count as bought new',
} as const
export const APPROACH_WORDS = { buy_once: 'buy once', start_small: 'start small' } as const
export const NOISE_WORDS = {
  any: 'does not matter',
  damped: 'must be damped',
  quiet: 'must be quiet',
} as const
export const SUBSCRIPTION_WORDS = {
  fine: 'fine',
  rather_not: 'better avoided',
  never: 'out of the question',
  unsaid: 'not yet decided on',
} as const
export const DRILLING_WORDS = {
  yes: 'may be drilled',
  no: 'may not be drilled',
  unsaid: 'have yet to be asked about',
} as const
export const LOOKS_WORDS = { plain: 'plain', finished: 'finished, with an enclosure' } as const
export const SKILL_WORDS = {
  timber: 'timber',
  sewing: 'sewing',
  ceiling: 'fixing to a ceiling',
} as const
export const USES = KINDS.stored as Record<Use, string>
