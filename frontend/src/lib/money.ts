/** Words of the money of a build. */
import type { CameAs } from '../api/client'

export const CAME_AS: Record<CameAs | '', string> = {
  '': 'bought',
  gift: 'a gift',
  barter: 'bartered',
  'lent sample': 'a lent sample',
}
