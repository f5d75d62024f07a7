/** Words of the money of a build that the server does not send, and the order of its heads. */
import type { CameAs, Category } from '../api/client'

export const CATEGORIES: readonly Category[] = [
  'monitor',
  'software',
  'computing',
  'picture',
  'enclosure',
  'floor',
  'comfort',
  'small items',
  'tools',
  'building works',
  'decoration',
]

export const CAME_AS: Record<CameAs | '', string> = {
  '': 'bought',
  gift: 'a gift',
  barter: 'bartered',
  'lent sample': 'a lent sample',
}
